package izzet.app.shelf;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RateTest {

    @ParameterizedTest
    @CsvSource({
        "4350.2, 4350 a second",
        "100, 100 a second",
        "32.55, 32.6 a second",
        "4.352, 4.35 a second",
        "0.1, 0.10 a second",
        "0.0833, one in 12 s"
    })
    void ratesAreToldWithoutPowersOfTen(double rate, String words) {
        assertThat(ChooseController.rate(rate)).isEqualTo(words);
    }
}
