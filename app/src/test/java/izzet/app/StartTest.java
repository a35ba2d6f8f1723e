package izzet.app;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.app.backup.DataGuard;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Clock;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The program as a process of its own: what it says when it cannot start, and how it ends. */
class StartTest {

    @TempDir
    private Path data;

    private Process start(Path folder, int port) throws IOException {
        return OwnProcess.of(IzzetApplication.class, List.of(), "--izzet.data=" + folder, "--server.port=" + port)
                .redirectErrorStream(true)
                .start();
    }

    /** The one line that a start ends with which cannot be. */
    private String refused(Path folder, int port) throws IOException, InterruptedException {
        Process process = start(folder, port);
        String said = said(process);
        assertThat(process.waitFor()).isEqualTo(1);
        assertThat(said.strip().lines()).hasSize(1);
        return said.strip();
    }

    /** What an earlier run wrote down of a database with all migrations. */
    private void heldSevenChanges() throws IOException {
        Files.writeString(
                data.resolve("izzet.known"),
                "changes=7\nrecords=0\nitems=0\nmigration=12\nat=2026-05-01T10\\:00\\:00Z\n");
    }

    private static String said(Process process) throws IOException {
        return new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    }

    @Test
    void aTakenPortGetsOneClearLine() throws IOException, InterruptedException {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            assertThat(refused(data, taken.getLocalPort()))
                    .isEqualTo("izzet: port " + taken.getLocalPort()
                            + " is taken by another program; start with --port and another number.");
        }
    }

    @Test
    void aLockedDatabaseGetsOneClearLine() throws IOException, InterruptedException, SQLException {
        try (Connection open = DriverManager.getConnection("jdbc:h2:file:" + data.resolve("izzet"), "sa", "")) {
            assertThat(open.isValid(1)).isTrue();
            assertThat(refused(data, 0)).startsWith("izzet: the database is in use by another running copy");
        }
    }

    @Test
    void aFolderThatIsAFileGetsOneClearLine() throws IOException, InterruptedException {
        Path file = Files.writeString(data.resolve("file"), "x");
        assertThat(refused(file, 0)).startsWith("izzet: the data folder cannot be written");
    }

    /** The start itself compares: what it finds is told before anybody is answered. */
    @Test
    void aDatabaseThatHoldsLessThanItDidGetsOneClearLine() throws IOException, InterruptedException {
        new DataGuard(data, "", Clock.systemUTC()).prepare();
        heldSevenChanges();
        assertThat(refused(data, 0)).startsWith("izzet: the database ").contains("it holds 0 changes and held 7");
    }

    /** What nothing can be read of any more is told as damaged, and not as whatever it looked like. */
    @Test
    void aDatabaseThatIsNoneGetsOneClearLine() throws IOException, InterruptedException {
        Files.write(data.resolve("izzet.mv.db"), new byte[1 << 16]);
        heldSevenChanges();
        assertThat(refused(data, 0)).contains(" is damaged: ");
    }

    /** A stop as by Ctrl-C ends quietly and leaves the database open for the next start. */
    @Test
    void itStopsCleanlyAndStartsAgain() throws IOException, InterruptedException {
        for (int round = 0; round < 2; round++) {
            Process process = start(data, 0);
            BufferedReader out =
                    new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
            assertThat(out.readLine()).startsWith("Izzet is at http://127.0.0.1:");
            // By its handle, so that what it still says can be read.
            process.toHandle().destroy();
            process.waitFor();
            assertThat(out.readLine()).as("nothing more is said").isNull();
        }
    }
}
