package izzet.app.traffic;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.app.OneApplication;
import izzet.app.fault.NoSuchThing;
import izzet.app.plan.PlanStore;
import izzet.app.store.Blocks;
import izzet.app.store.RecordRow;
import izzet.app.store.RecordRows;
import izzet.core.bench.I2cWaveform;
import izzet.core.capture.RecordFault;
import izzet.core.capture.VcdReader;
import izzet.core.capture.WaveColumns;
import izzet.core.decode.BusEvent;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.Protocol;
import izzet.core.decode.Protocols;
import izzet.core.decode.Settings;
import izzet.core.plan.Plan;
import jakarta.persistence.EntityManager;
import jakarta.persistence.EntityManagerFactory;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.data.domain.Limit;
import org.springframework.mock.env.MockEnvironment;
import org.springframework.transaction.support.TransactionOperations;

@OneApplication
class RecordStoreTest {

    private static final Path CAPTURES = Path.of("../core/src/test/resources/captures");

    @Autowired
    private PlanStore plans;

    @Autowired
    private RecordStore records;

    @Autowired
    private RecordRows rows;

    @Autowired
    private Blocks blocks;

    @Autowired
    private EntityManager entities;

    @Autowired
    private EntityManagerFactory factory;

    @Autowired
    private TransactionOperations transactions;

    @Autowired
    private Clock clock;

    private long plan;

    @BeforeEach
    void plan() {
        plan = plans.create(Plan.empty("Wick halt", "sbc-40-pin"), "started");
    }

    private StoredRecord upload(byte[] record) throws IOException {
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

    /** The first bus of a record. */
    private StoredRecord.Bus bus(long record) {
        return records.get(plan, record).buses().get(0);
    }

    private void decode(long record, String scl, String sda, int glitchNs) {
        Protocol i2c = Protocols.of("i2c");
        Settings settings = Settings.of(i2c, Map.of("scl", scl, "sda", sda, "glitchNs", "" + glitchNs)::get);
        records.change(plan, record, bus(record).id(), i2c, settings, "chosen by you", null);
    }

    private List<I2cTransfer> transfers(long record) {
        List<I2cTransfer> all = new ArrayList<>();
        records.events(bus(record).id(), (BusEvent e) -> {
            all.add((I2cTransfer) e);
            return true;
        });
        return all;
    }

    /** What is decoded from the stored blocks is what is decoded from the file, over many blocks of both kinds. */
    @Test
    void storedAndStreamedDecodeAgree() throws IOException {
        byte[] record = longRecord();
        List<I2cTransfer> streamed = new ArrayList<>();
        Protocol i2c = Protocols.of("i2c");
        new VcdReader(new ByteArrayInputStream(record))
                .read(i2c.decoder(
                        Settings.of(i2c, n -> n.startsWith("s") ? n : null), e -> streamed.add((I2cTransfer) e)));
        StoredRecord stored = upload(record);
        assertThat(stored.buses())
                .singleElement()
                .extracting(StoredRecord.Bus::events)
                .isEqualTo(1200);
        assertThat(transfers(stored.id())).isEqualTo(streamed);
        assertThat(stored.bytes()).isEqualTo(record.length);
        assertThat(stored.buses().get(0).settings().lines())
                .containsEntry("scl", "scl")
                .containsEntry("sda", "sda");
        assertThat(stored.buses().get(0).why()).contains("names agree");
    }

    @Test
    void aTableIsStoredAsWell() throws IOException {
        StoredRecord stored = upload(Files.readAllBytes(CAPTURES.resolve("i2c-trouble.edges.csv")));
        decode(stored.id(), "SCL", "SDA", 50);
        assertThat(transfers(stored.id())).hasSize(9);
        assertThat(bus(stored.id()).settings().number("glitchNs")).isEqualTo(50);
    }

    @Test
    void swappedLinesDecodeToSomethingElseAndCanBeSetRight() throws IOException {
        StoredRecord stored = upload(longRecord());
        decode(stored.id(), "sda", "scl", 0);
        assertThat(bus(stored.id()).events()).isNotEqualTo(1200);
        decode(stored.id(), "scl", "sda", 0);
        assertThat(bus(stored.id()).events()).isEqualTo(1200);
        assertThatThrownBy(() -> decode(stored.id(), "scl", "scl", 0)).hasMessageContaining("two roles");
    }

    /** Bytes of a stretch anywhere, also far behind the first block. */
    @Test
    void bytesOfAStretchHaveTheirPlaces() throws IOException {
        StoredRecord stored = upload(longRecord());
        I2cTransfer late = transfers(stored.id()).get(1100);
        List<String> told = new ArrayList<>();
        boolean all = records.words(
                stored, bus(stored.id()), late.start(), late.end(), (from, to, text, heard) -> told.add(text));
        assertThat(all).isTrue();
        assertThat(told).containsExactly("to 0x24", "0x4C", "0x04");
        assertThat(records.words(stored, bus(stored.id()), stored.firstTick(), stored.lastTick(), (f, t, w, h) -> {}))
                .as("too long a stretch")
                .isFalse();
    }

    @Test
    void theListHasPagesTheNewestFirst() throws IOException {
        List<Long> ids = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            ids.add(0, upload(longRecord()).id());
        }
        assertThat(records.count(plan)).isEqualTo(5);
        assertThat(records.list(plan, 0, 2)).extracting(StoredRecord::id).containsExactlyElementsOf(ids.subList(0, 2));
        assertThat(records.list(plan, 2, 2)).extracting(StoredRecord::id).containsExactly(ids.get(4));
        assertThat(records.newest(plan, 3)).extracting("id").containsExactlyElementsOf(ids.subList(0, 3));
    }

