package izzet.app.log;

import izzet.app.plan.MeasurementStore;
import izzet.app.plan.PlanStore;
import izzet.app.shell.PlanFrame;
import izzet.app.store.MeasurementRow;
import izzet.app.store.RecordRow;
import izzet.app.store.RecordRows;
import izzet.core.wiring.MeterCheck;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.data.domain.PageRequest;
import org.springframework.stereotype.Component;

/** What happened to a plan and is not in its log yet: changes made, values measured, records taken. */
@Component
class Happened {

    private static final int MOST = 10;
    private static final int MOST_CHANGES = 12;
    private static final int MOST_RECORDS = 60;

    private final PlanStore plans;
    private final MeasurementStore measurements;
    private final RecordRows records;

    Happened(PlanStore plans, MeasurementStore measurements, RecordRows records) {
        this.plans = plans;
        this.measurements = measurements;
        this.records = records;
    }

    /**
     * @param about what an entry on it would be tied to
     * @param kind change, check or record
     */
    public record Event(Instant at, String kind, String words, String about) {}

    /** Newest first. */
    List<Event> of(PlanFrame frame, Set<String> logged) {
        List<Event> events = new ArrayList<>();
        for (PlanStore.Change change : plans.history(frame.id(), MOST_CHANGES)) {
            if (change.number() > 1) {
                events.add(new Event(change.at(), "change", change.done(), "revision:" + change.number()));
            }
        }
        Map<String, MeasurementRow> measured = measurements.of(frame.id());
        for (MeterCheck check : MeterCheck.of(frame.circuit())) {
            MeasurementRow row = measured.get(check.key());
            if (row != null) {
                String verdict = check.judge(row.measured()).words();
                events.add(new Event(
                        row.measuredAt(),
                        "check",
                        check.where() + ": " + row.told() + ", " + verdict,
                        "check:" + check.key()));
            }
        }
        for (RecordRow record : records.of(frame.id(), PageRequest.of(0, MOST_RECORDS))) {
            events.add(new Event(record.uploadedAt(), "record", record.name(), "record:" + record.id()));
        }
        return events.stream()
                .filter(e -> !logged.contains(e.about()))
                .sorted(Comparator.comparing(Event::at).reversed())
                .limit(MOST)
                .toList();
    }
}
