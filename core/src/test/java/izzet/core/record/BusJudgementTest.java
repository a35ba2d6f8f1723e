package izzet.core.record;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.bench.I2cWaveform;
import izzet.core.calc.I2cMode;
import izzet.core.capture.ChangeSink;
import izzet.core.capture.RecordHeader;
import izzet.core.capture.RecordReader;
import izzet.core.capture.Signal;
import izzet.core.capture.TimeScale;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What the two lines themselves tell. Limits: UM10204, table 10. */
class BusJudgementTest {

    private long lastTick;

    private I2cTiming measure(byte[] record, String scl, String sda) throws IOException {
        I2cTiming[] timing = new I2cTiming[1];
        int[] levels = {2, 2};
        RecordReader.read(new ByteArrayInputStream(record), new ChangeSink() {
            @Override
            public Signal[] header(RecordHeader header) {
                timing[0] = new I2cTiming(header.timeScale());
                return new Signal[] {header.find(scl), header.find(sda)};
            }

            @Override
            public void change(int index, int level) {
                levels[index] = level;
            }

            @Override
            public void moment(long ticks) {
                timing[0].levels(ticks, levels[0], levels[1]);
            }

            @Override
            public void end(long ticks) {
                lastTick = ticks;
                timing[0].end();
            }
        });
        return timing[0];
    }

    private List<Remark> judge(I2cTiming timing, I2cMode mode) {
        return BusJudgement.of(timing, mode, lastTick, false, 3);
    }

    private static byte[] bus(int hertz) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (I2cWaveform bus = new I2cWaveform(out, hertz)) {
            for (int i = 0; i < 5; i++) {
                bus.write(0x3C, true, 0x40, i, 0xFF - i);
            }
        }
        return out.toByteArray();
    }

    private static byte[] capture(String name) throws IOException {
        try (InputStream in = BusJudgementTest.class.getResourceAsStream("/captures/" + name)) {
            return in.readAllBytes();
        }
    }

    @Test
    void aBusThatKeepsItsModeHasNothingToSay() throws IOException {
        I2cTiming timing = measure(capture("i2c-page-oled.vcd"), "scl", "sda");
        assertThat(timing.hertz()).isBetween(90_000.0, 101_000.0);
        assertThat(judge(timing, I2cMode.STANDARD)).isEmpty();
    }

    @Test
    void aClockThatIsTooFastForItsModeIsToldWithItsFigures() throws IOException {
        I2cTiming timing = measure(bus(400_000), "scl", "sda");
        List<Remark> remarks = judge(timing, I2cMode.STANDARD);
        assertThat(remarks)
                .anyMatch(r -> r.rule().equals("T4")
                        && r.sentence().startsWith("clock low")
                        && r.figures().get(0).margin() < 0
                        && r.tick() >= 0);
    }

    @Test
    void theTroubledCaptureHoldsItsClockAndHasAPulse() throws IOException {
        I2cTiming timing = measure(capture("i2c-trouble.vcd"), "scl", "sda");
        List<Remark> remarks = judge(timing, I2cMode.FAST);
        assertThat(remarks).extracting(Remark::rule).contains("T5", "T10").doesNotContain("T9", "T11");
        assertThat(timing.glitches()).isGreaterThan(0);
        assertThat(timing.rows(I2cMode.FAST)).as("a pulse is no clock").allMatch(r -> r.least() > 50e-9);
    }

    /** Samples every 500 ns of a fast bus tell no times, so none is judged. */
    @Test
    void aCoarseRecordIsToldAndItsTimesAreNotJudged() throws IOException {
        I2cTiming timing = new I2cTiming(new TimeScale(1_000_000));
        long tick = 0;
        timing.levels(tick, 1, 1);
        timing.levels(tick += 1500, 1, 0);
        for (int i = 0; i < 40; i++) {
            timing.levels(tick += 1500, 0, i & 1);
            timing.levels(tick += 1500, 1, i & 1);
        }
        lastTick = tick;
        timing.end();
        List<Remark> remarks = judge(timing, I2cMode.FAST);
        assertThat(remarks).extracting(Remark::rule).contains("T11").doesNotContain("T4");
    }

    @Test
    void aLineThatStaysLowIsAStuckBus() {
        I2cTiming timing = new I2cTiming(new TimeScale(1_000_000));
        timing.levels(0, 1, 1);
        timing.levels(5_000, 1, 0);
        timing.levels(10_000, 0, 0);
        timing.levels(15_000, 1, 0);
        lastTick = 9_000_000;
        timing.end();
        assertThat(judge(timing, I2cMode.STANDARD))
                .anyMatch(r -> r.rule().equals("T9")
                        && r.severity() == izzet.core.check.Severity.STOP
                        && r.sentence().startsWith("Data is low"));
    }

    /** The same bus, seen every 500 ns: what lies within a step of its limit is neither kept nor passed. */
    @Test
    void aTimeWithinAStepOfItsLimitIsNotJudged() throws IOException {
        List<Remark> exact = judge(measure(capture("i2c-trouble.vcd"), "scl", "sda"), I2cMode.STANDARD);
        assertThat(exact).extracting(Remark::rule).doesNotContain("T4");
        I2cTiming sampled = measure(capture("i2c-trouble.sampled.csv"), "SCL", "SDA");
        assertThat(judge(sampled, I2cMode.STANDARD)).extracting(Remark::rule).doesNotContain("T4");
        assertThat(sampled.rows(I2cMode.STANDARD))
                .filteredOn(r -> r.kind() == I2cTiming.Kind.START_SET_UP)
                .singleElement()
                .satisfies(r -> assertThat(r.verdict()).isNull());
        assertThat(judge(sampled, I2cMode.FAST)).extracting(Remark::rule).doesNotContain("T4");
    }
}
