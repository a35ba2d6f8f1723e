package izzet.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class ListedTest {

    private static String listed(String... names) {
        return Stream.of(names).collect(Listed.and());
    }

    @Test
    void onlyTheLastTwoAreJoinedByAnd() {
        assertThat(listed()).isEmpty();
        assertThat(listed("A")).isEqualTo("A");
        assertThat(listed("A", "B")).isEqualTo("A and B");
        assertThat(listed("A", "B", "C", "D")).isEqualTo("A, B, C and D");
    }
}
