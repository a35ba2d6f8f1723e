package izzet.app.traffic;

import izzet.app.shell.Station;
import izzet.app.store.RecordRows;
import izzet.core.quantity.Counts;
import java.util.List;
import org.springframework.stereotype.Component;

/** Where records of the bus are read. */
@Component
class TrafficStation implements Station {

    private final RecordRows records;

    TrafficStation(RecordRows records) {
        this.records = records;
    }

    @Override
    public String id() {
        return "traffic";
    }

    @Override
    public String name() {
        return "Traffic";
    }

    @Override
    public int order() {
        return 7;
    }

    @Override
    public Glance glance(Seen seen) {
        long count = records.countOf(seen.stored().id());
        return count == 0 ? Glance.NOTHING : new Glance(Counts.of(count, "record"), "");
    }

    @Override
    public List<Key> keys() {
        return List.of(
                new Key(List.of("↑", "↓"), "in the conversation: line above or below"),
                new Key(List.of("+", "−", "←", "→"), "on the wave: zoom and move"),
                new Key(List.of("0"), "on the wave: the whole record"));
    }
}
