package izzet.core.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.capture.RecordReader;
import izzet.core.capture.TableOptions;
import izzet.core.circuit.Circuit;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A capture device as it is set: trigger, memory, threshold, noise, jitter, volts. */
class CaptureDeviceTest {

    private static final Circuit PLANNED = DeskTest.planned();

    private static PinRecord record(CaptureDevice device, String... pins) {
        PinRecord record = new PinRecord(List.of(pins), device);
        DeskRun.of(
                Desk.of(PLANNED),
                record,
                TypedProgram.of(
                        PLANNED, "pin 7 low\nwait 3 ms\npin 7 high\nwait 1 ms\npin 7 low\nwait 2 ms\nto 3C: 00 AE"));
        return record;
    }

    private static CaptureDevice device(long step, int samples, String trigger, boolean rising, double threshold) {
        return new CaptureDevice(step, samples, trigger, rising, threshold, 0, 0, false);
    }

    /** Ticks of the changes of the first line, behind the first telling. */
    private static List<Long> ticks(PinRecord record) {
        List<Long> ticks = new ArrayList<>();
        long now = 0;
        for (String line : record.text().split("\n")) {
            if (line.startsWith("#")) {
                now = Long.parseLong(line.substring(1));
            } else if (line.matches("[01]!")) {
                ticks.add(now);
            }
        }
        return ticks;
    }

    @Test
    void aTriggerKeepsATenthFromBeforeIt() {
        PinRecord record = record(device(1000, 2000, "7", true, 1.5), "7");
        assertThat(record.triggered()).isTrue();
        assertThat(record.full()).isTrue();
        // Low at the beginning, high after a tenth of 2 ms, low a millisecond later.
        List<Long> ticks = ticks(record);
        assertThat(ticks).hasSize(3);
        assertThat(ticks.get(1)).isBetween(199_000L, 202_000L);
        assertThat(ticks.get(2) - ticks.get(1)).isBetween(999_000L, 1_002_000L);
        assertThat(record.text()).endsWith("#2000000\n");
    }

    @Test
    void whatNeverComesIsTold() {
        PinRecord record = record(device(1000, 2000, "12", true, 1.5), "7");
        assertThat(record.triggered()).isFalse();
    }

    /** Every look as often as the rate says, and no more than the memory holds. */
    @Test
    void theMemoryEndsTheRecord() {
        assertThat(ticks(record(device(1000, 3500, null, true, 1.5), "7"))).hasSize(2);
        assertThat(ticks(record(device(1000, 100_000, null, true, 1.5), "7"))).hasSize(3);
        assertThat(ticks(record(device(2_500_000, 100, null, true, 1.5), "7")))
                .as("a look every 2.5 ms misses a millisecond")
                .hasSize(1);
    }

    /** A 5 V board: high is 5 V; the bus idles where the sign's pull-ups lead it. */
    @Test
    void aThresholdAboveTheHighNeverReadsHigh() {
        assertThat(record(device(1000, 100_000, null, true, 4.9), "7").text()).contains("1!");
        assertThat(record(device(1000, 100_000, null, true, 5.1), "7").text()).doesNotContain("1!");
    }

    @Test
    void noiseNearTheThresholdMakesFalseEdgesAndFarFromItNone() {
        CaptureDevice near = new CaptureDevice(1000, 100_000, null, true, 4.8, 0.2, 0, false);
        CaptureDevice far = new CaptureDevice(1000, 100_000, null, true, 2.5, 0.2, 0, false);
        assertThat(ticks(record(near, "7")).size()).isGreaterThan(50);
        assertThat(ticks(record(far, "7"))).hasSize(3);
        assertThat(record(near, "7").text())
                .as("the same again")
                .isEqualTo(record(near, "7").text());
    }

    @Test
    void jitterMovesEdgesByALittle() {
        CaptureDevice steady = new CaptureDevice(1000, 100_000, null, true, 2.5, 0, 0, false);
        CaptureDevice shaky = new CaptureDevice(1000, 100_000, null, true, 2.5, 0, 5000, false);
        List<Long> right = ticks(record(steady, "7"));
        List<Long> seen = ticks(record(shaky, "7"));
        assertThat(seen).isNotEqualTo(right);
        assertThat(seen.get(seen.size() - 2)).isBetween(right.get(1) - 30_000, right.get(1) + 30_000);
    }

    /** The volts of a table are read back to the levels that were there. */
    @Test
    void aTableOfVoltsIsReadLikeAnyOther() throws IOException {
        CaptureDevice analog = new CaptureDevice(1000, 100_000, null, true, 2.5, 0.05, 0, true);
        PinRecord record = record(analog, "7", "A4");
        String table = record.text();
        assertThat(table).startsWith("time_s,7,A4\n0.000000000,");
        double[] high = Arrays.stream(table.split("\n"))
                .skip(1)
                .mapToDouble(l -> Double.parseDouble(l.split(",")[1]))
                .filter(v -> v > 2.5)
                .toArray();
        assertThat(high).hasSizeBetween(995, 1005);
        assertThat(Arrays.stream(high).average().orElse(0)).isBetween(4.99, 5.01);
        var preview = RecordReader.preview(
                new ByteArrayInputStream(table.getBytes(StandardCharsets.US_ASCII)),
                TableOptions.of("", "2.5", "", "", ""));
        assertThat(preview.asks()).isNull();
    }

    @Test
    void settingsThatCannotBeAreRefused() {
        assertThatThrownBy(() -> device(0, 10, null, true, 1)).hasMessageContaining("rate");
        assertThatThrownBy(() -> device(1, 0, null, true, 1)).hasMessageContaining("1 to 4000000");
        assertThatThrownBy(() -> new CaptureDevice(1, 200_001, null, true, 1, 0, 0, true))
                .hasMessageContaining("200000");
        assertThatThrownBy(() -> device(1, 10, null, true, 0)).hasMessageContaining("threshold");
        assertThatThrownBy(() -> new CaptureDevice(1, 10, null, true, 1, -1, 0, false))
                .hasMessageContaining("noise");
        assertThatThrownBy(() -> new CaptureDevice(1, 10, null, true, 1, 0, Double.NaN, false))
                .hasMessageContaining("jitter");
    }
}
