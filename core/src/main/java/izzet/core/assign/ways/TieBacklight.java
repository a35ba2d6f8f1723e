package izzet.core.assign.ways;

import izzet.core.assign.WayOut;
import izzet.core.calc.PreferredValues;
import izzet.core.calc.SeriesResistor;
import izzet.core.catalog.PartLine;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** A display's backlight always on: at a supply through its resistor, or left open where the module lights it then. */
public final class TieBacklight implements WayOut {

    private static final List<String> LIMITS = List.of("The backlight is always on and cannot be dimmed.");

    @Override
    public List<Change> changes(Circuit circuit) {
        List<Change> changes = new ArrayList<>();
        for (Wire wire : circuit.wires()) {
            boolean tied = wire.to().filter(Target::isRail).isPresent();
            if (wire.unit().part().glass() == null || tied) {
                continue;
            }
            if (wire.role() == Role.LAMP && wire.line().lamp() != null) {
                supply(circuit, wire.line().lamp())
                        .ifPresent(rail ->
                                changes.add(hang(wire, rail, circuit.board().ground())));
            } else if (wire.role() == Role.CONTROL && !wire.line().required() && wire.connected()) {
                changes.add(new Change(
                        "Leave " + wire.label() + " open",
                        new PlanEdit.Disconnect(wire.from()),
                        List.of(),
                        wire.line().note() == null
                                ? LIMITS
                                : List.of(wire.line().note())));
            }
        }
        return changes;
    }

    private static Optional<Rail> supply(Circuit circuit, PartLine.Lamp lamp) {
        return circuit.board().rails().stream()
                .filter(r -> r.gives() && r.volts() > lamp.forwardVolts())
                .min(Comparator.comparingDouble(Rail::volts));
    }

    private static Change hang(Wire wire, Rail rail, Rail ground) {
        PartLine.Lamp lamp = wire.line().lamp();
        double ohms = SeriesResistor.forLamp(
                        rail.volts(), lamp.forwardVolts(), lamp.typicalMilliamps() / 1000, PreferredValues.E12)
                .ohms();
        Rail end = wire.unit().part().cathode(wire.line().id()) ? ground : rail;
        return new Change(
                "Hang " + wire.label() + " on " + end.label() + " through " + Quantity.ohms(ohms),
                new PlanEdit.Connect(new Connection(wire.from(), Target.rail(end.id()), ohms, null)),
                List.of("one resistor of " + Quantity.ohms(ohms)),
                LIMITS);
    }
}
