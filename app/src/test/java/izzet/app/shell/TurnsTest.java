package izzet.app.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.app.fault.Busy;
import java.time.Duration;
import org.junit.jupiter.api.Test;

class TurnsTest {

    private final Turns turns = new Turns(1, Duration.ZERO);

    @Test
    void whoComesTooLateIsToldAndTheNextHasItsTurn() {
        assertThat(turns.<String>take(() -> {
                    assertThatThrownBy(() -> turns.take(() -> "second"))
                            .isInstanceOf(Busy.class)
                            .hasMessageContaining("Nothing was changed");
                    return "first";
                }))
                .isEqualTo("first");
        assertThat(turns.take(() -> "third")).isEqualTo("third");
    }

    @Test
    void aSearchThatFailsGivesItsTurnBack() {
        assertThatThrownBy(() -> turns.take(() -> {
                    throw new IllegalStateException("failed");
                }))
                .isInstanceOf(IllegalStateException.class);
        assertThat(turns.take(() -> "next")).isEqualTo("next");
    }
}
