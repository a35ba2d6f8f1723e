package izzet.app.wiring;

import izzet.app.plan.TickStore;
import izzet.app.shell.Station;
import izzet.core.wiring.WireColours;
import izzet.core.wiring.WiringList;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Where the plan is wired, step by step. */
@Component
class WiringStation implements Station {

    private final TickStore ticks;

    WiringStation(TickStore ticks) {
        this.ticks = ticks;
    }

    @Override
    public String id() {
        return "wiring";
    }

    @Override
    public String name() {
        return "Wiring";
    }

    @Override
    public int order() {
        return 5;
    }

    /** How far the maker is; nothing before the first tick. */
    @Override
    public Glance glance(Seen seen) {
        Set<String> done = ticks.of(seen.stored().id());
        if (done.isEmpty()) {
            return Glance.NOTHING;
        }
        var steps = WiringList.steps(seen.circuit(), WireColours.usual());
        long ticked = steps.stream().filter(s -> done.contains(s.key())).count();
        return ticked == 0 ? Glance.NOTHING : new Glance(ticked + " of " + steps.size(), "");
    }

    @Override
    public String inList(Glance glance) {
        return "wired " + glance.words();
    }
}
