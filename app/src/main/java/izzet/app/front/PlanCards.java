package izzet.app.front;

import izzet.app.catalog.Shelf;
import izzet.app.fault.MemoryShort;
import izzet.app.pins.Weave;
import izzet.app.plan.PlanStore;
import izzet.app.plan.StoredPlan;
import izzet.app.shell.Station;
import izzet.app.shell.Stations;
import izzet.core.catalog.Board;
import izzet.core.catalog.Catalog;
import izzet.core.check.Checker;
import izzet.core.check.Report;
import izzet.core.circuit.Circuit;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Plans as cards: their picture, and how far each is. What was checked is kept until the plan or the shelf changes. */
@Component
class PlanCards {

    private static final Logger LOG = LoggerFactory.getLogger(PlanCards.class);
    private static final int MOST_KEPT = 200;

    private final PlanStore plans;
    private final Shelf shelf;
    private final Checker checker;
    private final Stations stations;
    private final Map<Long, Looked> looked = new ConcurrentHashMap<>();

    PlanCards(PlanStore plans, Shelf shelf, Checker checker, Stations stations) {
        this.plans = plans;
        this.shelf = shelf;
        this.checker = checker;
        this.stations = stations;
    }

    @EventListener(MemoryShort.class)
    void letGo() {
        looked.clear();
    }

    private record Looked(
            long version, Catalog catalog, StoredPlan stored, Circuit circuit, Report report, SmallWeave weave) {}

    /** @param mark stop, fix, good or empty */
    record State(String words, String mark) {}

    /**
     * @param board its name; empty when the plan cannot be read
     * @param weave null when the plan cannot be read
     */
    record Card(
            long id,
            String name,
            String board,
            int parts,
            Instant changed,
            boolean readable,
            SmallWeave weave,
            List<State> states) {}

    List<Card> page(int page, int size) {
        return plans.list(page, size).stream().map(this::card).toList();
    }

    private Card card(PlanStore.Entry entry) {
        if (entry.readable()) {
            try {
                Looked at = look(entry);
                String board = at.circuit().board().name();
                return new Card(
                        entry.id(), entry.name(), board, entry.parts(), entry.changed(), true, at.weave(), states(at));
            } catch (RuntimeException e) {
                LOG.warn("The card of plan {} cannot be made.", entry.id(), e);
            }
        }
        String board = shelf.catalog().board(entry.board()).map(Board::name).orElse("");
        return new Card(
                entry.id(), entry.name(), board, entry.parts(), entry.changed(), entry.readable(), null, List.of());
    }

    private Looked look(PlanStore.Entry entry) {
        Catalog catalog = shelf.catalog();
        Looked known = looked.get(entry.id());
        if (known != null && known.version() == entry.version() && known.catalog() == catalog) {
            return known;
        }
        StoredPlan stored = plans.get(entry.id());
        Circuit circuit = new Circuit(stored.plan(), catalog);
        Report report = checker.check(circuit);
        SmallWeave weave = SmallWeave.of(Weave.of(circuit, report, Weave.Show.picture(null)));
        Looked now = new Looked(stored.version(), catalog, stored, circuit, report, weave);
        if (looked.size() >= MOST_KEPT) {
            looked.clear();
        }
        looked.put(entry.id(), now);
        return now;
    }

    /** "3 to stop, 1 to fix", then what the stations have to say. */
    private List<State> states(Looked at) {
        List<State> states = new ArrayList<>();
        Station.Glance amiss = Station.Glance.toMend(at.report().findings());
        if (at.circuit().units().isEmpty()) {
            states.add(new State("no part yet", ""));
        } else if (amiss.words().isEmpty()) {
            states.add(new State("nothing to stop or fix", "good"));
        } else {
            states.add(new State(amiss.words(), amiss.mark()));
        }
        Station.Seen seen = new Station.Seen(at.stored(), at.circuit(), at.report());
        for (Station station : stations.all()) {
            Station.Glance glance = station.glance(seen);
            if (glance.mark().isEmpty() && !glance.words().isEmpty()) {
                states.add(new State(station.inList(glance), ""));
            }
        }
        return states;
    }
}
