package izzet.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class QuantityTest {

    @ParameterizedTest
    @CsvSource({"4k7,4700", "4.7 k,4700", "220R,220", "10k,10000", "1M,1e6", "'4,7k',4700", "330,330", "2R2,2.2"})
    void readsResistances(String text, double ohms) {
        assertThat(Quantity.parse(text, Unit.OHM))
                .hasValueSatisfying(q -> assertThat(q.value()).isCloseTo(ohms, within(1e-9 * ohms)));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "k7", "4k7k", "4.7k7", "ten", "5 V", "1e99", "--3"})
    void refusesWhatIsNoResistance(String text) {
        assertThat(Quantity.parse(text, Unit.OHM)).isEmpty();
    }

    /** Against the exact arithmetic, also at values next to half a digit. */
    @Test
    void roundsAsExactArithmeticDoes() {
        Random random = new Random(11);
        for (int i = 0; i < 20_000; i++) {
            double value = Math.pow(10, random.nextDouble() * 24 - 12) * (random.nextBoolean() ? 1 : -1);
            if (i % 2 == 0) {
                int digits = 1000 + random.nextInt(9000);
                value = (digits + 0.5 + (random.nextInt(3) - 1) * 1e-9) * Math.pow(10, random.nextInt(16) - 8);
            }
            String exact = new BigDecimal(value)
                    .round(new MathContext(4, RoundingMode.HALF_UP))
                    .stripTrailingZeros()
                    .toPlainString();
            assertThat(Quantity.count(value)).as("%s", value).hasToString(exact);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "4700,OHM,4.7 kΩ",
        "0.0136,AMPERE,13.6 mA",
        "3.3,VOLT,3.3 V",
        "100000,HERTZ,100 kHz",
        "3.9823e-7,SECOND,398.2 ns",
        "999999,OHM,1 MΩ",
        "0,VOLT,0 V"
    })
    void printsAsMakersWrite(double value, Unit unit, String text) {
        assertThat(new Quantity(value, unit)).hasToString(text);
    }

    @Test
    void marginsAreInMillivolts() {
        assertThat(Quantity.volts(3.3 - 3.5).inMillis()).isEqualTo("-200 mV");
    }

    /** What is printed reads back as the same value, to the four digits printed. */
    @Test
    void printedValuesReadBack() {
        Random random = new Random(7);
        for (int i = 0; i < 2000; i++) {
            double value = Math.pow(10, random.nextDouble() * 8 - 1);
            String text = Quantity.ohms(value).toString();
            assertThat(Quantity.parse(text, Unit.OHM))
                    .hasValueSatisfying(q -> assertThat(q.value()).isCloseTo(value, within(value * 1e-3)));
        }
    }

    @Test
    void onlyFiniteValuesExist() {
        assertThatThrownBy(() -> Quantity.ohms(Double.NaN)).hasMessageContaining("finite");
    }

    @ParameterizedTest
    @CsvSource({"0x3C,60", "3Ch,60", "60,60", "0X7f,127"})
    void readsAddresses(String text, int value) {
        assertThat(Hex.parse(text)).contains(value);
        assertThat(Hex.of(60)).isEqualTo("0x3C");
    }
}
