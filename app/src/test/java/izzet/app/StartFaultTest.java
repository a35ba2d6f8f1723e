package izzet.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.web.server.PortInUseException;
import org.springframework.core.SpringProperties;
import org.springframework.mock.env.MockEnvironment;

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

    /** Open to the network without keys: never, and an address that is not known is open. */
    @ParameterizedTest
    @CsvSource({
        "127.0.0.1, false, true",
        "127.0.0.9, false, true",
        "::1, false, true",
        "localhost, false, true",
        "0.0.0.0, false, false",
        "'', false, false",
        "::, false, false",
        "192.0.2.7, false, false",
        "0.0.0.0, true, true",
    })
    void theNetworkIsLetInWithKeysOnly(String address, boolean lan, boolean starts) {
        MockEnvironment environment = new MockEnvironment()
                .withProperty("server.address", address)
                .withProperty("izzet.lan", String.valueOf(lan));
        assertThat(SharedUse.fault(environment).isEmpty()).isEqualTo(starts);
    }

    /** Bean definitions of the build have no keys in them. */
    @Test
    void whatTheBuildGeneratedIsNotUsedInTheNetwork() {
        MockEnvironment environment =
                new MockEnvironment().withProperty("server.address", "0.0.0.0").withProperty("izzet.lan", "true");
        SpringProperties.setFlag("spring.aot.enabled");
        try {
            assertThat(SharedUse.fault(environment))
                    .hasValueSatisfying(f -> assertThat(f).contains("--lan"));
        } finally {
            SpringProperties.setProperty("spring.aot.enabled", null);
        }
    }
}
