package izzet.app.store;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.capture.Packing;
import izzet.core.decode.EventBlock;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.Protocols;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;

/** Records of data folders from before there were buses keep their lines, their decode and their words. */
class RecordMigrationTest {

    private static final String URL = "jdbc:h2:mem:migration;DB_CLOSE_DELAY=-1";
    private static final I2cTransfer SAID = new I2cTransfer(
            5,
            900,
            I2cTransfer.Begin.START,
            I2cTransfer.End.STOP,
            0x3C,
            7,
            false,
            true,
            new byte[] {0, 1},
            new boolean[] {true, true});

    private static byte[] oldBlock() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (DataOutputStream out = new DataOutputStream(Packing.deflate(bytes, 1))) {
            out.writeInt(1);
            Protocols.of("i2c").pack(out, SAID);
        }
        return bytes.toByteArray();
    }

    private static void migrate(String target) {
        Flyway.configure()
                .dataSource(URL, "sa", "")
                .locations("classpath:db/migration")
                .target(target)
                .load()
                .migrate();
    }

    @Test
    void whatWasDecodedStaysAndItsLinesBecomeRoles() throws SQLException, IOException {
        migrate("7");
        try (Connection db = DriverManager.getConnection(URL, "sa", "");
                Statement sql = db.createStatement()) {
            sql.execute(
                    "insert into plan (id, name, current_number, version, changed_at) values (1, 'Halt', 1, 1, now())");
            for (int i = 1; i <= 2; i++) {
                String lines = i == 1 ? "'D1', 'D0', 'by their names', 50, 1" : "null, null, null, 0, 0";
                sql.execute(
                        "insert into record (id, plan_id, name, uploaded_at, bytes, tick_femtoseconds, first_tick, last_tick, scl, sda, guess,"
                                + " glitch_ns, transfers) values (" + i + ", 1, 'r', now(), 9, 1000, 0, 99, " + lines
                                + ")");
                sql.execute("insert into record_line values (" + i + ", 0, 'D0', 5), (" + i + ", 1, 'D1', 9)");
            }
            try (PreparedStatement block = db.prepareStatement(
                    "insert into transfer_block (record_id, seq, first_tick, last_tick, packed) values (1, 0, 5, 900, ?)")) {
                block.setBytes(1, oldBlock());
                block.execute();
            }
            migrate("latest");
            try (ResultSet bus = sql.executeQuery(
                    "select b.record_id, b.protocol, b.options, b.why, b.events, s.line, d.line from record_bus b"
                            + " join record_bus_line s on s.bus_id = b.id and s.role = 'scl' join record_bus_line d on d.bus_id = b.id and d.role = 'sda'")) {
                assertThat(bus.next()).isTrue();
                assertThat(bus.getLong(1)).isEqualTo(1);
                assertThat(bus.getString(2) + " " + bus.getString(3) + " " + bus.getString(4))
                        .isEqualTo("i2c glitchNs=50 by their names");
                assertThat(bus.getInt(5)).isEqualTo(1);
                assertThat(bus.getInt(6)).as("clock").isEqualTo(1);
                assertThat(bus.getInt(7)).as("data").isZero();
                assertThat(bus.next()).as("a record without lines has no bus").isFalse();
            }
            try (ResultSet block = sql.executeQuery("select packed, first_tick, last_tick from event_block")) {
                assertThat(block.next()).isTrue();
                assertThat(EventBlock.unpack(block.getBytes(1))).containsExactly(SAID);
                assertThat(block.getLong(3)).isEqualTo(900);
            }
        }
    }
}
