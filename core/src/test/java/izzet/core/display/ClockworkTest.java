package izzet.core.display;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import izzet.core.capture.TimeScale;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class ClockworkTest {

    private static final TimeScale MICROSECONDS = new TimeScale(1_000_000_000);

    /** Moves each 10 ms, or rests. */
    private static final class Moving implements Glass {
        private double step = 0.01;
        private double passed;

        @Override
        public int columns() {
            return 1;
        }

        @Override
        public int rows() {
            return 1;
        }

        @Override
        public long changes() {
            return 0;
        }

        @Override
        public String state() {
            return "";
        }

        @Override
        public double stepSeconds() {
            return step;
        }

        @Override
        public void pass(double seconds) {
            passed += seconds;
        }
    }

    private final Moving glass = new Moving();
    private final List<Long> seen = new ArrayList<>();
    private final Clockwork clock = new Clockwork(MICROSECONDS);

    @Test
    void eachStepIsSeenAndAllOfTheTimePasses() {
        clock.until(5_000, glass, seen::add);
        assertThat(glass.passed).as("the first moment is where it begins").isZero();
        clock.until(37_000, glass, seen::add);
        assertThat(seen).containsExactly(15_000L, 25_000L, 35_000L);
        assertThat(glass.passed).isCloseTo(0.032, within(1e-9));
        clock.until(20_000, glass, seen::add);
        clock.until(38_000, glass, seen::add);
        assertThat(glass.passed).as("what lies behind is no time").isCloseTo(0.033, within(1e-9));
    }

    @Test
    void timeAtRestIsNotMadeUpFor() {
        glass.step = 0;
        clock.until(0, glass, seen::add);
        clock.until(1_000_000, glass, seen::add);
        glass.step = 0.01;
        clock.until(1_015_000, glass, seen::add);
        assertThat(seen).containsExactly(1_010_000L);
        assertThat(glass.passed).isCloseTo(0.015, within(1e-9));
    }

    @Test
    void aLongTimeIsSeenInFewerSteps() {
        clock.until(0, glass, seen::add);
        clock.until(1_000_000_000_000L, glass, seen::add);
        assertThat(seen).hasSizeBetween(1_000, 2_001);
        assertThat(glass.passed).isCloseTo(1e6, within(1e-3));
    }
}
