package izzet.core.catalog;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What a wrong level on a boot pin does. */
public enum BootGrade {
    KILLS_START,
    BLOCKS_UPLOAD,
    HARMLESS;

    @JsonCreator
    public static BootGrade of(String text) {
        return valueOf(text.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    @JsonValue
    public String text() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
