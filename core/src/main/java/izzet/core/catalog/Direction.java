package izzet.core.catalog;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** Which way a line works, seen from the part. */
public enum Direction {
    IN,
    OUT,
    BOTH,
    OPEN_DRAIN,
    PASSIVE;

    @JsonCreator
    public static Direction of(String text) {
        return valueOf(text.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    @JsonValue
    public String text() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The part puts a level on it by itself. */
    public boolean drives() {
        return this == OUT || this == BOTH;
    }

    public boolean listens() {
        return this == IN || this == BOTH || this == OPEN_DRAIN;
    }
}
