package izzet.core.calc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import izzet.core.ReferenceTable;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Worked values. Source of the pull-up values: I2C-bus specification and user manual UM10204, section 7.1, from memory. */
class FormulasTest {

    @ParameterizedTest
    @CsvSource({"3.3,0.003,967", "5,0.003,1533"})
    void smallestPullUp(double supply, double sink, double ohms) {
        assertThat(PullUps.minimumOhms(supply, sink)).isCloseTo(ohms, within(0.5));
    }

    @ParameterizedTest
    @CsvSource({"300e-9,100e-12,3540", "300e-9,200e-12,1770", "1000e-9,400e-12,2950"})
    void largestPullUp(double rise, double farads, double ohms) {
        assertThat(PullUps.maximumOhms(rise, farads)).isCloseTo(ohms, within(5.0));
    }

    @Test
    void fourModulesInParallel() {
        PullUps four = new PullUps(java.util.Collections.nCopies(4, new PullUps.PullUp(4700, 3.3)));
        assertThat(four.parallelOhms()).isCloseTo(1175, within(0.01));
    }

    @Test
    void mixedSuppliesAddUp() {
        PullUps mixed = new PullUps(List.of(new PullUps.PullUp(2200, 5), new PullUps.PullUp(1800, 3.3)));
        assertThat(mixed.sinkAmperes()).isCloseTo(3.70e-3, within(1e-5));
        PullUps idle = new PullUps(List.of(new PullUps.PullUp(4700, 5), new PullUps.PullUp(1800, 3.3)));
        assertThat(idle.idleVolts()).isCloseTo(3.77, within(0.005));
    }

    /** Source: ngspice 39.3, simulated rise times. */
    @Test
    void riseTimesAgreeWithTheSimulator() {
        for (Map<String, String> row : ReferenceTable.read("i2c-rise-time-ngspice.csv")) {
            PullUps one = new PullUps(List.of(new PullUps.PullUp(num(row, "pull_up_ohm"), num(row, "supply_v"))));
            double nanos = one.riseSeconds(num(row, "bus_pf") * 1e-12) * 1e9;
            assertThat(nanos).isCloseTo(num(row, "measured_30_70_ns"), within(nanos * 1e-4));
        }
    }

    private static double num(Map<String, String> row, String column) {
        return Double.parseDouble(row.get(column));
    }

    @Test
    void redLampAtFiveVolts() {
        SeriesResistor r = SeriesResistor.forLamp(5, 2.0, 0.015, PreferredValues.E12);
        assertThat(r.exactOhms()).isCloseTo(200, within(1e-9));
        assertThat(r.ohms()).isEqualTo(220);
        assertThat(r.amperes()).isCloseTo(13.6e-3, within(5e-5));
        assertThat(r.watts()).isCloseTo(41e-3, within(5e-4));
    }

    /** Below its rated current a lamp drops less, and the solved circuit still keeps to what was wanted. */
    @Test
    void aLampBelowItsRatedCurrentDropsLess() {
        for (double wanted : new double[] {0.004, 0.012, 0.02, 0.06}) {
            SeriesResistor r = SeriesResistor.forLamp(5, 3.0, 0.06, wanted, PreferredValues.E12);
            DcNetwork network = new DcNetwork();
            int drive = network.held(5);
            int ground = network.held(0);
            int anode = network.node();
            network.resistor(drive, anode, r.ohms());
            int lamp = network.lamp(anode, ground, 3.0, 0.06, SeriesResistor.slopeOhms(3.0, 0.06));
            assertThat(network.solve().amperes(lamp)).isBetween(wanted * 0.8, wanted);
        }
        assertThat(SeriesResistor.dropAt(0.06, 3.0, 0.06)).isEqualTo(3.0);
    }

    @Test
    void noResistorLightsALampThatDropsTooMuch() {
        assertThatThrownBy(() -> SeriesResistor.forLamp(3.0, 3.1, 0.01, PreferredValues.E12))
                .hasMessageContaining("cannot be lit");
    }

    /** The next value is never below, never more than one step above, and a preferred value is its own. */
    @Test
    void preferredValuesAreTheNextUp() {
        Random random = new Random(11);
        for (int i = 0; i < 5000; i++) {
            double wanted = Math.pow(10, random.nextDouble() * 6);
            double e12 = PreferredValues.E12.nextUp(wanted);
            double e24 = PreferredValues.E24.nextUp(wanted);
            assertThat(e24).isGreaterThanOrEqualTo(wanted * (1 - 1e-6)).isLessThanOrEqualTo(e12 * (1 + 1e-9));
            assertThat(e12 / wanted).isLessThan(1.26);
            assertThat(PreferredValues.E12.nextUp(e12)).isEqualTo(e12);
        }
        assertThat(PreferredValues.E12.nextUp(821)).isEqualTo(1000);
    }

    @Test
    void modesByClock() {
        assertThat(I2cMode.forClock(100_000)).isEqualTo(I2cMode.STANDARD);
        assertThat(I2cMode.forClock(100_001)).isEqualTo(I2cMode.FAST);
        assertThat(I2cMode.forClock(1_000_000)).isEqualTo(I2cMode.FAST_PLUS);
    }
}
