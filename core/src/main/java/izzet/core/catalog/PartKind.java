package izzet.core.catalog;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What a part is for, in the order of the shelf. */
public enum PartKind {
    DISPLAY,
    INPUT,
    LAMP,
    SENSOR,
    HELPER,
    SUPPLY;

    @JsonCreator
    public static PartKind of(String text) {
        return valueOf(text.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    @JsonValue
    public String text() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
