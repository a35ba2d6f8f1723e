package izzet.core.catalog;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What holds a pin of the board from the reset on until the program runs. */
public enum ResetPull {
    PULLED_UP,
    PULLED_DOWN;

    @JsonCreator
    public static ResetPull of(String text) {
        return valueOf(text.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    @JsonValue
    public String text() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** For sentences: "pulled up". */
    public String words() {
        return text().replace('-', ' ');
    }
}
