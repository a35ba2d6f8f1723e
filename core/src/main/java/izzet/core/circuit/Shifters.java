package izzet.core.circuit;

import izzet.core.catalog.First;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.plan.Target;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

/** Lines behind level shifters and one-way buffers: what a shifter's side towards the board speaks for. */
final class Shifters {

    private final Circuit circuit;
    private final Map<String, List<Wire>> linesOnPin = new ConcurrentHashMap<>();
    private final Map<Target, List<Pin>> pinsUnder = new ConcurrentHashMap<>();

    Shifters(Circuit circuit) {
        this.circuit = circuit;
    }

    List<Wire> linesOn(Pin pin) {
        return linesOnPin.computeIfAbsent(pin.id(), id -> circuit.usersOf(pin).stream()
                .flatMap(w -> standsFor(w).stream())
                .toList());
    }

    List<Pin> pinsUnder(Wire wire) {
        Net net = wire.net().orElse(null);
        if (net == null) {
            return List.of();
        }
        boolean behind = net.pins().isEmpty() && First.any(net.wires(), w -> w.role() == Role.SHIFT);
        return behind ? pinsUnder.computeIfAbsent(wire.from(), from -> findPinsUnder(wire)) : net.pins();
    }

    private List<Pin> findPinsUnder(Wire wire) {
        return circuit.board().signalPins().stream()
                .filter(p -> linesOn(p).contains(wire))
                .toList();
    }

    /**
     * The lines that a wire speaks for: itself, or for a shifter's line towards the board those on its far side. Empty for a shifter's line
     * with nothing there, for one whose other side is nearer to the board, and for an unused one that is tied to a rail.
     */
    List<Wire> standsFor(Wire wire) {
        return wire.role() == Role.SHIFT ? beyond(wire, new HashSet<>()) : List.of(wire);
    }

    private List<Wire> beyond(Wire near, Set<Target> seen) {
        Optional<Target> far = otherSide(near);
        Net net = far.flatMap(circuit::netOf).orElse(null);
        boolean towardsBoard = net == null
                || !net.pins().isEmpty()
                || !net.rails().isEmpty()
                || net.wires().stream().anyMatch(w -> w.role().downstream() && w.role() != Role.SHIFT);
        if (towardsBoard || !seen.add(near.from())) {
            return List.of();
        }
        return net.wires().stream()
                .filter(w -> !w.from().equals(far.get()))
                .flatMap(w -> w.role() == Role.SHIFT ? beyond(w, seen).stream() : Stream.of(w))
                .toList();
    }

    static Optional<Target> otherSide(Wire wire) {
        String id = wire.line().id();
        return First.of(
                        wire.unit().part().shifts(),
                        s -> s.low().equals(id) || s.high().equals(id))
                .map(s -> Target.line(wire.unit().id(), s.low().equals(id) ? s.high() : s.low()));
    }
}
