package izzet.core.record;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.check.Severity;
import izzet.core.decode.SerialByte;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

class SelectOverlapTest {

    private static final Map<String, Integer> SIGN = Map.of("clock", 0, "mosi", 1, "select", 2);

    @Test
    void twoSelectsOnSharedLinesAreLookedAt() {
        assertThat(SelectOverlap.concerns(SIGN, Map.of("clock", 0, "mosi", 1, "select", 3)))
                .isTrue();
        assertThat(SelectOverlap.concerns(SIGN, Map.of("clock", 0, "select", 3)))
                .as("its data line is not in the record")
                .isTrue();
        assertThat(SelectOverlap.concerns(
                        Map.of("clock", 0, "mosi", 1, "miso", 5, "select", 2),
                        Map.of("clock", 0, "mosi", 4, "miso", 5, "select", 3)))
                .as("both answer on one line")
                .isTrue();
    }

    /** One select read in two modes is one part; without a select nothing is selected; a part with a clock or a data line of its own hears nothing. */
    @Test
    void whatIsNoSecondPartOnTheseLinesIsNot() {
        assertThat(SelectOverlap.concerns(SIGN, Map.of("clock", 0, "mosi", 1, "select", 2)))
                .isFalse();
        assertThat(SelectOverlap.concerns(SIGN, Map.of("clock", 0, "mosi", 1))).isFalse();
        assertThat(SelectOverlap.concerns(Map.of("clock", 0), SIGN)).isFalse();
        assertThat(SelectOverlap.concerns(
                        Map.of("clock", 0, "mosi", 1, "dc", 6, "select", 2),
                        Map.of("clock", 4, "mosi", 5, "dc", 6, "select", 3)))
                .as("only data/command shared")
                .isFalse();
        assertThat(SelectOverlap.concerns(SIGN, Map.of("clock", 4, "mosi", 1, "select", 3)))
                .as("a clock of its own")
                .isFalse();
        assertThat(SelectOverlap.concerns(SIGN, Map.of("clock", 0, "mosi", 4, "select", 3)))
                .as("data of its own")
                .isFalse();
        assertThat(SelectOverlap.concerns(Map.of("scl", 0, "sda", 1), Map.of("scl", 0, "sda", 2)))
                .isFalse();
    }

    /** What is only written to may be meant for both; what answers drives against the other. */
    @Test
    void theWordsSayWhatCanHappen() {
        Map<String, Integer> other = Map.of("clock", 0, "mosi", 1, "select", 3);
        assertThat(SelectOverlap.remark(SIGN, other, line -> "line " + line, 20, "0.020 ms"))
                .extracting(Remark::rule, Remark::severity, Remark::sentence, Remark::tick)
                .containsExactly(
                        "T8",
                        Severity.FIX,
                        "The selects line 2 and line 3 are low at the same time, from 0.020 ms: both parts hear what is sent to either.",
                        20L);
        Map<String, Integer> answers = Map.of("clock", 0, "miso", 5, "select", 2);
        assertThat(SelectOverlap.remark(
                        answers, Map.of("clock", 0, "miso", 5, "select", 3), line -> "line " + line, 20, "0.020 ms"))
                .extracting(Remark::severity, Remark::sentence)
                .containsExactly(
                        Severity.STOP,
                        "The selects line 2 and line 3 are low at the same time, from 0.020 ms: both parts hear, and both may answer.");
    }

    @Test
    void oneThatEndsAsTheOtherBeginsIsFine() {
        assertThat(first(List.of(said(10, 20)), List.of(said(20, 30)))).isEmpty();
        assertThat(first(List.of(said(10, 21)), List.of(said(20, 30)))).hasValue(20);
    }

    @Test
    void noMoreAreLookedAtThanAsked() {
        List<SerialByte> one = List.of(said(0, 1), said(10, 20));
        assertThat(SelectOverlap.first(one.iterator(), List.of(said(15, 16)).iterator(), 2))
                .hasValue(15);
        assertThat(SelectOverlap.first(one.iterator(), List.of(said(15, 16)).iterator(), 1))
                .isEmpty();
    }

    /** As found by looking at every pair. */
    @RepeatedTest(200)
    void theFirstOfAllPairs(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        List<SerialByte> one = series(random);
        List<SerialByte> other = series(random);
        OptionalLong every = one.stream()
                .flatMapToLong(a -> other.stream()
                        .filter(b -> a.start() < b.end() && b.start() < a.end())
                        .mapToLong(b -> Math.max(a.start(), b.start())))
                .min();
        assertThat(first(one, other)).isEqualTo(every);
    }

    private static OptionalLong first(List<SerialByte> one, List<SerialByte> other) {
        return SelectOverlap.first(one.iterator(), other.iterator(), Integer.MAX_VALUE);
    }

    private static List<SerialByte> series(Random random) {
        List<SerialByte> series = new ArrayList<>();
        long at = 0;
        for (int i = random.nextInt(8); i > 0; i--) {
            long start = at + random.nextInt(40);
            at = start + 1 + random.nextInt(8);
            series.add(said(start, at));
        }
        return series;
    }

    private static SerialByte said(long start, long end) {
        return new SerialByte(start, end, 0, true, true);
    }
}
