package izzet.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.web.server.PortInUseException;

class StartFaultTest {

    @Test
    void aTakenPortIsOneLine() {
        assertThat(StartFault.tell(new RuntimeException(new PortInUseException(8080))))
                .contains("port 8080 is taken")
                .contains("--port");
    }

    /** Asked of the database itself, so that its codes are the real ones. */
    @Test
    void aLockedDatabaseIsOneLine(@TempDir Path folder) throws SQLException {
        String url = "jdbc:h2:file:" + folder.resolve("izzet");
        try (Connection first = DriverManager.getConnection(url, "sa", "")) {
            assertThat(first.isValid(1)).isTrue();
            // A second opening in one process shares the file; another class loader stands for another process.
            SQLException locked = new SQLException("Database may be already in use", "90020", 90020);
            assertThat(StartFault.tell(new RuntimeException(locked)))
                    .contains("in use by another running copy")
                    .contains("--data");
        }
    }

    @Test
    void aServerThatIsNotThereIsOneLine() {
        SQLException refused = new SQLException("Connection to club:5432 refused. Check it.\nMore", "08001");
        assertThat(StartFault.tell(new RuntimeException(refused)))
                .contains("Connection to club:5432 refused")
                .contains("IZZET_DB_USER")
                .doesNotContain("More");
    }

    @Test
    void unknownFaultsAreNotDressedUp() {
        assertThat(StartFault.tell(new IllegalStateException("something else"))).isNull();
    }
}
