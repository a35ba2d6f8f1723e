package izzet.app.backup;

import jakarta.annotation.PostConstruct;
import jakarta.annotation.PreDestroy;
import jakarta.persistence.EntityManager;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Lazy;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionOperations;

/** While the program runs: a backup a day, and a mark of what the database holds. Nothing for a database that is no file. */
@Service
@Lazy(false)
public class DataKeeper {

    private static final Logger LOG = LoggerFactory.getLogger(DataKeeper.class);
    private static final int FINISH_SECONDS = 20;
    private static final String FILE = "jdbc:h2:file:";

    private final Database database;
    private final Clock clock;
    private final DataFolder folder;
    private final Backups backups;
    private ScheduledExecutorService hourly;
    private volatile boolean ended;
    private volatile String missed;

    DataKeeper(
            EntityManager entities,
            TransactionOperations transactions,
            Clock clock,
            @Value("${izzet.data}") String data,
            @Value("${spring.datasource.url}") String url) {
        this.database = new Running(entities, transactions);
        this.clock = clock;
        this.folder = url.startsWith(FILE) ? new DataFolder(Path.of(data).toAbsolutePath()) : null;
        this.backups = folder == null ? null : new Backups(folder, settings(url));
    }

    /** The database that the program runs on. */
    private record Running(EntityManager entities, TransactionOperations transactions) implements Database {

        @Override
        public long number(String question) {
            return ((Number) entities.createNativeQuery(question).getSingleResult()).longValue();
        }

        @Override
        public void copyTo(Path zip) {
            transactions.executeWithoutResult(t -> entities.createNativeQuery("backup to ?1")
                    .setParameter(1, zip.toString())
                    .executeUpdate());
        }
    }

    /** What stands behind the file in an address of a database. */
    public static String settings(String url) {
        int at = url.indexOf(';');
        return at < 0 ? "" : url.substring(at);
    }

    /** Empty where the database is no file. */
    public Optional<DataFolder> folder() {
        return Optional.ofNullable(folder);
    }

    /** Before anybody is answered: whether it is the database that it was. */
    @PostConstruct
    void compare() {
        if (folder != null) {
            new DataGuard(folder.path(), "", clock).compare(database);
        }
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        if (folder != null && !ended) {
            hourly = Executors.newSingleThreadScheduledExecutor(task -> {
                Thread thread = new Thread(task, "backups");
                thread.setDaemon(true);
                return thread;
            });
            hourly.scheduleWithFixedDelay(this::look, 0, 1, TimeUnit.HOURS);
        }
    }

    private void look() {
        try {
            backups.daily(database, clock.instant());
            missed = null;
            Mark.of(database, clock.instant()).write(folder);
        } catch (IOException | RuntimeException e) {
            // One that was overtaken by the end of the program comes at the next start.
            if (!ended) {
                missed = Backups.firstLine(e);
                LOG.warn("The backup of today cannot be made: {}", missed);
            }
        }
    }

    @PreDestroy
    void end() {
        ended = true;
        if (hourly == null) {
            return;
        }
        hourly.shutdown();
        try {
            // A backup in the making is finished while the database is still there.
            hourly.awaitTermination(FINISH_SECONDS, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        try {
            Mark.of(database, clock.instant()).write(folder);
        } catch (IOException | RuntimeException e) {
            LOG.warn("What the database holds cannot be written down: {}", Backups.firstLine(e));
        }
    }

    public List<Backups.Kept> list() throws IOException {
        return backups == null ? List.of() : backups.list();
    }

    /** Why the backup of today could not be made; empty where it was, or is still to come. */
    public Optional<String> missed() {
        return Optional.ofNullable(missed);
    }

    public boolean staged() {
        return backups != null && backups.staged();
    }

    public void unstage() throws IOException {
        require().unstage();
    }

    public Backups.Sheet stage(InputStream backup) throws IOException {
        return require().stage(backup);
    }

    /** A backup of now, in a file that the caller deletes. */
    public Path make() throws IOException {
        Path file = Files.createTempFile(require().place(), "now", ".zip");
        backups.make(database, file, clock.instant());
        return file;
    }

    /** One of the list by its name; empty when there is none. */
    public Optional<Path> file(String name) throws IOException {
        return list().stream()
                .filter(k -> k.name().equals(name))
                .map(Backups.Kept::file)
                .findFirst();
    }

    private Backups require() {
        if (backups == null) {
            throw new IllegalArgumentException("The database is no file of this program; back it up where it runs.");
        }
        return backups;
    }
}
