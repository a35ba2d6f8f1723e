package izzet.core.repair.strategies;

import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Moves one of the clashing parts to an empty channel of a bus switch that the plan has already. */
public final class FreeChannel implements RepairStrategy {

    private static final int MOST_PER_PART = 1;

    @Override
    public String name() {
        return "free-channel";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.ADDRESS_CLASH, Trouble.SEGMENT_CLASH);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        List<Unit> units = new ArrayList<>(Spots.units(circuit, finding));
        Collections.reverse(units);
        List<Candidate> found = new ArrayList<>();
        for (Unit unit : units) {
            circuit.units().stream()
                    .filter(s -> s.part().busSwitch() != null && s != unit)
                    .filter(s -> s.placed().bus() != null
                            && s.placed().bus().equals(unit.placed().bus()))
                    .flatMap(s -> s.part().busSwitch().channels().stream()
                            .filter(c ->
                                    circuit.netOf(Target.line(s.id(), c.sda())).isEmpty()
                                            && circuit.netOf(Target.line(s.id(), c.scl()))
                                                    .isEmpty())
                            .limit(MOST_PER_PART)
                            .flatMap(c -> candidate(circuit, unit, s, c).stream()))
                    .forEach(found::add);
        }
        return found;
    }

    private static Optional<Candidate> candidate(
            Circuit circuit, Unit unit, Unit through, Part.BusSwitch.Channel channel) {
        Optional<Wire> sda = circuit.wire(unit, Role.I2C_SDA);
        Optional<Wire> scl = circuit.wire(unit, Role.I2C_SCL);
        if (sda.isEmpty() || scl.isEmpty()) {
            return Optional.empty();
        }
        int number = through.part().busSwitch().channels().indexOf(channel);
        String title = "Move " + unit.name() + " to channel " + number + " of " + through.name();
        return Optional.of(Candidate.coded(
                unit.id() + "-" + through.id() + "-" + number,
                title,
                Spots.all(
                        title,
                        List.of(
                                new PlanEdit.Connect(sda.get().from(), Target.line(through.id(), channel.sda())),
                                new PlanEdit.Connect(scl.get().from(), Target.line(through.id(), channel.scl())))),
                "channel of " + unit.name() + ": " + number + " of " + through.name()));
    }
}
