package izzet.core.plan;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

/**
 * One end of a wire: a board's pin ({@code board:A4}), a rail ({@code rail:GND}) or a line of a placed part ({@code sign1:SDA}).
 *
 * @param owner {@code board}, {@code rail} or the id of a placed part
 * @param name pin, rail or line id
 */
public record Target(String owner, String name) {

    public static final String BOARD = "board";
    public static final String RAIL = "rail";

    @JsonCreator
    public static Target of(String text) {
        int colon = text.indexOf(':');
        if (colon <= 0 || colon == text.length() - 1) {
            throw new IllegalArgumentException(
                    "'" + text + "' is no end of a wire; write board:PIN, rail:RAIL or PART:LINE, such as board:A4.");
        }
        return new Target(text.substring(0, colon), text.substring(colon + 1));
    }

    public static Target pin(String pinId) {
        return new Target(BOARD, pinId);
    }

    public static Target rail(String railId) {
        return new Target(RAIL, railId);
    }

    public static Target line(String partId, String lineId) {
        return new Target(partId, lineId);
    }

    public boolean isPin() {
        return owner.equals(BOARD);
    }

    public boolean isRail() {
        return owner.equals(RAIL);
    }

    public boolean isLine() {
        return !isPin() && !isRail();
    }

    @JsonValue
    @Override
    public String toString() {
        return owner + ":" + name;
    }
}
