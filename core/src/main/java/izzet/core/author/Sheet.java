package izzet.core.author;

import java.util.List;

/**
 * A table of an item: its lines, pins, straps.
 *
 * @param pointer where its rows stand in the file
 * @param title of the table
 * @param row what one row is, for people
 * @param inner name of the array within, of a nested one; else empty
 */
public record Sheet(String pointer, String title, String row, Shape shape, String inner, List<Column> columns) {

    /** How rows stand in the file. */
    public enum Shape {
        /** An array of objects. */
        LIST,
        /** An object whose keys are a column. */
        MAP,
        /** An array of objects that have an array of their own; a row is one of the inner. */
        NESTED
    }

    public Sheet {
        columns = List.copyOf(columns);
    }

    /** Name of a field of this table in a form. */
    public String field(int row, Column column) {
        return pointer + "/" + row + "/" + column.path();
    }
}
