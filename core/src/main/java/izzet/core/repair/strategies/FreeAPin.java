package izzet.core.repair.strategies;

import izzet.core.assign.WayOut;
import izzet.core.catalog.Pin;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.BootLevel;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Wire;
import izzet.core.discovery.Discovery;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanChecks;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Frees a pin by one of the ways out of a full board, and moves a line there whose pin the board needs itself or shares wrongly. Only where
 * no pin is free that would do.
 */
public final class FreeAPin implements RepairStrategy {

    private static final int MOST = 6;

    private final List<WayOut> kinds = Discovery.instances(WayOut.class, WayOut.class.getPackageName() + ".ways");

    @Override
    public String name() {
        return "free-a-pin";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.RESERVED_PIN, Trouble.SHARED_PIN);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        List<Wire> wires = Spots.wires(circuit, finding);
        if (wires.isEmpty()) {
            return List.of();
        }
        Wire wire = wires.get(wires.size() - 1);
        if (free(circuit, wire).isPresent()) {
            return List.of();
        }
        List<Candidate> found = new ArrayList<>();
        for (WayOut kind : kinds) {
            for (WayOut.Change change : kind.changes(circuit)) {
                if (found.size() < MOST) {
                    candidate(circuit, wire, change).ifPresent(found::add);
                }
            }
        }
        return found;
    }

    private static Optional<Pin> free(Circuit circuit, Wire wire) {
        return LegalPins.of(circuit, wire).stream()
                .filter(p -> circuit.usersOf(p).isEmpty() && p.duties().isEmpty() && !BootLevel.kills(circuit, wire, p))
                .min(Comparator.comparingInt(p -> p.functions().size()));
    }

    private static Optional<Candidate> candidate(Circuit circuit, Wire wire, WayOut.Change change) {
        try {
            Plan changed = change.edit().apply(circuit.plan());
            if (!PlanChecks.of(changed, circuit.catalog()).isEmpty()) {
                return Optional.empty();
            }
            Circuit then = new Circuit(changed, circuit.catalog());
            Optional<Wire> moved = then.wire(wire.from());
            if (moved.isEmpty()) {
                return Optional.empty();
            }
            Connection old = moved.get().connection();
            boolean away = old == null || !old.to().equals(wire.connection().to());
            if (away) {
                // The change itself took the line elsewhere.
                return Optional.of(new Candidate(
                        change.title().replaceAll("[^A-Za-z0-9]+", "-"),
                        change.title(),
                        change.edit(),
                        change.buy(),
                        change.limits(),
                        List.of()));
            }
            return free(then, moved.get()).map(pin -> {
                String title = change.title() + ", and move " + wire.label() + " to pin " + pin.label();
                PlanEdit move = new PlanEdit.Connect(
                        new Connection(wire.from(), Target.pin(pin.id()), old.seriesOhms(), old.pull()));
                return new Candidate(
                        change.title().replaceAll("[^A-Za-z0-9]+", "-"),
                        title,
                        Spots.all(title, List.of(change.edit(), move)),
                        change.buy(),
                        change.limits(),
                        List.of("pin of " + wire.label() + ": " + pin.label()));
            });
        } catch (PlanEdit.EditRefused e) {
            return Optional.empty();
        }
    }
}
