package izzet.app.store;

import java.sql.SQLException;

/** Whether the file database closed itself because it could not write. */
public final class ClosedByFault {

    /** H2's numbers, of org.h2.api.ErrorCode: general error, file closed or not readable, database closed or closing. */
    private static final int GENERAL = 50000;

    private static final int IO = 90028;
    private static final int IO_OF_A_FILE = 90031;
    private static final int CLOSED = 90098;
    private static final int ALREADY_CLOSED = 90121;

    private ClosedByFault() {}

    /** @param fault of anything that asked the database */
    public static boolean is(Throwable fault) {
        for (Throwable t = fault; t != null; t = t.getCause()) {
            if (t instanceof SQLException e
                    && (e.getErrorCode() == CLOSED
                            || e.getErrorCode() == ALREADY_CLOSED
                            || e.getErrorCode() == IO
                            || e.getErrorCode() == IO_OF_A_FILE
                            || e.getErrorCode() == GENERAL && wrote(e))) {
                return true;
            }
        }
        return false;
    }

    private static boolean wrote(Throwable fault) {
        for (Throwable t = fault; t != null; t = t.getCause()) {
            if (t instanceof java.io.IOException) {
                return true;
            }
        }
        return false;
    }
}
