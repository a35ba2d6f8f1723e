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
import org.junit.jupiter.params.provider.EnumSource;

/** Preferred values, rings, drawers, dividers and run times. */
class BenchFormulasTest {

    @ParameterizedTest
    @CsvSource({
        "E6, 300, 330, 220", "E12, 150, 150, 150", "E24, 157, 160, 150", "E48, 150, 154, 147",
        "E96, 4750, 4750, 4750", "E96, 4760, 4870, 4750", "E12, 9000, 10000, 8200", "E6, 0.9, 1, 0.68"
    })
    void neighboursInASeries(PreferredValues series, double ohms, double up, double down) {
        assertThat(series.nextUp(ohms)).isCloseTo(up, within(1e-9));
        assertThat(series.nextDown(ohms)).isCloseTo(down, within(1e-9));
    }

    @ParameterizedTest
    @EnumSource(PreferredValues.class)
    void theNearestIsNeverFartherThanItsNeighbours(PreferredValues series) {
        Random random = new Random(6);
        for (int i = 0; i < 2000; i++) {
            double ohms = Math.pow(10, random.nextDouble() * 6);
            double up = series.nextUp(ohms);
            double down = series.nextDown(ohms);
            assertThat(down).isLessThanOrEqualTo(ohms * 1.000001);
            assertThat(up).isGreaterThanOrEqualTo(ohms * 0.999999);
            assertThat(series.nearest(ohms)).isIn(up, down);
            assertThat(series.nextUp(up)).isEqualTo(up);
            assertThat(series.nextDown(up)).isEqualTo(up);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "4700 | 2 | 5 | yellow, violet, red, gold",
                "220 | 2 | 10 | red, red, brown, silver",
                "1 | 2 | 5 | brown, black, gold, gold",
                "0.47 | 2 | 5 | yellow, violet, silver, gold",
                "1000000 | 2 | 20 | brown, black, green",
                "49900 | 3 | 1 | yellow, white, white, red, brown",
                "100 | 3 | 2 | brown, black, black, black, red"
            })
    void ringsOfAValue(double ohms, int digits, double tolerance, String spoken) {
        assertThat(ColourBand.spoken(ColourBand.of(ohms, digits, tolerance).orElseThrow()))
                .isEqualTo(spoken);
    }

    @Test
    void ringsAreReadBackAndCannotTellMoreDigits() {
        for (PreferredValues series : PreferredValues.values()) {
            for (double ohms = 1; ohms < 1e6; ohms = series.nextUp(ohms * 1.0001)) {
                List<ColourBand> bands = ColourBand.of(ohms, series.digits(), series.tolerancePercent())
                        .orElseThrow();
                assertThat(ColourBand.ohms(bands, series.digits())).isCloseTo(ohms, within(ohms * 1e-9));
            }
        }
        assertThat(ColourBand.of(4990, 2, 1)).isEmpty();
        assertThat(ColourBand.of(1e12, 2, 5)).isEmpty();
    }

    @Test
    void aDrawerIsReadAsItIsWritten() {
        assertThat(Drawer.of("220, 1k, 4k7, 10k").values()).containsExactly(220.0, 1000.0, 4700.0, 10000.0);
        assertThat(Drawer.of("10k 220R\n4,7k;220").values()).containsExactly(220.0, 4700.0, 10000.0);
        assertThat(Drawer.of("220,470").values()).containsExactly(220.0, 470.0);
        Drawer drawer = Drawer.of("0.47 220 4k7 1M");
        assertThat(Drawer.of(drawer.text())).isEqualTo(drawer);
        assertThat(Drawer.of(" ").empty()).isTrue();
        assertThatThrownBy(() -> Drawer.of("220, cheese")).hasMessageContaining("'cheese'");
        assertThatThrownBy(() -> Drawer.of("0")).hasMessageContaining("'0'");
    }

    @Test
    void onePieceIsTakenWhereNoPairIsNearer() {
        Drawer drawer = Drawer.of("220, 1k, 4k7, 10k");
        assertThat(drawer.pick(1000, 0, Double.MAX_VALUE).orElseThrow().words()).isEqualTo("1 kΩ");
        assertThat(drawer.pick(440, 0, Double.MAX_VALUE).orElseThrow().words()).isEqualTo("220 Ω and 220 Ω in series");
        assertThat(drawer.pick(500, 0, Double.MAX_VALUE).orElseThrow().words()).isEqualTo("1 kΩ and 1 kΩ in parallel");
        assertThat(drawer.pick(150, 150, Double.MAX_VALUE).orElseThrow().ohms()).isGreaterThanOrEqualTo(150);
        assertThat(drawer.pick(1, 0, 50)).isEmpty();
    }

    /** No pair that a hand could lay is nearer. */
    @Test
    void thePickIsTheNearestOfAll() {
        Random random = new Random(11);
        for (int run = 0; run < 200; run++) {
            Drawer drawer = new Drawer(
                    random.doubles(1 + random.nextInt(8), 10, 100_000).boxed().toList());
            double wanted = Math.pow(10, 1 + random.nextDouble() * 4);
            double off = Math.abs(Math.log(
                    drawer.pick(wanted, 0, Double.MAX_VALUE).orElseThrow().ohms() / wanted));
            for (double a : drawer.values()) {
                for (double b : drawer.values()) {
                    for (double made : new double[] {a, a + b, a * b / (a + b)}) {
                        assertThat(off).isLessThanOrEqualTo(Math.abs(Math.log(made / wanted)) + 1e-8);
                    }
                }
            }
        }
    }

    /** Against a circuit simulator: level at rest and rise of four dividers. */
    @Test
    void dividersStandAgainstTheSimulator() {
        for (Map<String, String> row : ReferenceTable.read("level-divider-ngspice.csv")) {
            Divider divider = new Divider(number(row, "top_ohm"), number(row, "bottom_ohm"));
            double in = number(row, "high_v");
            double farads = number(row, "load_pf") * 1e-12;
            assertThat(divider.volts(in)).isCloseTo(number(row, "dc_high_v"), within(0.001));
            assertThat(divider.amperes(in) * 1000).isCloseTo(number(row, "source_current_high_ma"), within(0.001));
            boolean fast = number(row, "square_wave_hz") > divider.mostHertz(farads);
            // The simulator's level misses the one at rest where the wave is faster than the divider.
            assertThat(number(row, "measured_high_v") < divider.volts(in) * 0.94)
                    .isEqualTo(fast);
            assertThat(divider.riseSeconds(farads) * 1e9).isCloseTo(number(row, "formula_rise_10_90_ns"), within(0.05));
        }
    }

    private static double number(Map<String, String> row, String column) {
        return Double.parseDouble(row.get(column));
    }

    @Test
    void aDividerForALevel() {
        Divider divider = Divider.of(5, 3.3, 10_000, PreferredValues.E12);
        assertThat(divider.topOhms()).isEqualTo(5600);
        assertThat(divider.volts(5)).isCloseTo(3.205, within(0.001));
        assertThatThrownBy(() -> Divider.of(3.3, 5, 10_000, PreferredValues.E12))
                .hasMessageContaining("3.3 V");
    }

    @Test
    void cellsLastByTheShareOfTheTime() {
        RunTime half = new RunTime(2000, 40, 0.5, 10, 0.25, 0);
        assertThat(half.averageMilliamps()).isCloseTo(22.5, within(1e-9));
        assertThat(half.hours()).isCloseTo(88.89, within(0.01));
        assertThatThrownBy(() -> new RunTime(2000, 40, 0.8, 10, 0.3, 0)).hasMessageContaining("100 %");
    }
}
