package izzet.core.catalog;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What lies between two lines inside a part, as far as currents at rest go. */
public enum ElementKind {
    RESISTOR,
    LAMP,
    /** Open at rest; a hand closes it. */
    SWITCH,
    /** A resistor with a wiper that a hand moves. */
    POTENTIOMETER;

    @JsonCreator
    public static ElementKind of(String text) {
        return valueOf(text.toUpperCase(Locale.ROOT));
    }

    @JsonValue
    public String text() {
        return name().toLowerCase(Locale.ROOT);
    }
}
