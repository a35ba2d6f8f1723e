package izzet.app.backup;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Clock;

/** {@code ./izzet backup FILE} and {@code ./izzet restore FILE}, while the program does not run. */
public final class BackupCommand {

    private static final String SETTINGS = ";DB_CLOSE_ON_EXIT=FALSE;TRACE_LEVEL_FILE=0;WRITE_DELAY=0";

    private BackupCommand() {}

    /** @param words {@code backup} or {@code restore}, the file, the folder of data */
    public static void main(String[] words) {
        try {
            System.out.println(run(
                    words[0],
                    Path.of(words[1]).toAbsolutePath(),
                    Path.of(words[2]).toAbsolutePath()));
        } catch (DataFault e) {
            System.err.println("izzet: " + e.getMessage());
            System.exit(1);
        } catch (SQLException e) {
            System.err.println(
                    e.getErrorCode() == org.h2.api.ErrorCode.DATABASE_ALREADY_OPEN_1
                            ? "izzet: the database is in use by a running copy; use its page /backup, or stop it first."
                            : "izzet: the database cannot be read: " + Backups.firstLine(e));
            System.exit(1);
        } catch (IOException e) {
            System.err.println("izzet: the file cannot be read or written: " + Backups.firstLine(e));
            System.exit(1);
        }
    }

    static String run(String what, Path file, Path data) throws IOException, SQLException {
        DataFolder folder = new DataFolder(data);
        Backups backups = new Backups(folder, SETTINGS);
        Clock clock = Clock.systemUTC();
        if (what.equals("restore")) {
            if (!Files.isReadable(file)) {
                throw new DataFault("there is no backup to read at " + file + ".");
            }
            Files.createDirectories(data);
            if (Files.exists(folder.database())) {
                // Refused while another copy has it open.
                try (Connection db = open(folder)) {
                    db.createStatement().execute("shutdown");
                } catch (SQLException e) {
                    if (e.getErrorCode() == org.h2.api.ErrorCode.DATABASE_ALREADY_OPEN_1) {
                        throw e;
                    }
                    // A damaged one is what the backup is for.
                }
            }
            Backups.Sheet sheet = backups.restore(file, clock.instant());
            return "Brought back: " + sheet.changes() + " changes of plans, as of " + sheet.at()
                    + ". What was there is kept in " + folder.kept() + ".";
        }
        if (!Files.exists(folder.database())) {
            throw new DataFault("there is no database in " + data + "; say --data and its folder.");
        }
        try (Connection db = open(folder)) {
            backups.make(Database.of(db), file, clock.instant());
        }
        return "Written: " + file + " (" + Files.size(file) + " bytes).";
    }

    private static Connection open(DataFolder folder) throws SQLException {
        return DriverManager.getConnection(folder.url(folder.database(), SETTINGS + ";IFEXISTS=TRUE"), "sa", "");
    }
}
