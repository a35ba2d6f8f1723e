package izzet.core.bench;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.catalog.Pin;
import izzet.core.circuit.Circuit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Tasks can be solved with the instruments, and not by doing nothing. */
class PracticeTest {

    private static final Circuit PLANNED = DeskTest.planned();
    private static final List<Practice.Task> TASKS = Practice.of(PLANNED);

    /** All that the instruments tell of a desk: the scan, each check of the meter, what is heard and what is not. */
    private static List<String> looks(Desk desk) {
        List<String> looks = new ArrayList<>();
        looks.add(BusScan.of(desk).toString());
        new Meter(desk).checks().forEach(m -> looks.add(m.check().key() + " " + m.value()));
        List<String> pins = desk.planned().nets().stream()
                .flatMap(n -> n.pins().stream())
                .map(Pin::label)
                .toList();
        PinRecord record = new PinRecord(pins, 200);
        List<DeskRun.Shown> shown = DeskRun.of(desk, record);
        looks.add(record.text());
        shown.forEach(s -> looks.add(s.unit().id() + " " + s.blank()));
        return looks;
    }

    @Test
    void aLearnerWhoLooksFindsEachFaultAndOneWhoDoesNothingNone() {
        areSolved(PLANNED, TASKS);
    }

    /** Each story has its plan, which is right, and its fault, which shows; the harder ones come later. */
    @Test
    void theStoriesAreSolvedLikewise() {
        List<Stories.Story> stories = Stories.shipped(Workbench.CATALOG).all();
        assertThat(stories)
                .extracting(Stories.Story::number)
                .isEqualTo(IntStream.rangeClosed(1, 20).boxed().toList());
        assertThat(stories).extracting(s -> s.fault().rank()).isSorted();
        assertThat(stories).extracting(s -> s.fault().id()).doesNotContain("").satisfies(ids -> assertThat(
                        Set.copyOf(ids))
                .hasSizeGreaterThanOrEqualTo(13));
        stories.stream().collect(Collectors.groupingBy(Stories.Story::plan)).forEach((plan, its) -> {
            Circuit planned = new Circuit(plan, Workbench.CATALOG);
            assertThat(Workbench.CHECKER.check(planned).findings())
                    .noneMatch(f -> f.severity().mustBeMended());
            assertThat(DeskRun.of(Desk.of(planned))).noneMatch(DeskRun.Shown::blank);
            areSolved(planned, its.stream().map(Stories.Story::task).toList());
        });
    }

    private static void areSolved(Circuit planned, List<Practice.Task> tasks) {
        List<String> right = looks(Desk.of(planned));
        List<Faulty> all = new ArrayList<>();
        for (Fault fault : Faults.of(planned)) {
            for (Fault.Place place : fault.places(planned)) {
                all.add(new Faulty(fault.id() + "@" + place.key(), looks(fault.at(Desk.of(planned), place.key()))));
            }
        }
        for (Practice.Task task : tasks) {
            List<String> seen = looks(task.desk(planned));
            assertThat(seen).as(task.told()).isNotEqualTo(right);
            Set<String> possible = new HashSet<>();
            all.stream().filter(f -> f.looks().equals(seen)).forEach(f -> possible.add(f.told()));
            assertThat(possible)
                    .as("task %d", task.number())
                    .contains(task.fault().id() + "@" + task.place().key());
            assertThat(possible)
                    .as("task %d can be told from others", task.number())
                    .hasSizeLessThanOrEqualTo(2);
        }
    }

    private record Faulty(String told, List<String> looks) {}

    @Test
    void tasksRiseAreTheSameForTheSamePlanAndSayWhatIsSeen() {
        assertThat(TASKS).hasSizeBetween(12, Practice.MOST);
        assertThat(TASKS).extracting(t -> t.fault().rank()).isSorted();
        assertThat(TASKS).extracting(t -> t.fault().id()).contains("contrast", "missing", "exchanged", "joint", "row");
        assertThat(TASKS).extracting(Practice.Task::told).allMatch(t -> t.contains("blank") || t.contains("wrong"));
        assertThat(Practice.of(DeskTest.planned()))
                .extracting(t -> t.fault().id() + t.place().key())
                .isEqualTo(TASKS.stream()
                        .map(t -> t.fault().id() + t.place().key())
                        .toList());
        assertThat(TASKS).extracting(t -> t.fault().hint()).doesNotContain("");
        assertThat(TASKS).extracting(t -> t.fault().mend().words()).allMatch(w -> w.endsWith("."));
        assertThat(TASKS)
                .filteredOn(t -> t.fault().id().equals("missing"))
                .allSatisfy(t -> assertThat(t.fault().mend().spent()).containsExactly("one wire"));
    }
}
