package izzet.core.check.rules.pins;

import izzet.core.catalog.Direction;
import izzet.core.catalog.ElementKind;
import izzet.core.catalog.PinFunction;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.DcModel;
import izzet.core.circuit.Listener;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.Target;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * P13: the line of a button, encoder or open-drain output rests at no level, or has the same level whatever is pressed. Passes: with the
 * board's own pull-up switched on; to the supply with a resistor to ground. Fails: a bare button on a pin, a pull-up switched on where the
 * pin has none, a button between two ends that are the same.
 */
public final class ButtonPullRule implements Rule {

    @Override
    public String id() {
        return "P13";
    }

    @Override
    public String subject() {
        return "buttons and open-drain lines rest at a level";
    }

    @Override
    public Trouble trouble() {
        return Trouble.NO_REST_LEVEL;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Wire wire : circuit.wires()) {
            if (!concerns(wire) && !otherEnd(circuit, wire) || wire.net().isEmpty()) {
                continue;
            }
            Optional<Listener> listener = Listener.of(circuit, wire);
            if (listener.isPresent()) {
                findings.looked(this);
                judge(circuit, findings, wire, listener.get());
            }
        }
    }

    /** The other end of a contact, where its first one leads to nobody who reads: a button may be drawn either way round. */
    private static boolean otherEnd(Circuit circuit, Wire wire) {
        return wire.role() == Role.TERMINAL
                && wire.unit().part().elements().stream()
                        .filter(e -> e.kind() == ElementKind.SWITCH
                                && e.b().equals(wire.line().id()))
                        .flatMap(e -> circuit.wire(Target.line(wire.unit().id(), e.a())).stream())
                        .anyMatch(first -> Listener.of(circuit, first).isEmpty());
    }

    private static boolean concerns(Wire wire) {
        Direction direction = wire.line().direction();
        return wire.role() == Role.SIGNAL
                && (direction == Direction.PASSIVE || direction == Direction.OPEN_DRAIN)
                && !PinFunction.ANALOG_IN.equals(wire.capability());
    }

    private void judge(Circuit circuit, Findings findings, Wire wire, Listener listener) {
        DcModel dc = circuit.dc();
        int node = dc.node(listener.end());
        Optional<DcModel.Piece> piece = dc.pieceAt(node);
        if (piece.isEmpty()) {
            // On a supply: no contact can change it.
            stuck(circuit, findings, wire, listener, dc.held(node).orElse(0.0));
            return;
        }
        DcModel.Point rest = dc.at(piece.get(), new DcModel.State());
        if (!rest.holds(node)) {
            floats(circuit, findings, wire, listener);
            return;
        }
        List<Double> levels = new ArrayList<>(List.of(rest.volts(node)));
        List<DcModel.Contact> own = piece.get().of(DcModel.Contact.class).stream()
                .filter(c -> c.unit().id().equals(wire.unit().id()))
                .toList();
        for (DcModel.Contact contact : own) {
            levels.add(
                    dc.at(piece.get(), new DcModel.State().close(contact, true)).volts(node));
        }
        boolean high = levels.stream().anyMatch(v -> v >= listener.high());
        boolean low = levels.stream().anyMatch(v -> v <= listener.low());
        if (wire.line().direction() == Direction.PASSIVE
                && wire.unit().part().elements().isEmpty()) {
            return;
        }
        if (wire.line().direction() == Direction.OPEN_DRAIN ? !high : !(high && low)) {
            if (wire.line().direction() == Direction.PASSIVE && own.isEmpty()) {
                return;
            }
            stuck(circuit, findings, wire, listener, levels.get(levels.size() - 1));
        }
    }

    private void floats(Circuit circuit, Findings findings, Wire wire, Listener listener) {
        Optional<Connection> pulled = circuit.connections().stream()
                .filter(c -> c.pull() != null && c.to().equals(listener.end()))
                .findFirst();
        findings.of(
                        this,
                        Severity.FIX,
                        pulled.isPresent()
                                ? "{line} rests at no level: {listener} has no such resistor inside that a program could switch on."
                                : "{line} rests at no level: while nothing pulls it, {listener} reads chance.")
                .at(Place.of(wire), Place.of(circuit, listener.end()))
                .word("line", wire.label())
                .word("listener", listener.label())
                .source(pulled.isPresent() ? pullSource(circuit) : null)
                .remedy("Switch the pin's own pull-up on where it has one, or fit 10 kΩ to the supply.")
                .add();
    }

    private static String pullSource(Circuit circuit) {
        var pulls = circuit.board().internalPulls();
        return pulls == null ? null : circuit.board().source(pulls.source());
    }

    private void stuck(Circuit circuit, Findings findings, Wire wire, Listener listener, double volts) {
        findings.of(this, Severity.FIX, "{line} never changes: {listener} stays at {volts}, whatever is done to it.")
                .aspect("stuck")
                .at(Place.of(wire), Place.of(circuit, listener.end()))
                .word("line", wire.label())
                .word("listener", listener.label())
                .word("volts", Quantity.volts(volts))
                .figure("read as low up to", Quantity.volts(listener.low()))
                .figure("read as high from", Quantity.volts(listener.high()))
                .formula("one of the levels ≤ low, another ≥ high")
                .remedy("Bring its other end to ground and pull the line up, or to the supply and pull it down.")
                .add();
    }
}
