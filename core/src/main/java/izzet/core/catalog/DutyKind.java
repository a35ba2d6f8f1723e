package izzet.core.catalog;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What a pin is bound to besides the user's wishes. */
public enum DutyKind {
    /** Not to be used. */
    RESERVED,
    CONSOLE,
    OSCILLATOR,
    /** A level that is read at reset. */
    BOOT,
    /** One fitted on the board. */
    LAMP,
    /** A resistor fitted on the board. */
    PULL_UP,
    PULL_DOWN,
    /** Something to know before it is used. */
    ROLE;

    @JsonCreator
    public static DutyKind of(String text) {
        return valueOf(text.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    @JsonValue
    public String text() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Drawings hatch the pin: the board needs it itself. */
    public boolean hatched() {
        return this == RESERVED || this == CONSOLE || this == BOOT;
    }

    /** A resistor of the board. */
    public boolean pull() {
        return this == PULL_UP || this == PULL_DOWN;
    }
}
