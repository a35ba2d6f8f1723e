package izzet.core.repair.strategies;

import izzet.core.assign.Proposal;
import izzet.core.assign.WayOut;
import izzet.core.catalog.BusKind;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.discovery.Discovery;
import izzet.core.plan.Bus;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanChecks;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Lets the program make a 2-wire bus on free pins where something else needs the controller's, if need be after one of the ways out of a full
 * board.
 */
public final class BusByProgram implements RepairStrategy {

    private static final int MADE_HZ = 100_000;
    private static final int MOST = 4;

    private final List<WayOut> kinds = Discovery.instances(WayOut.class, WayOut.class.getPackageName() + ".ways");

    @Override
    public String name() {
        return "bus-by-program";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.SHARED_PIN, Trouble.PIN_FUNCTION);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        Set<Bus> buses = new LinkedHashSet<>();
        for (Wire wire : Spots.wires(circuit, finding)) {
            if (wire.role().i2c()) {
                circuit.busOf(wire.unit())
                        .filter(b -> b.kind() == BusKind.I2C && !b.bitBanged())
                        .ifPresent(buses::add);
            }
        }
        List<Candidate> found = new ArrayList<>();
        for (Bus bus : buses) {
            WayOut.Change nothing = new WayOut.Change("", new PlanEdit.Together("", List.of()), List.of(), List.of());
            candidate(circuit, bus, nothing).ifPresent(found::add);
            for (WayOut kind : found.isEmpty() ? kinds : List.<WayOut>of()) {
                for (WayOut.Change change : kind.changes(circuit)) {
                    if (found.size() < MOST) {
                        candidate(circuit, bus, change).ifPresent(found::add);
                    }
                }
            }
        }
        return found;
    }

    /** Empty where its lines find no pins. */
    private static Optional<Candidate> candidate(Circuit circuit, Bus bus, WayOut.Change before) {
        try {
            Bus made = new Bus(bus.id(), bus.kind(), bus.name(), null, Math.min(bus.clockHz(), MADE_HZ));
            List<PlanEdit> edits = Spots.list(before.edit(), new PlanEdit.PutBus(made));
            circuit.wires().stream()
                    .filter(w -> w.role().i2c()
                            && bus.id().equals(w.unit().placed().bus())
                            && w.to().filter(Target::isPin).isPresent())
                    .forEach(w -> edits.add(new PlanEdit.Disconnect(w.from())));
            Plan freed = Spots.all("", edits).apply(circuit.plan());
            if (!PlanChecks.of(freed, circuit.catalog()).isEmpty()) {
                return Optional.empty();
            }
            Proposal proposal = Proposal.of(freed, circuit.catalog());
            if (!proposal.left().isEmpty()) {
                return Optional.empty();
            }
            edits.add(proposal.edit());
            String title = (before.title().isEmpty() ? "Make " : before.title() + ", and make ") + bus.name()
                    + " in the program, on free pins";
            List<String> limits = new ArrayList<>(before.limits());
            limits.add("The program makes the clock itself: slower, and it is busy while it does.");
            return Optional.of(new Candidate(
                    bus.id() + "-" + before.title().replaceAll("[^A-Za-z0-9]+", "-"),
                    title,
                    Spots.all(title, edits),
                    before.buy(),
                    limits,
                    List.of(bus.name() + ": made by the program, on other pins")));
        } catch (PlanEdit.EditRefused e) {
            return Optional.empty();
        }
    }
}
