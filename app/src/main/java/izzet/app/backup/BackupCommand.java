package izzet.app.backup;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.logging.LogManager;
import org.hibernate.JDBCException;

/** {@code ./izzet backup FILE} and {@code ./izzet restore FILE}, while the program does not run. */
public final class BackupCommand {

    private static final String SETTINGS = ";DB_CLOSE_ON_EXIT=FALSE;TRACE_LEVEL_FILE=0;WRITE_DELAY=0";

    private BackupCommand() {}

    /** @param words {@code backup} or {@code restore}, the file, the folder of data */
    public static void main(String[] words) {
        // Only what this command says itself; without the program nothing else sets the logging.
        System.setProperty("org.jboss.logging.provider", "jdk");
        LogManager.getLogManager().reset();
        try {
            System.out.println(run(
                    words[0],
                    Path.of(words[1]).toAbsolutePath(),
                    Path.of(words[2]).toAbsolutePath()));
        } catch (DataFault e) {
            System.err.println("izzet: " + e.getMessage());
            System.exit(1);
        } catch (JDBCException e) {
            System.err.println(
                    ClosedDatabase.inUse(e)
                            ? "izzet: the database is in use by a running copy; use its page /backup, or stop it first."
                            : "izzet: the database cannot be read: " + Backups.reason(e));
            System.exit(1);
        } catch (IOException e) {
            System.err.println("izzet: the file cannot be read or written: " + Backups.firstLine(e));
            System.exit(1);
        }
    }

    static String run(String what, Path file, Path data) throws IOException {
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
                try (ClosedDatabase db = open(folder)) {
                    db.number("select 1");
                } catch (JDBCException e) {
                    if (ClosedDatabase.inUse(e)) {
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
        try (ClosedDatabase db = open(folder)) {
            backups.make(db, file, clock.instant());
        }
        return "Written: " + file + " (" + Files.size(file) + " bytes).";
    }

    private static ClosedDatabase open(DataFolder folder) {
        return ClosedDatabase.at(folder.url(folder.database(), SETTINGS + ";IFEXISTS=TRUE"));
    }
}
