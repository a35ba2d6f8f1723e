package izzet.core.circuit;

import izzet.core.catalog.BootGrade;
import izzet.core.catalog.DutyKind;
import izzet.core.catalog.LogicLevels;
import izzet.core.catalog.Pin;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The level that a boot pin has while the board starts: everything released, contacts open, the pins' resistors of the reset at work. */
public final class BootLevel {

    /**
     * A boot pin at a level that it must not have.
     *
     * @param volts at the pin; empty where nothing holds it
     * @param wanted {@code high} or {@code low}
     * @param limit that the pin must reach for it
     */
    public record Wrong(Pin pin, Pin.Duty duty, Optional<Double> volts, String wanted, double limit) {

        public BootGrade grade() {
            return duty.grade() == null ? BootGrade.KILLS_START : duty.grade();
        }
    }

    private BootLevel() {}

    /** Empty where the pin has no boot duty, nothing on it, or its level. */
    public static Optional<Wrong> of(Circuit circuit, Pin pin) {
        Pin.Duty duty = pin.duty(DutyKind.BOOT).filter(d -> d.level() != null).orElse(null);
        DcModel dc = circuit.dc();
        int node = dc.node(Target.pin(pin.id()));
        if (duty == null || node < 0) {
            return Optional.empty();
        }
        LogicLevels levels = circuit.board().levelsOf("port");
        boolean high = duty.level().equals("high");
        double limit = (high ? levels.vih() : levels.vil()).at(circuit.board().logicVolts());
        Optional<Double> volts = dc.held(node);
        if (volts.isEmpty()) {
            DcModel.Point point = dc.at(dc.pieceAt(node).orElseThrow(), new DcModel.State().atReset());
            volts = point.holds(node) ? Optional.of(point.volts(node)) : Optional.empty();
        }
        // A pin that nothing holds, and that has no resistor of its own, is no doing of the plan.
        boolean right = volts.map(v -> high ? v >= limit : v <= limit).orElse(true);
        return right ? Optional.empty() : Optional.of(new Wrong(pin, duty, volts, duty.level(), limit));
    }

    /** Whether the board would not start, were this line on that pin. */
    public static boolean kills(Circuit circuit, Wire wire, Pin pin) {
        if (pin.duty(DutyKind.BOOT)
                .filter(d -> d.level() != null && d.grade() != BootGrade.HARMLESS)
                .isEmpty()) {
            return false;
        }
        return of(alone(circuit, wire, pin), pin)
                .filter(w -> w.grade() != BootGrade.HARMLESS)
                .isPresent();
    }

    /** The part of a line by itself, with its supplies, the line on the pin and what pulls it: searches ask this for many places. */
    private static Circuit alone(Circuit circuit, Wire wire, Pin pin) {
        List<Connection> connections = new ArrayList<>();
        circuit.connections().stream()
                .filter(c -> c.from().owner().equals(wire.unit().id())
                        && c.to().isRail()
                        && !c.from().equals(wire.from()))
                .forEach(connections::add);
        connections.add(Connection.wire(wire.from(), Target.pin(pin.id())));
        List<Resistor> resistors = circuit.resistors().stream()
                .filter(r -> r.from().equals(wire.from()) && r.to().isRail()
                        || r.to().equals(wire.from()) && r.from().isRail())
                .toList();
        Plan plan = circuit.plan();
        return new Circuit(
                new Plan(
                        plan.format(),
                        plan.version(),
                        plan.name(),
                        plan.board(),
                        plan.boardVersion(),
                        null,
                        null,
                        plan.consoleOff(),
                        List.of(wire.unit().placed()),
                        plan.buses(),
                        connections,
                        resistors),
                circuit.catalog());
    }
}
