package izzet.core.bringup;

import izzet.core.catalog.Part;
import izzet.core.catalog.PartKind;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** The order of power-up and the waits of each display, from the parts' files. */
public record PowerUp(String name, List<Phase> phases, String source) {

    /** @param fromMillis after power, {@code toMillis} when it is over */
    public record Phase(String what, int fromMillis, int toMillis) {
        public int millis() {
            return toMillis - fromMillis;
        }
    }

    /** Displays with waits that their files tell, the slowest last. */
    public static List<PowerUp> of(Circuit circuit) {
        List<PowerUp> all = new ArrayList<>();
        for (Unit unit : circuit.units()) {
            Part.Glass glass = unit.part().glass();
            if (unit.part().kind() != PartKind.DISPLAY || glass == null || glass.resetMillis() == null) {
                continue;
            }
            List<Phase> phases = new ArrayList<>();
            int at = 0;
            phases.add(new Phase("after power or reset", at, at += glass.resetMillis()));
            if (glass.wakeMillis() != null) {
                phases.add(new Phase("after it is woken", at, at += glass.wakeMillis()));
            }
            if (glass.refreshMillis() != null) {
                phases.add(new Phase("until its first picture stands", at, at += glass.refreshMillis()));
            }
            all.add(new PowerUp(unit.name(), phases, unit.part().source(glass.source())));
        }
        all.sort(Comparator.comparingInt(PowerUp::readyMillis));
        return List.copyOf(all);
    }

    public int readyMillis() {
        return phases.get(phases.size() - 1).toMillis();
    }
}
