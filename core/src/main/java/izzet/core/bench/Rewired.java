package izzet.core.bench;

import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.Target;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/** Plans with other wires, as faults need them. */
public final class Rewired {

    private Rewired() {}

    /** Each wire as a function makes it; null leaves it out. */
    public static Plan wires(Plan plan, UnaryOperator<Connection> change) {
        List<Connection> wires = plan.connections().stream()
                .flatMap(c -> Stream.ofNullable(change.apply(c)))
                .toList();
        return plan.withConnections(wires);
    }

    /** Each part as a function makes it. */
    public static Plan parts(Plan plan, UnaryOperator<PlacedPart> change) {
        return plan.withParts(plan.parts().stream().map(change).toList());
    }

    /** Wires of a part to pins of the board, in the order of its header. */
    public static List<Wire> signals(Circuit circuit, Unit unit) {
        return circuit.wiresOf(unit).stream()
                .filter(w -> w.connected() && w.to().filter(Target::isPin).isPresent())
                .toList();
    }

    /** Whether a part shows something. */
    public static boolean display(Unit unit) {
        return unit.part().glass() != null;
    }

    public static boolean of(Connection c, Target line) {
        return c.from().equals(line) || c.to().equals(line);
    }

    /** The same wire with its other end elsewhere. */
    public static Connection to(Connection c, Target line, Target other) {
        return new Connection(line, other, c.seriesOhms(), c.pull(), c.locked());
    }

    /** @param told part, strap and setting with commas between */
    public static Plan strapped(Plan plan, String told) {
        String[] ids = told.split(",");
        return parts(plan, p -> p.id().equals(ids[0]) ? p.withStrap(ids[1], ids[2]) : p);
    }
}
