package izzet.core.catalog;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

/** Which bit of a serial word goes first. */
public enum BitOrder {
    MSB("msb", "highest first"),
    LSB("lsb", "lowest first"),
    /** A plain register takes them as they come. */
    EITHER("either", "as the program likes");

    private final String text;
    private final String words;

    BitOrder(String text, String words) {
        this.text = text;
        this.words = words;
    }

    @JsonValue
    public String text() {
        return text;
    }

    public String words() {
        return words;
    }

    /** @throws IllegalArgumentException when it is none of them */
    @JsonCreator
    public static BitOrder of(String text) {
        for (BitOrder order : values()) {
            if (order.text.equals(text)) {
                return order;
            }
        }
        throw new IllegalArgumentException("The bit order is \"" + text + "\"; msb, lsb and either are known.");
    }
}
