package izzet.core.catalog;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What happens to a line that nothing is connected to. */
public enum OpenLine {
    /** Must not be left so. */
    FLOATS,
    PULLED_UP,
    PULLED_DOWN,
    FINE;

    @JsonCreator
    public static OpenLine of(String text) {
        return valueOf(text.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    @JsonValue
    public String text() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
