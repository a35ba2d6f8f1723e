package izzet.core.edit;

import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.quantity.Quantity;
import java.util.List;
import java.util.Optional;

/** What is done to one line. */
public final class LineEdits {

    private LineEdits() {}

    /**
     * A line goes to a pin, a rail or another part's line; what is not named stays as it was.
     *
     * @param seriesOhms null to leave the resistor, empty to take it out
     * @param pull null to leave the pin's own resistor, empty to switch it off
     */
    public static PlanEdit tie(Plan plan, Target line, Target to, Optional<Double> seriesOhms, Optional<String> pull) {
        Optional<Connection> old = plan.connection(line);
        return new PlanEdit.Connect(new Connection(
                line,
                to,
                seriesOhms == null ? old.map(Connection::seriesOhms).orElse(null) : seriesOhms.orElse(null),
                pull == null ? old.map(Connection::pull).orElse(null) : pull.orElse(null),
                old.map(Connection::locked).orElse(null)));
    }

    /**
     * Locks a line where it is, or unlocks it.
     *
     * @throws PlanEdit.EditRefused when it is not connected
     */
    public static PlanEdit lock(Plan plan, Target line) {
        Connection wire = plan.connection(line)
                .orElseThrow(() -> new PlanEdit.EditRefused("'" + line + "' is not connected; connect it first."));
        String done = (wire.staysPut() ? "unlocked " : "locked ") + line;
        return new PlanEdit.Together(done, List.of(new PlanEdit.Connect(wire.withLock(!wire.staysPut()))));
    }

    /**
     * Puts a resistor into the wire at an end, from whichever side it was drawn.
     *
     * @throws PlanEdit.EditRefused when nothing is connected there
     */
    public static PlanEdit inSeries(Plan plan, Target end, double ohms) {
        Connection wire = plan.connections().stream()
                .filter(c -> c.from().equals(end) || c.to().equals(end))
                .findFirst()
                .orElseThrow(() -> new PlanEdit.EditRefused("'" + end + "' is not connected; connect it first."));
        return new PlanEdit.Together(
                "put " + Quantity.ohms(ohms) + " in series with " + end,
                List.of(new PlanEdit.Connect(
                        new Connection(wire.from(), wire.to(), ohms, wire.pull(), wire.locked()))));
    }
}
