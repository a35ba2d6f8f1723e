package izzet.app.log;

import izzet.app.shell.Station;
import izzet.app.store.LogEntryRows;
import java.util.List;
import org.springframework.stereotype.Component;

/** Where a maker writes down what was tried. */
@Component
class LogStation implements Station {

    private final LogEntryRows entries;

    LogStation(LogEntryRows entries) {
        this.entries = entries;
    }

    @Override
    public String id() {
        return "log";
    }

    @Override
    public String name() {
        return "Log";
    }

    @Override
    public int order() {
        return 8;
    }

    @Override
    public Glance glance(Seen seen) {
        long count = entries.countOf(seen.stored().id());
        return count == 0 ? Glance.NOTHING : new Glance(String.valueOf(count), "");
    }

    @Override
    public List<Key> keys() {
        return List.of(new Key(List.of("/"), "find in the log"));
    }
}
