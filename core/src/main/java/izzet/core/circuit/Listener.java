package izzet.core.circuit;

import izzet.core.catalog.Direction;
import izzet.core.catalog.LogicLevels;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.catalog.Role;
import izzet.core.plan.Target;
import java.util.Optional;

/**
 * Who reads a button or another passive line: a pin of the board, or a line of an expander.
 *
 * @param low volts up to which it reads low, {@code high} from which it reads high
 */
public record Listener(Target end, String label, double low, double high) {

    /** Empty where nobody does, or where the line holds the board's reset. */
    public static Optional<Listener> of(Circuit circuit, Wire wire) {
        Optional<Net> net = wire.net();
        if (net.isEmpty()) {
            return Optional.empty();
        }
        for (Pin pin : net.get().pins()) {
            if (pin.can(PinFunction.BOARD_RESET)) {
                return Optional.empty();
            }
            LogicLevels levels = circuit.board().levelsOf("port");
            double supply = circuit.board().logicVolts();
            return Optional.of(new Listener(
                    Target.pin(pin.id()),
                    "pin " + pin.label(),
                    levels.vil().at(supply),
                    levels.vih().at(supply)));
        }
        for (Wire port : net.get().wires()) {
            LogicLevels levels = port.unit().part().levels().get(port.line().levels());
            Optional<Double> supply = circuit.logicVolts(port.unit(), port.line());
            if (port.role() == Role.PORT
                    && port.line().direction() == Direction.BOTH
                    && levels != null
                    && levels.vil() != null
                    && supply.isPresent()) {
                return Optional.of(new Listener(
                        port.from(),
                        port.label(),
                        levels.vil().at(supply.get()),
                        levels.vih().at(supply.get())));
            }
        }
        return Optional.empty();
    }
}
