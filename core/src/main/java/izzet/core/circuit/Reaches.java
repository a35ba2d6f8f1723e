package izzet.core.circuit;

import izzet.core.catalog.Pin;
import izzet.core.plan.Target;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/** Where lines end on the board. */
public final class Reaches {

    private final Circuit circuit;

    Reaches(Circuit circuit) {
        this.circuit = circuit;
    }

    /**
     * The board's pin that a line ends at, through helpers where there are any.
     *
     * @param via the helper next to the line; null when wires alone lead there
     */
    public record Reach(Pin pin, Unit via) {}

    /** Empty when no pin is reached. */
    Optional<Reach> of(Target end) {
        return reach(end, null, new HashSet<>());
    }

    private Optional<Reach> reach(Target end, Unit via, Set<Net> seen) {
        Optional<Net> net = circuit.netOf(end);
        if (net.isEmpty() || !seen.add(net.get())) {
            return Optional.empty();
        }
        if (!net.get().pins().isEmpty()) {
            return Optional.of(new Reach(net.get().pins().get(0), via));
        }
        for (Wire wire : net.get().wires()) {
            Optional<Segments.Upstream> up = circuit.upstream(wire);
            if (up.isPresent() && !up.get().line().equals(end)) {
                Unit first = via == null ? wire.unit() : via;
                Optional<Reach> found = reach(up.get().line(), first, seen);
                if (found.isPresent()) {
                    return found;
                }
            }
        }
        return Optional.empty();
    }
}
