package izzet.app;

import izzet.app.backup.DataFault;
import izzet.core.catalog.CatalogException;
import java.sql.SQLException;
import java.util.regex.Pattern;
import org.springframework.boot.web.server.PortInUseException;

/** Says in one line why the application cannot start, for the faults a user can mend. */
final class StartFault {

    private static final int H2_LOCKED = 90020;
    private static final int H2_IO = 90028;
    private static final int H2_IO_2 = 90031;
    private static final int H2_FILE_CREATION = 90062;

    /** SQLSTATE of a connection that failed, of a wrong user or password, of a missing database. */
    private static final Pattern SERVER = Pattern.compile("08\\w{3}|28\\w{3}|3D000");

    private StartFault() {}

    /** Null when the fault is none of those known. */
    static String tell(Throwable fault) {
        for (Throwable t = fault; t != null; t = t.getCause()) {
            if (t instanceof PortInUseException p) {
                return "port " + p.getPort() + " is taken by another program; start with --port and another number.";
            }
            if (t instanceof DataFault d) {
                return d.getMessage();
            }
            if (t instanceof CatalogException c) {
                return c.getMessage();
            }
            if (t instanceof SQLException s) {
                if (SERVER.matcher(String.valueOf(s.getSQLState())).matches()) {
                    return "the database server does not let us in: "
                            + s.getMessage().lines().findFirst().orElse("")
                            + " Look at IZZET_DB, IZZET_DB_USER and IZZET_DB_PASSWORD.";
                }
                if (s.getErrorCode() == H2_LOCKED) {
                    return "the database is in use by another running copy; stop that one, or start with --data and another folder.";
                }
                if (s.getErrorCode() == H2_IO || s.getErrorCode() == H2_IO_2 || s.getErrorCode() == H2_FILE_CREATION) {
                    return "the data folder cannot be written: "
                            + s.getMessage().lines().findFirst().orElse("")
                            + " Start with --data and a folder that can be.";
                }
            }
        }
        return null;
    }
}
