package izzet.core.bench;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.circuit.Circuit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
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
        PinRecord record = new PinRecord(List.of("A4", "A5", "10", "7", "A1"), 200);
        List<DeskRun.Shown> shown = DeskRun.of(desk, record);
        looks.add(record.text());
        shown.forEach(s -> looks.add(s.unit().id() + " " + s.blank()));
        return looks;
    }

    @Test
    void aLearnerWhoLooksFindsEachFaultAndOneWhoDoesNothingNone() {
        List<String> right = looks(Desk.of(PLANNED));
        List<Faulty> all = new ArrayList<>();
        for (Fault fault : Faults.of(PLANNED)) {
            for (Fault.Place place : fault.places(PLANNED)) {
                all.add(new Faulty(fault.id() + "@" + place.key(), looks(fault.at(Desk.of(PLANNED), place.key()))));
            }
        }
        for (Practice.Task task : TASKS) {
            List<String> seen = looks(task.desk(PLANNED));
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
    }
}