    @Test
    void aRecordThatCannotBeReadLeavesNothing() {
        long before = records.count(plan);
        byte[] bad = "$timescale 1 ns $end\n$var wire 1 ! scl $end\n$enddefinitions $end\n#5\n1!\n#4\n"
                .getBytes(StandardCharsets.US_ASCII);
        assertThatThrownBy(() -> upload(bad)).isInstanceOf(RecordFault.class).hasMessageContaining("Line 6");
        assertThat(records.count(plan)).isEqualTo(before);
    }

    @Test
    void recordsBelongToTheirPlan() throws IOException {
        StoredRecord stored = upload(longRecord());
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
        StoredRecord stored = upload(longRecord());
        StringWriter out = new StringWriter();
        records.write(stored, stored.lines(), stored.firstTick(), stored.lastTick(), false, out);
        StoredRecord copy = upload(out.toString().getBytes(StandardCharsets.UTF_8));
        assertThat(transfers(copy.id())).isEqualTo(transfers(stored.id())).hasSize(1200);
        assertThat(copy.lines()).isEqualTo(stored.lines());
    }

    /** A stretch in the middle of many blocks says what was said there, at the same times, as a dump and as a table. */
    @ParameterizedTest
    @CsvSource({"false", "true"})
    void aStretchComesOutAlone(boolean table) throws IOException {
        StoredRecord stored = upload(longRecord());
        List<I2cTransfer> wanted = transfers(stored.id()).subList(1000, 1007);
        long from = wanted.get(0).start() - 1;
        long to = wanted.get(6).end() + 1;
        StringWriter out = new StringWriter();
        records.write(stored, stored.lines(), from, to, table, out);
        StoredRecord copy = upload(out.toString().getBytes(StandardCharsets.UTF_8));
        decode(copy.id(), "scl", "sda", 0);
        assertThat(transfers(copy.id()))
                .extracting(t -> t.address() + " " + Arrays.toString(t.data())
                        + copy.scale().nanoseconds(t.start()))
                .isEqualTo(wanted.stream()
                        .map(t -> t.address() + " " + Arrays.toString(t.data())
                                + stored.scale().nanoseconds(t.start()))
                        .toList());
        StringWriter one = new StringWriter();
        records.write(stored, stored.lines().subList(1, 2), from, to, table, one);
        assertThat(one.toString())
                .contains(stored.lines().get(1).name())
                .doesNotContain(stored.lines().get(0).name());
    }

    /** A half record goes at the start, unless it may be another program's upload on a shared server. */
    @ParameterizedTest
    @CsvSource({
        "'', 0, false",
        "'', 3, false",
        "jdbc:postgresql://club/izzet, 0, true",
        "jdbc:postgresql://club/izzet, 3, false"
    })
    void halfRecordsGoAtTheStart(String server, int daysOld, boolean stays) {
        RecordRow half = transactions.execute(t -> {
            RecordRow row = new RecordRow(plan, "half.vcd", clock.instant().minus(Duration.ofDays(daysOld)));
            entities.persist(row);
            return row;
        });
        MockEnvironment environment = new MockEnvironment().withProperty("izzet.db", server);
        new RecordStore(rows, blocks, new Waves(blocks), entities, factory, transactions, clock, environment).sweep();
        assertThat(rows.findById(half.id()).isPresent()).isEqualTo(stays);
        transactions.executeWithoutResult(t -> rows.remove(plan, half.id()));
    }

