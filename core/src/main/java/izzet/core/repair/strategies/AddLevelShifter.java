package izzet.core.repair.strategies;

import izzet.core.catalog.Part;
import izzet.core.catalog.PartLine;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.JoinedNet;
import izzet.core.circuit.Net;
import izzet.core.circuit.Reaches;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Puts a two-way shifter between the board and the parts of a 2-wire bus whose level does not fit. */
public final class AddLevelShifter implements RepairStrategy {

    @Override
    public String name() {
        return "level-shifter";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.LEVEL_MISS, Trouble.OVER_VOLTAGE, Trouble.PULL_UPS);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        Set<Net> nets = new LinkedHashSet<>();
        finding.places().stream()
                .filter(p -> p.kind().equals("pin"))
                .flatMap(p -> circuit.netOf(Target.pin(p.id())).stream())
                .forEach(nets::add);
        Spots.wires(circuit, finding).forEach(w -> w.net().ifPresent(nets::add));
        Optional<Bus> bus = circuit.joinedNets().stream()
                .filter(j -> j.sides().get(0).stream().anyMatch(nets::contains))
                .map(JoinedNet::bus)
                .findFirst();
        return bus.stream()
                .flatMap(b -> circuit.catalog().parts().values().stream()
                        .filter(p ->
                                p.shifts().size() >= 2 && p.shifts().stream().allMatch(p::twoWay))
                        .flatMap(p -> candidate(circuit, b, p).stream()))
                .toList();
    }

    /** All parts of the trunk that do not live at the board's own level go behind the shifter. */
    private static Optional<Candidate> candidate(Circuit circuit, Bus bus, Part part) {
        double board = circuit.board().logicVolts();
        Map<Boolean, List<Wire>> byLevel = circuit.wires().stream()
                .filter(w -> w.role().i2c() && bus.id().equals(w.unit().placed().bus()))
                .filter(w -> w.net().filter(n -> !n.pins().isEmpty()).isPresent())
                .collect(java.util.stream.Collectors.partitioningBy(w -> level(circuit, w) == board));
        List<Wire> foreign = byLevel.get(false);
        Optional<Pin> sda = pin(circuit, foreign, Role.I2C_SDA);
        Optional<Pin> scl = pin(circuit, foreign, Role.I2C_SCL);
        if (sda.isEmpty() || scl.isEmpty()) {
            return Optional.empty();
        }
        boolean boardIsHigh =
                foreign.stream().mapToDouble(w -> level(circuit, w)).max().orElse(board) < board;
        String id = circuit.plan().freeId("shifter");
        List<PlanEdit> edits = Spots.list(new PlanEdit.AddPart(new PlacedPart(
                id,
                part.id(),
                part.version(),
                "Level shifter",
                part.interfaces().get(0).id(),
                Map.of(),
                null,
                null)));
        for (PartLine line : part.lines()) {
            if (line.role() == Role.GROUND) {
                edits.add(new PlanEdit.Connect(
                        Target.line(id, line.id()),
                        Target.rail(circuit.board().ground().id())));
            } else if (line.role() == Role.SUPPLY) {
                circuit.board().rails().stream()
                        .filter(r -> r.gives() && r.volts() >= line.minVolts() && r.volts() <= line.maxVolts())
                        .max(Comparator.comparingDouble(r -> r.volts()))
                        .ifPresent(
                                r -> edits.add(new PlanEdit.Connect(Target.line(id, line.id()), Target.rail(r.id()))));
            }
        }
        List<Pin> pins = List.of(sda.get(), scl.get());
        for (int i = 0; i < 2; i++) {
            Part.Shift shift = part.shifts().get(i);
            String near = boardIsHigh ? shift.high() : shift.low();
            String far = boardIsHigh ? shift.low() : shift.high();
            Role role = i == 0 ? Role.I2C_SDA : Role.I2C_SCL;
            edits.add(new PlanEdit.Connect(
                    Target.line(id, near), Target.pin(pins.get(i).id())));
            foreign.stream()
                    .filter(w -> w.role() == role)
                    .forEach(w -> edits.add(new PlanEdit.Connect(w.from(), Target.line(id, far))));
        }
        List<String> names = new ArrayList<>(
                new LinkedHashSet<>(foreign.stream().map(w -> w.unit().name()).toList()));
        String title = "Put a two-way level shifter between the board and " + String.join(", ", names);
        return Optional.of(new Candidate(
                part.id(),
                title,
                Spots.all(title, edits),
                List.of(part.purchase()),
                List.of("Up to about 400 kHz."),
                List.of()));
    }

    private static double level(Circuit circuit, Wire wire) {
        Unit unit = wire.unit();
        return circuit.pullUpsOf(unit).stream()
                .filter(p -> p.lines().contains(wire.line().id()))
                .flatMap(p -> circuit.pullUpVolts(unit, p).stream())
                .findFirst()
                .or(() -> circuit.logicVolts(unit, wire.line()))
                .orElse(circuit.board().logicVolts());
    }

    private static Optional<Pin> pin(Circuit circuit, List<Wire> wires, Role role) {
        return wires.stream()
                .filter(w -> w.role() == role)
                .flatMap(w -> circuit.reach(w.from()).stream())
                .map(Reaches.Reach::pin)
                .findFirst();
    }
}
