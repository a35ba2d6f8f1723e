package izzet.app.traffic;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.app.fault.NoSuchThing;
import izzet.app.plan.PlanStore;
import izzet.core.bench.I2cWaveform;
import izzet.core.capture.RecordFault;
import izzet.core.capture.VcdReader;
import izzet.core.decode.I2cDecoder;
import izzet.core.decode.I2cTransfer;
import izzet.core.plan.Plan;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;

@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.NONE,
        properties = "spring.datasource.url=jdbc:h2:mem:records;DB_CLOSE_DELAY=-1")
class RecordStoreTest {

    private static final Path CAPTURES = Path.of("../core/src/test/resources/captures");

    @Autowired
    private PlanStore plans;

    @Autowired
    private RecordStore records;

    private long plan;

    @BeforeEach
    void plan() {
        plan = plans.create(Plan.empty("Wick halt", "sbc-40-pin"), "started");
    }

    private RecordStore.Stored upload(byte[] record) throws IOException {
        return records.get(plan, records.upload(plan, "bus.vcd", new ByteArrayInputStream(record)));
    }

    private static byte[] longRecord() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (I2cWaveform bus = new I2cWaveform(out, 400_000)) {
            for (int t = 0; t < 1200; t++) {
                bus.write(0x20 + t % 8, true, t & 0xFF, t >> 8);
            }
        }
        return out.toByteArray();
    }

    private List<I2cTransfer> transfers(long record) {
        List<I2cTransfer> all = new ArrayList<>();
        records.transfers(record, all::add);
        return all;
    }

    /** What is decoded from the stored blocks is what is decoded from the file, over many blocks of both kinds. */
    @Test
    void storedAndStreamedDecodeAgree() throws IOException {
        byte[] record = longRecord();
        List<I2cTransfer> streamed = new ArrayList<>();
        new VcdReader(new ByteArrayInputStream(record)).read(new I2cDecoder("scl", "sda", 0, streamed::add));
        RecordStore.Stored stored = upload(record);
        assertThat(stored.transfers()).isEqualTo(1200);
        assertThat(transfers(stored.id())).isEqualTo(streamed);
        assertThat(stored.bytes()).isEqualTo(record.length);
        assertThat(stored.scl()).isEqualTo("scl");
        assertThat(stored.guess()).isEqualTo("by their names");
    }

    @Test
    void aTableIsStoredAsWell() throws IOException {
        RecordStore.Stored stored = upload(Files.readAllBytes(CAPTURES.resolve("i2c-trouble.edges.csv")));
        records.decode(plan, stored.id(), "SCL", "SDA", 50, "chosen by you");
        assertThat(transfers(stored.id())).hasSize(9);
        assertThat(records.get(plan, stored.id()).glitchNs()).isEqualTo(50);
    }

    @Test
    void swappedLinesDecodeToSomethingElseAndCanBeSetRight() throws IOException {
        RecordStore.Stored stored = upload(longRecord());
        records.decode(plan, stored.id(), "sda", "scl", 0, "chosen by you");
        assertThat(records.get(plan, stored.id()).transfers()).isNotEqualTo(1200);
        records.decode(plan, stored.id(), "scl", "sda", 0, "chosen by you");
        assertThat(records.get(plan, stored.id()).transfers()).isEqualTo(1200);
        assertThatThrownBy(() -> records.decode(plan, stored.id(), "scl", "scl", 0, ""))
                .hasMessageContaining("two different lines");
    }

    /** Bytes of a stretch anywhere, also far behind the first block. */
    @Test
    void bytesOfAStretchHaveTheirPlaces() throws IOException {
        RecordStore.Stored stored = upload(longRecord());
        I2cTransfer late = transfers(stored.id()).get(1100);
        List<String> told = new ArrayList<>();
        boolean all = records.bytes(
                stored,
                late.start(),
                late.end(),
                (from, to, value, acknowledged, first) -> told.add(value + (first ? " first" : "")));
        assertThat(all).isTrue();
        assertThat(told).containsExactly((0x20 + 1100 % 8 << 1) + " first", (1100 & 0xFF) + "", (1100 >> 8) + "");
        assertThat(records.bytes(stored, stored.firstTick(), stored.lastTick(), (f, t, v, a, i) -> {}))
                .as("too long a stretch")
                .isFalse();
    }

    @Test
    void aRecordThatCannotBeReadLeavesNothing() {
        int before = records.list(plan).size();
        byte[] bad = "$timescale 1 ns $end\n$var wire 1 ! scl $end\n$enddefinitions $end\n#5\n1!\n#4\n"
                .getBytes(StandardCharsets.US_ASCII);
        assertThatThrownBy(() -> upload(bad)).isInstanceOf(RecordFault.class).hasMessageContaining("Line 6");
        assertThat(records.list(plan)).hasSize(before);
    }

    @Test
    void recordsBelongToTheirPlan() throws IOException {
        RecordStore.Stored stored = upload(longRecord());
        long other = plans.create(Plan.empty("Other halt", "sbc-40-pin"), "started");
        assertThatThrownBy(() -> records.get(other, stored.id())).isInstanceOf(NoSuchThing.class);
        records.delete(other, stored.id());
        assertThat(records.get(plan, stored.id())).isNotNull();
        records.delete(plan, stored.id());
        assertThatThrownBy(() -> records.get(plan, stored.id())).isInstanceOf(NoSuchThing.class);
    }

    /** What came in comes out: the copy decodes to the same transfers at the same times. */
    @Test
    void aRecordComesOutAgain() throws IOException {
        RecordStore.Stored stored = upload(longRecord());
        StringWriter out = new StringWriter();
        records.write(plan, stored.id(), out);
        RecordStore.Stored copy = upload(out.toString().getBytes(StandardCharsets.UTF_8));
        assertThat(copy.transfers()).isEqualTo(stored.transfers()).isEqualTo(1200);
        assertThat(copy.lines()).isEqualTo(stored.lines());
        List<String> first = new ArrayList<>();
        records.transfers(stored.id(), t -> first.add(t.start() + " " + t.address() + " " + t.size()));
        List<String> second = new ArrayList<>();
        records.transfers(copy.id(), t -> second.add(t.start() + " " + t.address() + " " + t.size()));
        assertThat(second).isEqualTo(first);
    }
}