    /** What was looked at before is at hand, what was not is read: the picture is that of the changes, wherever the next look goes. */
    @Test
    void aLongWaveIsThatOfItsChangesAtAnyStretch() throws IOException {
        Random random = new Random(7);
        StringBuilder text =
                new StringBuilder("$timescale 1ns $end\n$var wire 1 ! wr $end\n$enddefinitions $end\n#0\n1!\n");
        long now = 0;
        for (int i = 0; i < 1_300_000; i++) {
            now += 1 + random.nextInt(9) + (random.nextInt(3000) == 0 ? random.nextInt(100_000) : 0);
            text.append('#').append(now).append('\n').append(i % 2).append("!\n");
        }
        long record =
                upload(text.toString().getBytes(StandardCharsets.US_ASCII)).id();
        for (int look = 0; look < 40; look++) {
            long span = look % 10 == 0 ? now : (long) Math.pow(now, 0.3 + 0.7 * random.nextDouble());
            long from = (long) (random.nextDouble() * (now - span));
            byte[] shown = records.wave(record, List.of(0), from, from + span, 700);
            byte[] changes = transactions.execute(t -> WaveColumns.of(
                    blocks.between(record, 0, from, from + span, Limit.of(Integer.MAX_VALUE)), from, from + span, 700));
            for (int c = 0; c < shown.length; c++) {
                assertThat(shown[c] & 7)
                        .as("column %d from %d to %d", c, from, from + span)
                        .isEqualTo(changes[c] & 7);
            }
        }
    }

    /** A line that does not change in the stretch is told with the level that it has. */
    @Test
    void aQuietStretchTellsItsLevels() throws IOException {
        StoredRecord stored = upload(longRecord());
        long end = transfers(stored.id()).get(3).end();
        StringWriter out = new StringWriter();
        records.write(stored, stored.lines(), end + 10, end + 20, true, out);
        assertThat(out.toString().lines().toList())
                .hasSize(3)
                .element(1)
                .asString()
                .endsWith(",1,1");
    }

    /** A record of each bus: what is found on it without being told anything. */
    @ParameterizedTest
    @CsvSource({
        "i2c-trouble.vcd, i2c, 9",
        "spi-dcs-tft.vcd, spi, 8",
        "lcd-4bit.vcd, character-lcd, 51",
        "lcd-8bit.vcd, character-lcd, 50"
    })
    void busesAreFound(String capture, String protocol, int events) throws IOException {
        StoredRecord stored = upload(Files.readAllBytes(CAPTURES.resolve(capture)));
        assertThat(stored.buses()).singleElement().satisfies(b -> {
            assertThat(b.protocol().id()).isEqualTo(protocol);
            assertThat(b.events()).isEqualTo(events);
        });
    }

    /** Two parts on one clock, each with its select and its mode. */
    @Test
    void twoPartsOnOneClockAreTwoBuses() throws IOException {
        StoredRecord stored = upload(Files.readAllBytes(CAPTURES.resolve("spi-two-devices.vcd")));
        assertThat(stored.buses())
                .extracting(b -> b.settings().lines().get("select") + " mode "
                        + b.settings().text("mode") + " " + b.events())
                .containsExactlyInAnyOrder("cs_a mode 0 3", "cs_b mode 3 2");
        records.removeBus(plan, stored.id(), stored.buses().get(0).id());
        assertThat(records.get(plan, stored.id()).buses()).hasSize(1);
    }

    /** In the capture of two devices one is spoken to after the other; here the second is selected while the first still is. */
    @Test
    void selectsThatAreLowAtTheSameTimeAreFound() throws IOException {
        StoredRecord apart = upload(Files.readAllBytes(CAPTURES.resolve("spi-two-devices.vcd")));
        assertThat(overlap(apart)).isEmpty();

        StringBuilder vcd = new StringBuilder(
                """
                $timescale 1ns $end
                $var wire 1 ! clk $end
                $var wire 1 " mosi $end
                $var wire 1 # cs_a $end
                $var wire 1 % cs_b $end
                $enddefinitions $end
                #0 0! 0" 1# 1%
                #1000 0#
                """);
        for (int bit = 0; bit < 16; bit++) {
            vcd.append("#%d %d\" #%d 1! #%d 0!%n"
                    .formatted(2000 + bit * 1000, bit % 3 == 0 ? 1 : 0, 2500 + bit * 1000, 2900 + bit * 1000));
            vcd.append(bit == 5 ? "#7950 0%\n" : "").append(bit == 7 ? "#9950 1#\n" : "");
        }
        vcd.append("#20000 1%\n#21000 0\"\n");
        StoredRecord together = upload(vcd.toString().getBytes(StandardCharsets.US_ASCII));
        assertThat(together.buses()).hasSize(2);
        assertThat(overlap(together)).hasValue(7950);
    }

    private OptionalLong overlap(StoredRecord stored) {
        return records.overlap(
                stored.buses().get(0).id(), stored.buses().get(1).id(), stored.firstTick(), Integer.MAX_VALUE);
    }
}
