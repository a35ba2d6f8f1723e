package izzet.core.calc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Worked values, in milliseconds. */
class FillTimeTest {

    @ParameterizedTest
    @CsvSource({"128,160,16,8e6,41", "240,320,16,40e6,31", "320,480,16,20e6,123", "320,480,24,20e6,184"})
    void serialPanels(int columns, int rows, int bits, double hertz, double millis) {
        assertThat(FillTime.serial((long) columns * rows * bits, hertz) * 1000).isCloseTo(millis, within(0.5));
    }

    @ParameterizedTest
    @CsvSource({"1024,1024,100e3,92.4", "1024,32,100e3,98.6", "1024,16,100e3,105", "1024,16,400e3,26.2"})
    void framesOnTheTwoWireBus(long bytes, int piece, double hertz, double millis) {
        assertThat(FillTime.twoWire(bytes, piece, hertz) * 1000).isCloseTo(millis, within(0.4));
    }

    @Test
    void parallelPanelsCountWholeWrites() {
        assertThat(FillTime.parallel(240 * 320, 16, 8, 66e-9) * 1000).isCloseTo(10.14, within(0.01));
        assertThat(FillTime.parallel(100, 18, 8, 1)).isEqualTo(300);
        assertThat(FillTime.parallel(100, 4, 8, 1)).isEqualTo(100);
    }

    @ParameterizedTest
    @CsvSource({"525,286,60,9.009e6", "1056,525,60,33.264e6"})
    void pixelClocks(int columns, int rows, double rate, double hertz) {
        assertThat(FillTime.pixelClock(columns, rows, rate)).isCloseTo(hertz, within(1.0));
    }

    /** Smaller pieces never make it faster, and no way is faster than the bits themselves. */
    @Test
    void piecesOnlyCost() {
        Random random = new Random(6);
        for (int i = 0; i < 2000; i++) {
            long bytes = 1 + random.nextInt(5000);
            int piece = 1 + random.nextInt(200);
            double whole = FillTime.twoWire(bytes, (int) bytes, 400_000);
            double cut = FillTime.twoWire(bytes, piece, 400_000);
            assertThat(cut).isGreaterThanOrEqualTo(whole);
            assertThat(whole).isGreaterThan(FillTime.serial(bytes * 8, 400_000));
        }
    }

    @Test
    void nonsenseIsRefused() {
        assertThatThrownBy(() -> FillTime.serial(8, 0)).hasMessageContaining("above 0");
        assertThatThrownBy(() -> FillTime.twoWire(8, 0, 100)).hasMessageContaining("one byte");
        assertThatThrownBy(() -> FillTime.parallel(8, 8, 8, -1)).hasMessageContaining("above 0");
    }
}
