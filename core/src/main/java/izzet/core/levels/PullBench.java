package izzet.core.levels;

import izzet.core.calc.PreferredValues;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.DcModel;
import izzet.core.circuit.Listener;
import izzet.core.circuit.Wire;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A resistor of a plan that gives a button or another passive line its rest, and the window that its value should stand in. Volts, ohms,
 * amperes.
 *
 * @param rail that it leads to, at {@code railVolts}
 * @param rest level while nothing is pressed
 * @param closed level while the contact is closed; null where the line has none
 * @param flows through the resistor meanwhile
 * @param least from which it wastes little, {@code most} up to which it still decides; infinite where others hold the line, too
 */
public record PullBench(
        Resistor resistor,
        Wire wire,
        Listener listener,
        Target rail,
        double railVolts,
        double rest,
        Double closed,
        double flows,
        double least,
        double most) {

    /** What an input may let through. */
    public static final double LEAK_AMPERES = 1e-6;

    /** What a pressed button should cost. */
    public static final double PRESSED_AMPERES = 1e-3;

    private static final double USUAL_OHMS = 10_000;

    public static final String SOURCE =
            "Common practice: an input lets through at most 1 µA, a pressed button wastes at most 1 mA; from memory";

    /** In the order of the plan; bus lines have their own window. */
    public static List<PullBench> of(Circuit circuit) {
        List<PullBench> all = new ArrayList<>();
        for (Resistor resistor : circuit.resistors()) {
            boolean down = resistor.to().isRail();
            Target rail = down ? resistor.to() : resistor.from();
            Target end = down ? resistor.from() : resistor.to();
            if (!rail.isRail() || end.isRail()) {
                continue;
            }
            circuit.netOf(end)
                    .flatMap(net -> net.wires().stream()
                            .filter(w -> w.role() == Role.SIGNAL || w.role() == Role.TERMINAL)
                            .findFirst())
                    .flatMap(wire -> Listener.of(circuit, wire).flatMap(l -> of(circuit, resistor, rail, wire, l)))
                    .ifPresent(all::add);
        }
        return all;
    }

    private static Optional<PullBench> of(
            Circuit circuit, Resistor resistor, Target rail, Wire wire, Listener listener) {
        DcModel dc = circuit.dc();
        int node = dc.node(listener.end());
        Optional<DcModel.Piece> piece = dc.pieceAt(node);
        Optional<Double> volts = circuit.board().rail(rail.name()).map(Rail::volts);
        // Lamps bend the line on which the window is reckoned.
        if (piece.isEmpty()
                || volts.isEmpty()
                || !piece.get().of(DcModel.Lamp.class).isEmpty()) {
            return Optional.empty();
        }
        DcModel.Point point = dc.at(piece.get(), new DcModel.State());
        if (!point.holds(node)) {
            return Optional.empty();
        }
        double rest = point.volts(node);
        Double closed = null;
        double flows = 0;
        for (DcModel.Contact contact : piece.get().of(DcModel.Contact.class)) {
            double level =
                    dc.at(piece.get(), new DcModel.State().close(contact, true)).volts(node);
            double through = Math.abs(level - volts.get()) / resistor.ohms();
            if (closed == null || through > flows) {
                closed = level;
                flows = through;
            }
        }
        double others = 1 / point.ohmsAt(node) - 1 / resistor.ohms();
        double current = rest / point.ohmsAt(node) - volts.get() / resistor.ohms();
        boolean up = volts.get() > (listener.low() + listener.high()) / 2;
        double need = up ? listener.high() : listener.low();
        // What the line's other resistors and its leak draw at the level that must be reached, from the rail's side.
        double draw = (need * others - current) * (up ? 1 : -1) + LEAK_AMPERES;
        double room = Math.abs(volts.get() - need);
        return Optional.of(new PullBench(
                resistor,
                wire,
                listener,
                rail,
                volts.get(),
                rest,
                closed,
                flows,
                closed == null ? 0 : Math.abs(closed - volts.get()) / PRESSED_AMPERES,
                draw <= 0 ? Double.POSITIVE_INFINITY : room / draw));
    }

    /** Whether it pulls up. */
    public boolean up() {
        return railVolts > (listener.low() + listener.high()) / 2;
    }

    public boolean fine() {
        return resistor.ohms() >= least && resistor.ohms() <= most;
    }

    /** The usual value where the window has it, else one inside; empty where the window is shut. */
    public Optional<Double> wanted(PreferredValues series) {
        if (USUAL_OHMS >= least && USUAL_OHMS <= most) {
            return Optional.of(USUAL_OHMS);
        }
        double ohms = series.nextUp(Math.max(1, Math.min(least, most)));
        return ohms >= least && ohms <= most ? Optional.of(ohms) : Optional.empty();
    }
}
