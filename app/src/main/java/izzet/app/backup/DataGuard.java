package izzet.app.backup;

import izzet.app.files.OwnerOnly;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import org.flywaydb.core.Flyway;
import org.hibernate.JDBCException;

/**
 * Makes the folder of data ready before anything opens it. A first database and every migration are made beside and moved into place, so
 * that a kill leaves the old state or the new one; a database that is missing, empty, damaged or older than it was is told, never replaced
 * by an empty one.
 */
public final class DataGuard {

    /** Number of the last migration. */
    static final int NEWEST = 12;

    /** Two headers of a database file. */
    private static final long LEAST_BYTES = 8192;

    private final DataFolder folder;
    private final String settings;
    private final Clock clock;
    private final Backups backups;

    /** @param settings that the database is opened with, from the first semicolon */
    public DataGuard(Path path, String settings, Clock clock) {
        this.folder = new DataFolder(path.toAbsolutePath());
        this.settings = settings;
        this.clock = clock;
        this.backups = new Backups(folder, settings);
    }

    /**
     * @throws DataFault with what brings it back
     * @throws JDBCException when the database is in use
     */
    public void prepare() {
        try {
            Files.createDirectories(folder.path());
            Files.deleteIfExists(folder.making());
            if (Files.exists(folder.staged())) {
                backups.restore(folder.staged(), clock.instant());
                backups.unstage();
            }
            if (Files.exists(folder.database())) {
                open();
            } else {
                create();
            }
        } catch (AccessDeniedException e) {
            throw new DataFault(cannotWrite(e.getMessage()), e);
        } catch (IOException e) {
            throw new DataFault(cannotWrite(Backups.firstLine(e)), e);
        }
    }

    /**
     * Why a start with this database failed, if it is the database's fault.
     *
     * @throws DataFault with what brings it back
     */
    public void explain() {
        try {
            if (Files.exists(folder.database()) && examine()) {
                throw new DataFault("the database " + folder.database()
                        + " was of an earlier version; it was updated now, after a backup. Start again.");
            }
        } catch (IOException e) {
            throw new DataFault(cannotWrite(Backups.firstLine(e)), e);
        }
    }

    private String cannotWrite(String why) {
        return "the data folder cannot be written: " + folder.path() + " (" + why
                + "). Start with --data and a folder that can be.";
    }

    private void create() throws IOException {
        Optional<Mark> known = Mark.read(folder.mark());
        if (known.isPresent()) {
            throw new DataFault("the database " + folder.database() + " is missing, though it held "
                    + known.get().changes() + " changes on " + known.get().at() + "." + wayBack());
        }
        migrate(folder.making());
        DataFolder.moveIntoPlace(folder.making(), folder.database());
    }

    private void open() throws IOException {
        long bytes = Files.size(folder.database());
        if (bytes < LEAST_BYTES) {
            throw new DataFault(
                    "the database " + folder.database() + " is damaged: it has " + bytes + " bytes." + wayBack());
        }
        OwnerOnly.make(folder.database());
        Optional<String> missing = WholeFile.missing(folder.database());
        if (missing.isPresent()) {
            throw new DataFault(
                    "the database " + folder.database() + " is cut short: " + missing.get() + "." + wayBack());
        }
        if (Mark.read(folder.mark()).filter(m -> m.migration() == NEWEST).isEmpty()) {
            examine();
        }
    }

    /**
     * Opens the database to look whether it can be, and updates one of an earlier version. Where the program wrote down that it had had
     * all migrations, this is left to the start itself, which compares, too: opening it twice takes long.
     *
     * @return whether it was of an earlier version
     */
    private boolean examine() throws IOException {
        boolean old;
        try (ClosedDatabase db = ClosedDatabase.at(folder.url(folder.database(), settings))) {
            compare(db);
            old = pending(db);
            if (old) {
                Files.createDirectories(folder.backups());
                OwnerOnly.make(folder.backups());
                String moment = clock.instant().toString().replace(':', '-');
                backups.make(db, folder.backups().resolve("before-update-" + moment + ".zip"), clock.instant());
            }
        } catch (JDBCException e) {
            if (ClosedDatabase.inUse(e)) {
                throw e;
            }
            throw new DataFault(
                    "the database " + folder.database() + " is damaged: " + Backups.reason(e) + wayBack(), e);
        }
        if (old) {
            Files.copy(folder.database(), folder.making());
            migrate(folder.making());
            DataFolder.moveIntoPlace(folder.making(), folder.database());
        }
        return old;
    }

    /** Whether this program knows migrations that the database has not had. */
    private static boolean pending(Database db) {
        return Mark.migration(db) < NEWEST;
    }

    /** @throws DataFault when it holds less than it did */
    void compare(Database db) {
        Optional<Mark> known = Mark.read(folder.mark());
        Mark now = Mark.of(db, clock.instant());
        if (known.isPresent() && now.holdsLessThan(known.get())) {
            throw new DataFault("the database " + folder.database() + " is older than it was: it holds " + now.changes()
                    + " changes and held " + known.get().changes() + " on "
                    + known.get().at() + "." + wayBack());
        }
    }

    /** On a file that nobody has open; whole and closed afterwards. */
    private void migrate(Path database) {
        Flyway.configure()
                .dataSource(folder.url(database, settings), "sa", "")
                .locations("classpath:db/migration")
                .load()
                .migrate();
    }

    private String wayBack() {
        try {
            return backups.list().stream()
                    .filter(k -> k.day().isPresent())
                    .findFirst()
                    .map(k -> " The newest backup is of " + k.day().get() + "; bring it back with: ./izzet restore "
                            + k.file() + " --data " + folder.path())
                    .orElse(" There is no backup in " + folder.backups() + ".");
        } catch (IOException e) {
            return "";
        }
    }
}
