package izzet.app.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.zaxxer.hikari.HikariDataSource;
import izzet.app.files.Reserve;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ReopeningTest {

    private static int count(Connection connection) throws SQLException {
        try (ResultSet rows = connection.createStatement().executeQuery("select count(*) from lamp")) {
            rows.next();
            return rows.getInt(1);
        }
    }

    /** As when it could not write: two connections are kept, and the database closes under them. */
    @Test
    void aDatabaseThatClosedItselfIsOpenedAgainByTheNextConnection(@TempDir Path folder) throws Exception {
        Reserve reserve = Reserve.in(folder);
        reserve.make();
        assertThat(Files.size(reserve.file())).isEqualTo(Reserve.SIZE);
        try (HikariDataSource pool = new HikariDataSource()) {
            pool.setJdbcUrl("jdbc:h2:file:" + folder.resolve("izzet") + ";DB_CLOSE_ON_EXIT=FALSE;WRITE_DELAY=0");
            pool.setUsername("sa");
            pool.setMaximumPoolSize(2);
            new Reopening(folder.toString()).postProcessAfterInitialization(pool, "pool");
            try (Connection one = pool.getConnection();
                    Connection other = pool.getConnection()) {
                one.createStatement().execute("create table lamp(id int)");
                one.createStatement().execute("insert into lamp values (1)");
                assertThat(count(other)).isEqualTo(1);
                one.createStatement().execute("shutdown immediately");
                assertThatThrownBy(() -> count(other))
                        .satisfies(e -> assertThat(ClosedByFault.is(e)).isTrue());
            }
            assertThat(reserve.file()).doesNotExist();
            for (int i = 0; i < 3; i++) {
                try (Connection again = pool.getConnection()) {
                    assertThat(count(again)).isEqualTo(1);
                }
            }
        }
    }

    @Test
    void onlyWhatTheFileIsAbleToDoCounts() {
        assertThat(ClosedByFault.is(new IllegalStateException(new SQLException("closed", "90098", 90098))))
                .isTrue();
        assertThat(ClosedByFault.is(new SQLException("general", "HY000", 50000, new IOException("No space left"))))
                .isTrue();
        assertThat(ClosedByFault.is(new SQLException("general", "HY000", 50000)))
                .isFalse();
        assertThat(ClosedByFault.is(new SQLException("syntax", "42000", 42000))).isFalse();
        assertThat(ClosedByFault.is(new IOException("No space left"))).isFalse();
    }
}
