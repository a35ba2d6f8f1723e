package izzet.core.repair.strategies;

import izzet.core.catalog.Part;
import izzet.core.catalog.PartLine;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Rest;
import izzet.core.catalog.Role;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.quantity.Counts;
import izzet.core.quantity.Hex;
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

/** Puts each of the clashing parts on a channel of a bus switch. */
public final class AddBusSwitch implements RepairStrategy {

    @Override
    public String name() {
        return "bus-switch";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.ADDRESS_CLASH);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        List<Unit> units = Spots.units(circuit, finding).stream()
                .filter(u -> u.part().busSwitch() == null)
                .toList();
        if (units.size() < 2) {
            return List.of();
        }
        return circuit.catalog().parts().values().stream()
                .filter(p -> p.busSwitch() != null && p.busSwitch().channels().size() >= units.size())
                // The smallest that suffices.
                .min(Comparator.comparingInt(p -> p.busSwitch().channels().size()))
                .stream()
                .flatMap(p -> candidate(circuit, units, p).stream())
                .toList();
    }

    private static Optional<Candidate> candidate(Circuit circuit, List<Unit> units, Part part) {
        Unit first = units.get(0);
        Optional<Pin> sda = Spots.pin(circuit, first, Role.I2C_SDA);
        Optional<Pin> scl = Spots.pin(circuit, first, Role.I2C_SCL);
        Optional<Integer> address = freeAddress(circuit, part);
        if (sda.isEmpty() || scl.isEmpty() || address.isEmpty()) {
            return Optional.empty();
        }
        String bus = first.placed().bus();
        Rail rail = Spots.railOfBus(circuit, bus);
        String id = circuit.plan().freeId("switch");
        List<PlanEdit> edits = Spots.list(new PlanEdit.AddPart(new PlacedPart(
                id,
                part.id(),
                part.version(),
                "Bus switch",
                part.interfaces().get(0).id(),
                Map.of(),
                bus,
                null)));
        for (PartLine line : part.lines()) {
            destination(circuit, part, line, rail, sda.get(), scl.get(), address.get())
                    .ifPresent(to -> edits.add(new PlanEdit.Connect(Target.line(id, line.id()), to)));
        }
        for (int i = 0; i < units.size(); i++) {
            Part.BusSwitch.Channel channel = part.busSwitch().channels().get(i);
            edits.add(connect(circuit, units.get(i), Role.I2C_SDA, Target.line(id, channel.sda())));
            edits.add(connect(circuit, units.get(i), Role.I2C_SCL, Target.line(id, channel.scl())));
        }
        Spots.pullUpTrunk(edits, circuit.plan(), circuit.catalog(), bus, rail);
        List<String> buy = new ArrayList<>(List.of(part.purchase()));
        long resistors = Spots.resistorsIn(edits);
        if (resistors > 0) {
            buy.add(Counts.of(resistors, "resistor") + " of 4.7 kΩ");
        }
        String names = units.stream().map(Unit::name).collect(Listed.and());
        String title = "Put " + names + " on channels of a bus switch at " + Hex.of(address.get());
        return Optional.of(new Candidate(
                part.id(),
                title,
                Spots.all(title, edits),
                buy,
                List.of("One more transfer before each change of display."),
                List.of(
                        "write 1 << channel to " + Hex.of(address.get()) + " before speaking to a display",
                        "set up each display on its own channel")));
    }

    private static Optional<Target> destination(
            Circuit circuit, Part part, PartLine line, Rail rail, Pin sda, Pin scl, int address) {
        Target ground = Target.rail(circuit.board().ground().id());
        Target supply = Target.rail(rail.id());
        return switch (line.role()) {
            case SUPPLY -> Optional.of(supply);
            case GROUND -> Optional.of(ground);
            case RESET -> Optional.of(line.rest() == Rest.SUPPLY ? supply : ground);
            case I2C_SDA -> Optional.of(Target.pin(sda.id()));
            case I2C_SCL -> Optional.of(Target.pin(scl.id()));
            case ADDRESS ->
                Optional.of((address - part.i2c().baseAddress() & line.addressBit()) != 0 ? supply : ground);
            default -> Optional.empty();
        };
    }

    private static Optional<Integer> freeAddress(Circuit circuit, Part part) {
        Set<Integer> taken = circuit.units().stream()
                .flatMap(u -> circuit.addressOf(u).stream())
                .collect(Collectors.toSet());
        int bits = part.lines().stream()
                .filter(l -> l.role() == Role.ADDRESS)
                .mapToInt(PartLine::addressBit)
                .sum();
        for (int i = 0; i <= bits; i++) {
            if (!taken.contains(part.i2c().baseAddress() + i)) {
                return Optional.of(part.i2c().baseAddress() + i);
            }
        }
        return Optional.empty();
    }

    static PlanEdit connect(Circuit circuit, Unit unit, Role role, Target to) {
        return new PlanEdit.Connect(circuit.wire(unit, role).orElseThrow().from(), to);
    }
}
