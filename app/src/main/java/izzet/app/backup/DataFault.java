package izzet.app.backup;

/** The folder of data cannot be used as it is. The message says what is wrong, where, and what brings it back. */
public final class DataFault extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public DataFault(String message) {
        super(message);
    }

    DataFault(String message, Throwable cause) {
        super(message, cause);
    }
}
