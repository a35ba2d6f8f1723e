package izzet.app.backup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class DataGuardTest {

    private static final String SETTINGS = ";WRITE_DELAY=0";
    private static final Clock CLOCK = Clock.fixed(Instant.parse("2026-11-20T10:00:00Z"), ZoneOffset.UTC);

    @TempDir
    private Path path;

    private DataFolder folder;
    private Backups backups;

    @BeforeEach
    void start() {
        folder = new DataFolder(path);
        backups = new Backups(folder, SETTINGS);
    }

    /** Made ready, and looked at as a start does that follows or that fails. */
    private void prepare() throws SQLException {
        DataGuard guard = new DataGuard(path, SETTINGS, CLOCK);
        guard.prepare();
        guard.explain();
    }

    private Connection open() throws SQLException {
        return DriverManager.getConnection(folder.url(folder.database(), SETTINGS), "sa", "");
    }

    private void plans(int count) throws SQLException {
        try (Connection db = open()) {
            for (int i = 0; i < count; i++) {
                db.createStatement()
                        .execute("insert into plan (name, current_number, version, changed_at)"
                                + " values ('Wick halt', 1, 1, current_timestamp)");
            }
        }
    }

    private long count() throws SQLException {
        try (ClosedDatabase db = ClosedDatabase.at(folder.url(folder.database(), SETTINGS))) {
            return Mark.of(db, CLOCK.instant()).changes();
        }
    }

    private void backUp() throws IOException, SQLException {
        try (ClosedDatabase db = ClosedDatabase.at(folder.url(folder.database(), SETTINGS))) {
            backups.daily(db, CLOCK.instant());
            Mark.of(db, CLOCK.instant()).write(folder);
        }
    }

    @Test
    void theNewestMigrationIsTheOneThatIsKnown() throws IOException {
        try (var files = Files.list(Path.of("src/main/resources/db/migration"))) {
            int newest = files.map(f -> f.getFileName().toString())
                    .mapToInt(f -> Integer.parseInt(f.substring(1, f.indexOf('_'))))
                    .max()
                    .orElseThrow();
            assertThat(DataGuard.NEWEST).isEqualTo(newest);
        }
    }

    @Test
    void aNewFolderGetsAWholeDatabaseForItsOwnerOnly() throws SQLException, IOException {
        Files.writeString(folder.making(), "left by a kill");
        prepare();
        assertThat(count()).isZero();
        assertThat(folder.making()).doesNotExist();
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(folder.database())))
                .isEqualTo("rw-------");
        prepare();
        plans(2);
        prepare();
        assertThat(count()).isEqualTo(2);
    }

    /** A folder that an earlier release wrote is brought up to date, after a backup. */
    @Test
    void anOlderFolderIsUpdatedAfterABackup() throws SQLException, IOException {
        Files.copy(Path.of("src/test/resources/data-0.1/izzet.mv.db"), folder.database());
        long before = count();
        assertThat(before).isPositive();
        prepare();
        assertThat(count()).isEqualTo(before);
        try (Connection db = open()) {
            assertThat(db.createStatement()
                            .executeQuery("select count(*) from record where whole")
                            .next())
                    .isTrue();
        }
        List<Backups.Kept> kept = backups.list();
        assertThat(kept).singleElement().satisfies(k -> assertThat(k.name()).startsWith("before-update-"));
        Files.delete(folder.database());
        backups.restore(kept.get(0).file(), CLOCK.instant());
        prepare();
        assertThat(count()).isEqualTo(before);
    }

    @Test
    void anEmptyFileIsNeverTakenForANewDatabase() throws SQLException, IOException {
        prepare();
        plans(3);
        backUp();
        Files.write(folder.database(), new byte[0]);
        assertThatThrownBy(this::prepare)
                .isInstanceOf(DataFault.class)
                .hasMessageContaining("it has 0 bytes")
                .hasMessageContaining("./izzet restore " + path.resolve("backups/izzet-2026-11-20.zip"));
        assertThat(folder.database()).hasSize(0);
    }

    @Test
    void aMissingDatabaseIsTold() throws SQLException, IOException {
        prepare();
        plans(3);
        backUp();
        Files.delete(folder.database());
        assertThatThrownBy(this::prepare)
                .isInstanceOf(DataFault.class)
                .hasMessageContaining("is missing, though it held 3");
        assertThat(folder.database()).doesNotExist();
    }

    /** Cut anywhere: told with the way back, or all there, as what lies behind may have been free room. */
    @Test
    void aFileThatIsCutShortIsToldOrWhole() throws SQLException, IOException {
        prepare();
        plans(400);
        backUp();
        cutAnywhere(Files.readAllBytes(folder.database()), 1);
        try (Connection db = open()) {
            db.createStatement().execute("shutdown compact");
        }
        cutAnywhere(Files.readAllBytes(folder.database()), 13);
    }

    private void cutAnywhere(byte[] whole, int toldAtLeast) throws SQLException, IOException {
        int told = 0;
        for (int cut = 1; cut < 16; cut++) {
            Files.write(folder.database(), Arrays.copyOf(whole, (int) (whole.length * (long) cut / 16)));
            try {
                prepare();
                assertThat(names()).as("cut to %d of 16", cut).isEqualTo(400);
            } catch (DataFault e) {
                assertThat(e).hasMessageContaining("./izzet restore ");
                told++;
            }
        }
        Files.write(folder.database(), whole);
        assertThat(told).isBetween(toldAtLeast, 15);
    }

    /** Reads every row, not only the count that the table carries. */
    private int names() throws SQLException {
        try (Connection db = open();
                var rows = db.createStatement().executeQuery("select name, changed_at from plan")) {
            int read = 0;
            while (rows.next()) {
                assertThat(rows.getString(1)).isEqualTo("Wick halt");
                read++;
            }
            return read;
        }
    }

    /** An older state of the same database, as a copy that came back by mistake. */
    @Test
    void anOlderDatabaseIsTold() throws SQLException, IOException {
        prepare();
        plans(1);
        byte[] old = Files.readAllBytes(folder.database());
        plans(4);
        backUp();
        Files.write(folder.database(), old);
        assertThatThrownBy(this::prepare)
                .isInstanceOf(DataFault.class)
                .hasMessageContaining("it holds 1 changes and held 5");
    }

    /** A copy of an earlier version beside a mark of this one: the start fails on it, is told why, and the next one works. */
    @Test
    void anOlderVersionThatCameByHandIsUpdatedWhenTheStartFailsOnIt() throws SQLException, IOException {
        Files.copy(Path.of("src/test/resources/data-0.1/izzet.mv.db"), folder.database());
        new Mark(0, 0, 0, DataGuard.NEWEST, CLOCK.instant()).write(folder);
        DataGuard guard = new DataGuard(path, SETTINGS, CLOCK);
        guard.prepare();
        assertThat(backups.list()).isEmpty();
        assertThatThrownBy(guard::explain)
                .isInstanceOf(DataFault.class)
                .hasMessageContaining("was updated now, after a backup. Start again.");
        assertThat(backups.list()).hasSize(1);
        prepare();
        new Mark(count() + 1, 0, 0, 3, CLOCK.instant()).write(folder);
        assertThatThrownBy(this::prepare).isInstanceOf(DataFault.class).hasMessageContaining("is older than it was");
    }

    @Test
    void whatABackupHoldsComesBackAndWhatWasThereIsKept() throws SQLException, IOException {
        prepare();
        plans(3);
        backUp();
        plans(2);
        Path backup = backups.list().get(0).file();
        assertThat(BackupCommand.run("restore", backup, path)).contains("3 changes");
        prepare();
        assertThat(count()).isEqualTo(3);
        try (var kept = Files.list(folder.kept())) {
            assertThat(kept).hasSize(1);
        }
    }

    @Test
    void aStagedBackupTakesThePlaceAtTheNextStart() throws SQLException, IOException {
        prepare();
        plans(3);
        backUp();
        plans(1);
        try (var in = Files.newInputStream(backups.list().get(0).file())) {
            assertThat(backups.stage(in).changes()).isEqualTo(3);
        }
        assertThat(count()).as("not before").isEqualTo(4);
        prepare();
        assertThat(count()).isEqualTo(3);
        assertThat(folder.staged()).doesNotExist();
    }

    @Test
    void aDamagedBackupChangesNothing() throws SQLException, IOException {
        prepare();
        plans(3);
        backUp();
        Path backup = backups.list().get(0).file();
        byte[] bytes = Files.readAllBytes(backup);
        bytes[bytes.length / 3] ^= 0x55;
        Path damaged = Files.write(path.resolve("damaged.zip"), bytes);
        Path junk = Files.writeString(path.resolve("junk.zip"), "no zip at all");
        for (Path file : List.of(damaged, junk)) {
            assertThatThrownBy(() -> backups.restore(file, CLOCK.instant())).isInstanceOf(DataFault.class);
        }
        assertThat(count()).isEqualTo(3);
        assertThat(folder.making()).doesNotExist();
    }
}
