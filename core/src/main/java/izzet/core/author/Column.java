package izzet.core.author;

import java.util.List;

/**
 * One thing to fill in: a field of its own, or a column of a {@link Sheet}.
 *
 * @param path within the item or row, such as {@code lamp/forwardVolts}; {@code @key} and {@code @value} of a row that is an entry of a
 *     map; with {@code ^} in front it belongs to the thing that the row is a part of
 * @param choices what can be chosen; empty elsewhere
 * @param hint an example or explanation
 * @param more whether most people never need it
 */
public record Column(String path, String title, Kind kind, List<String> choices, String hint, boolean more) {

    /** How the text of a field becomes a value. */
    public enum Kind {
        TEXT,
        INTEGER,
        HEX,
        NUMBER,
        YES_NO,
        CHOICE,
        WORDS,
        INTEGERS,
        PAIRS,
        LEVEL,
        DUTIES
    }

    public Column {
        choices = List.copyOf(choices);
    }
}
