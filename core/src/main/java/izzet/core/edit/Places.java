package izzet.core.edit;

import izzet.core.catalog.Board;
import izzet.core.catalog.Direction;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Sharing;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Where a line may go, and what may be set on it there. */
public final class Places {

    private Places() {}

    /** A place on the board, with its name as printed. */
    public record Place(Target target, String label) {}

    /**
     * Free pins that can do what the line needs, pins that it may share, and the supplies that it may be tied to.
     *
     * @param now where it is; a pin that it is on counts as free
     */
    public static List<Place> of(Circuit circuit, Wire wire, Optional<Target> now) {
        List<Place> places = new ArrayList<>();
        if (LegalPins.wantsPin(wire)) {
            for (Pin pin : LegalPins.of(circuit, wire)) {
                Target target = Target.pin(pin.id());
                if (!taken(circuit, wire, pin) || now.filter(target::equals).isPresent()) {
                    places.add(new Place(target, pin.label()));
                }
            }
        }
        if (takesRail(wire)) {
            circuit.board().rails().stream()
                    .filter(r -> r.gives() && suits(wire, r))
                    .forEach(r -> places.add(new Place(Target.rail(r.id()), r.label())));
        }
        return places;
    }

    private static boolean taken(Circuit circuit, Wire wire, Pin pin) {
        List<Wire> others = circuit.usersOf(pin).stream().filter(w -> w != wire).toList();
        boolean shared = wire.role().bus() && others.stream().allMatch(w -> Sharing.may(wire, w))
                || wire.role() == Role.SHIFT
                        && others.stream().allMatch(w -> w.role().bus());
        return !shared && !others.isEmpty();
    }

    /** Supplies, and lines that may rest at a level: a select or a reset can be tied, a backlight hung on a supply. */
    private static boolean takesRail(Wire wire) {
        return wire.role().power()
                || wire.role() == Role.LAMP
                || wire.role() == Role.CONTRAST
                || wire.line().direction() == Direction.IN && !wire.role().bus();
    }

    private static boolean suits(Wire wire, Rail rail) {
        return switch (wire.role()) {
            case SUPPLY, LAMP -> !rail.ground();
            case GROUND, RETURN, CONTRAST -> rail.ground();
            default -> true;
        };
    }

    /** Lines of other parts that it could hang on. */
    public static List<Target> helpers(Circuit circuit, Wire wire) {
        return LegalPins.helpersFor(circuit, wire).stream().map(Wire::from).toList();
    }

    /** Whether a series resistor is at home here. */
    public static boolean asksSeries(Wire wire) {
        boolean has = wire.connected() && wire.connection().seriesOhms() != null;
        return has || wire.role() == Role.LAMP || wire.role() == Role.CONTRAST;
    }

    /**
     * Resistors of the pin that a program could switch on for a contact: what the pin has, or the board where the line has no pin yet; and
     * what is switched on, were it wrong.
     */
    public static List<String> pulls(Circuit circuit, Wire wire) {
        boolean contact = wire.role() == Role.SIGNAL && wire.line().direction() == Direction.PASSIVE;
        String now = wire.connected() ? wire.connection().pull() : null;
        if (!contact && now == null) {
            return List.of();
        }
        Board board = circuit.board();
        Optional<Pin> pin = wire.to().filter(Target::isPin).flatMap(t -> board.pin(t.name()));
        List<String> pulls = new ArrayList<>();
        for (String pull : List.of(Connection.INTERNAL_UP, Connection.INTERNAL_DOWN)) {
            boolean up = pull.equals(Connection.INTERNAL_UP);
            boolean has = pin.map(p -> board.pullOhms(p, up).isPresent()).orElseGet(() -> board.signalPins().stream()
                    .anyMatch(p -> board.pullOhms(p, up).isPresent()));
            if (has || pull.equals(now)) {
                pulls.add(pull);
            }
        }
        return pulls;
    }
}
