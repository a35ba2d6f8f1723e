package izzet.core.repair.strategies;

import izzet.core.assign.Proposal;
import izzet.core.catalog.Part;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.quantity.Listed;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Gives the clock to one of the clashing parts at a time through a decoder; the data line stays shared. */
public final class AddClockGate implements RepairStrategy {

    private static final int FOUR = 4;

    @Override
    public String name() {
        return "clock-gate";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.ADDRESS_CLASH);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        List<Unit> units = Spots.units(circuit, finding);
        if (units.size() < 2 || units.stream().anyMatch(u -> u.part().i2c().stretchesClock())) {
            return List.of();
        }
        return circuit.catalog().parts().values().stream()
                .filter(p -> p.clockGates().size() == 1
                        && p.clockGates().get(0).outputs().size() >= units.size())
                // The smallest that suffices.
                // One with two outputs only is no better than one with four: it has no place to park.
                .min(Comparator.comparingInt((Part p) ->
                                Math.max(FOUR, p.clockGates().get(0).outputs().size()))
                        .thenComparing(Part::id))
                .stream()
                .flatMap(p -> candidate(circuit, units, p).stream())
                .toList();
    }

    private static Optional<Candidate> candidate(Circuit circuit, List<Unit> units, Part part) {
        Unit first = units.get(0);
        Optional<Pin> scl = Spots.pin(circuit, first, Role.I2C_SCL);
        if (scl.isEmpty()) {
            return Optional.empty();
        }
        String bus = first.placed().bus();
        String id = circuit.plan().freeId("gate");
        Part.ClockGate gate = part.clockGates().get(0);
        Target ground = Target.rail(circuit.board().ground().id());
        List<PlanEdit> edits = Spots.list(new PlanEdit.AddPart(new PlacedPart(
                id,
                part.id(),
                part.version(),
                "Clock gate",
                part.interfaces().get(0).id(),
                Map.of(),
                bus,
                null)));
        edits.add(new PlanEdit.Connect(
                Target.line(id, gate.clock()), Target.pin(scl.get().id())));
        for (int bit = 0; bit < gate.selects().size(); bit++) {
            boolean needed = units.size() > 1 << bit;
            if (!needed) {
                edits.add(new PlanEdit.Connect(Target.line(id, gate.selects().get(bit)), ground));
            }
        }
        for (int i = 0; i < units.size(); i++) {
            edits.add(AddBusSwitch.connect(
                    circuit,
                    units.get(i),
                    Role.I2C_SCL,
                    Target.line(id, gate.outputs().get(i))));
        }
        Plan sofar = Spots.all("", edits).apply(circuit.plan());
        // Second select and the unused half: the proposal ties what rests, and finds pins for what is left.
        List<PlanEdit> selects = new ArrayList<>();
        Circuit on = new Circuit(sofar, circuit.catalog());
        List<Pin> pins = new ArrayList<>();
        for (String select : gate.selects()) {
            Target from = Target.line(id, select);
            if (on.netOf(from).isEmpty()) {
                Optional<Pin> pin = on.freePins().stream()
                        .filter(p -> !pins.contains(p) && p.can("digital-out"))
                        .min(Comparator.comparingInt(
                                p -> p.functions().size() + 10 * p.duties().size()));
                if (pin.isEmpty()) {
                    return Optional.empty();
                }
                pins.add(pin.get());
                selects.add(new PlanEdit.Connect(from, Target.pin(pin.get().id())));
            }
        }
        edits.addAll(selects);
        Plan selected = Spots.all("", selects).apply(sofar);
        edits.add(Proposal.of(selected, circuit.catalog(), id).edit());
        Rail rail = Spots.railOfBus(circuit, bus);
        Spots.pullUpTrunk(edits, circuit.plan(), circuit.catalog(), bus, rail);
        List<String> buy = new ArrayList<>(List.of(part.purchase()));
        if (Spots.resistorsIn(edits) > 0) {
            buy.add(Spots.resistorsIn(edits) + " resistor of 4.7 kΩ");
        }
        String names = units.stream().map(Unit::name).collect(Listed.and());
        String on2 = pins.stream().map(Pin::label).collect(Collectors.joining(", "));
        String title = "Gate the clock to " + names + " with a decoder, select on " + on2;
        return Optional.of(new Candidate(
                part.id(),
                title,
                Spots.all(title, edits),
                buy,
                List.of(
                        "The clock becomes one-way: no part behind it may hold it low, and no second controller may use the bus.",
                        "Change the select only while the bus is idle.",
                        "At most " + gate.outputs().size() + " parts."),
                List.of("set pin " + on2 + " before speaking to a display", "set up each display on its own")));
    }
}
