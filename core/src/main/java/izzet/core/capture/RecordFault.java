package izzet.core.capture;

/** A record that cannot be read: where, what was found, what was expected, what to do. */
public final class RecordFault extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final long line;

    /** @param line of the record, from 1; 0 when the fault is in no line */
    public RecordFault(long line, String message) {
        super(line > 0 ? "Line " + line + ": " + message : message);
        this.line = line;
    }

    public long line() {
        return line;
    }
}
