package izzet.core.circuit;

import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/** The pieces of 2-wire buses: behind channels of switches, gated clocks and shifters. */
public final class Segments {

    private final Circuit circuit;
    private final Map<String, Optional<Segment>> segments = new ConcurrentHashMap<>();

    Segments(Circuit circuit) {
        this.circuit = circuit;
    }

    /** Where a part on a 2-wire bus can be heard; the trunk of its bus while its clock is not connected. */
    Optional<Segment> of(Unit unit) {
        if (unit.placed().bus() == null || unit.part().i2c() == null) {
            return Optional.empty();
        }
        return segments.computeIfAbsent(unit.id(), id -> circuit.wire(unit, Role.I2C_SCL)
                .map(scl -> segmentAt(scl.from(), unit.placed().bus(), 0)));
    }

    private Segment segmentAt(Target clock, String bus, int depth) {
        for (Wire wire : circuit.netOf(clock).map(Net::wires).orElse(List.of())) {
            Optional<Upstream> up = upstream(wire);
            if (up.isPresent() && depth < circuit.units().size()) {
                Segment parent = segmentAt(up.get().line(), bus, depth + 1);
                if (!up.get().divides()) {
                    return parent;
                }
                List<Segment.Hop> path = new ArrayList<>(parent.path());
                path.add(new Segment.Hop(wire.unit(), up.get().channel()));
                return new Segment(bus, path);
            }
        }
        return new Segment(bus, List.of());
    }

    /**
     * The line of a helper towards the board, for a line of it that other parts hang on.
     *
     * @param divides whether addresses on both sides are apart; a level shifter only passes on
     */
    public record Upstream(Target line, boolean divides, String channel) {}

    /** Empty when the wire is not a helper's downstream line. */
    Optional<Upstream> upstream(Wire wire) {
        Part part = wire.unit().part();
        String id = wire.line().id();
        if (part.busSwitch() != null) {
            List<Part.BusSwitch.Channel> channels = part.busSwitch().channels();
            for (int i = 0; i < channels.size(); i++) {
                if (channels.get(i).scl().equals(id)) {
                    return up(wire, part.busSwitch().scl(), true, String.valueOf(i));
                }
                if (channels.get(i).sda().equals(id)) {
                    return up(wire, part.busSwitch().sda(), true, String.valueOf(i));
                }
            }
        }
        Optional<Part.ClockGate> gate = part.gateOf(id);
        if (gate.isPresent()) {
            // One that carries the clock upside down divides, too; rule I6 tells that it is of no use.
            return up(wire, gate.get().clock(), true, id);
        }
        if (wire.role().instead()) {
            return circuit.wire(wire.unit(), Role.I2C_SDA)
                    .or(() -> circuit.wire(wire.unit(), Role.SPI_MOSI))
                    .flatMap(data -> up(wire, data.line().id(), false, id));
        }
        // Of a shifter's two sides, the one with the board's pin is upstream.
        return Shifters.otherSide(wire)
                .filter(this::leadsToPin)
                .flatMap(other -> up(wire, other.name(), false, other.name()));
    }

    private static Optional<Upstream> up(Wire wire, String line, boolean divides, String channel) {
        return Optional.of(new Upstream(Target.line(wire.unit().id(), line), divides, channel));
    }

    private boolean leadsToPin(Target end) {
        return circuit.netOf(end).map(n -> !n.pins().isEmpty()).orElse(false);
    }
}
