package izzet.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.ReferencePlans;
import izzet.core.ReferenceTable;
import izzet.core.Workbench;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Plans of wirings that work on a bench, which no rule may stop or want mended, and their twins with one mistake, of which a rule of the
 * right family must speak. {@code given} was written from data sheets without a look at the rules; {@code more} has other corners.
 */
class VerdictsTest {

    /**
     * @param families of which one must speak; {@code none} for a sound plan
     * @param note what it is; {@code (debatable)} where a fix may be told of a sound plan, {@code (hint)} where advice suffices
     */
    record Verdict(String set, String file, Set<String> families, String note) {

        Report report(String of) {
            return Workbench.CHECKER.check(ReferencePlans.read(set + "/" + of), Workbench.CATALOG);
        }

        @Override
        public String toString() {
            return file + ": " + note;
        }
    }

    private static Stream<Verdict> verdicts(String kind) {
        return Stream.of("given", "more")
                .flatMap(set -> ReferenceTable.rows("/verdicts/" + set + "/expect.csv").stream()
                        .filter(r -> r.get("file").startsWith(kind))
                        .map(r -> new Verdict(
                                set, r.get("file"), Set.of(r.get("must_have").split("\\|")), r.get("note"))));
    }

    static Stream<Verdict> sound() {
        return verdicts("sound");
    }

    static Stream<Verdict> broken() {
        return verdicts("broken");
    }

    @ParameterizedTest
    @MethodSource("sound")
    void aSoundPlanIsNeitherStoppedNorMended(Verdict verdict) {
        boolean debatable = verdict.note().contains("(debatable)");
        assertThat(verdict.report(verdict.file()).findings())
                .filteredOn(f -> f.severity() == Severity.STOP || f.severity() == Severity.FIX && !debatable)
                .extracting(f -> f.rule() + ": " + f.sentence())
                .isEmpty();
    }

    @ParameterizedTest
    @MethodSource("broken")
    void aMistakeIsTold(Verdict verdict) {
        String twin = "sound/" + verdict.file().substring(7, 9) + ".json";
        Map<String, Finding> known =
                verdict.report(twin).findings().stream().collect(Collectors.toMap(Finding::id, f -> f));
        Severity least = verdict.note().contains("(hint)") ? Severity.ADVISE : Severity.FIX;
        List<Finding> fresh = verdict.report(verdict.file()).findings().stream()
                .filter(f -> !known.containsKey(f.id()) && f.severity().compareTo(least) <= 0)
                .toList();
        assertThat(fresh)
                .as(
                        "wants %s, has %s",
                        verdict.families(),
                        fresh.stream().map(Finding::sentence).toList())
                .anyMatch(f -> verdict.families().contains(f.rule()));
    }
}
