package izzet.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class CountsTest {

    @Test
    void oneIsSingular() {
        assertThat(Counts.of(1, "row")).isEqualTo("1 row");
        assertThat(Counts.of(0, "row")).isEqualTo("0 rows");
        assertThat(Counts.of(12, "transfer")).isEqualTo("12 transfers");
    }

    @Test
    void whatIsNeededTwiceIsNamedOnce() {
        assertThat(Counts.together(List.of())).isEmpty();
        assertThat(Counts.together(List.of("one buffer to 5 V", "2 resistors of 4.7 kΩ", "one buffer to 5 V")))
                .isEqualTo("2 × buffer to 5 V, 2 resistors of 4.7 kΩ");
        assertThat(Counts.together(List.of("one joystick"))).isEqualTo("one joystick");
    }
}
