package izzet.core.circuit;

import izzet.core.calc.PullUps;
import izzet.core.catalog.LogicLevels;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Who drives and who listens on each signal net, with voltages in volts. Derived from a circuit; immutable. */
public final class Levels {

    /**
     * What is put on a net.
     *
     * @param owner id of the unit, or {@code board}, or {@code pull-ups}
     * @param high lowest high level
     * @param low highest low level
     * @param highest the most it can put on the net
     */
    public record Driver(String owner, String name, double high, double low, double highest, String source) {}

    /** @param vih and the others already at the receiver's supply; null where its file has none */
    public record Receiver(
            String owner,
            String name,
            Target end,
            Double vih,
            Double vil,
            double absMax,
            double supply,
            String source) {}

    /** Drivers and receivers that meet on one line. */
    public record Meeting(String line, boolean openDrain, List<Driver> drivers, List<Receiver> receivers) {
        public Meeting {
            drivers = List.copyOf(drivers);
            receivers = List.copyOf(receivers);
        }
    }

    private final Circuit circuit;
    private final List<Meeting> meetings = new ArrayList<>();
    private final Map<String, Wire> unsupplied = new LinkedHashMap<>();

    public Levels(Circuit circuit) {
        this.circuit = circuit;
        JoinedNet.of(circuit).forEach(this::openDrain);
        circuit.nets().stream().filter(this::pushPull).forEach(this::driven);
    }

    public List<Meeting> meetings() {
        return meetings;
    }

    /** One line of each part whose levels are not known because it has no supply. */
    public List<Wire> unsupplied() {
        return List.copyOf(unsupplied.values());
    }

    private void openDrain(JoinedNet joined) {
        for (List<Net> side : joined.sides()) {
            PullUps pullUps = JoinedNet.pullUpsOn(circuit, side);
            if (pullUps.none()) {
                continue;
            }
            double idle = pullUps.idleVolts();
            Driver driver = new Driver("pull-ups", "the bus", idle, PullUps.VOL_MAX, idle, null);
            List<Receiver> receivers = new ArrayList<>();
            for (Net net : side) {
                String function = joined.bus().bitBanged() ? "port" : "i2c";
                net.pins().forEach(pin -> receivers.add(receiver(pin, function)));
                net.wires().stream()
                        .filter(w -> w.line().direction().listens() || w.role() == Role.SHIFT)
                        .forEach(w -> receiver(w).ifPresent(receivers::add));
            }
            meetings.add(new Meeting(joined.label(), true, List.of(driver), receivers));
        }
    }

    private boolean pushPull(Net net) {
        boolean bus = net.wires().stream()
                .anyMatch(w -> w.role().i2c() || w.role() == Role.CHANNEL_SDA || w.role() == Role.CHANNEL_SCL);
        boolean gated = net.wires().stream().anyMatch(w -> w.role() == Role.GATE_OUTPUT);
        return net.rails().isEmpty() && (!bus || gated);
    }

    private void driven(Net net) {
        List<Driver> drivers = new ArrayList<>();
        List<Receiver> receivers = new ArrayList<>();
        boolean partListens =
                net.wires().stream().anyMatch(w -> w.line().direction().listens());
        boolean partDrives = net.wires().stream().anyMatch(this::drives);
        for (Pin pin : net.pins()) {
            if (partListens) {
                drivers.add(driver(pin));
            }
            if (partDrives) {
                receivers.add(receiver(pin, "port"));
            }
        }
        for (Wire wire : net.wires()) {
            if (drives(wire)) {
                driver(wire).ifPresent(drivers::add);
            }
            if (wire.line().direction().listens()) {
                receiver(wire).ifPresent(receivers::add);
            }
        }
        if (!drivers.isEmpty() && !receivers.isEmpty()) {
            String label = net.pins().isEmpty()
                    ? net.wires().get(0).label()
                    : "pin " + net.pins().get(0).label();
            meetings.add(new Meeting(label, false, drivers, receivers));
        }
    }

    private boolean drives(Wire wire) {
        if (!wire.line().direction().drives()) {
            return false;
        }
        String silencer = wire.line().silencedBy();
        return silencer == null
                || circuit.netOf(Target.line(wire.unit().id(), silencer))
                        .filter(Net::grounded)
                        .isEmpty();
    }

    private Driver driver(Pin pin) {
        LogicLevels levels = circuit.board().levelsOf("port");
        double supply = circuit.board().logicVolts();
        return new Driver(
                Target.BOARD,
                "the board",
                levels.voh().at(supply),
                levels.vol().at(supply),
                supply,
                circuit.board().source(levels.source()));
    }

    private Optional<Driver> driver(Wire wire) {
        LogicLevels levels = wire.unit().part().levels().get(wire.line().levels());
        Optional<Double> supply = supply(wire);
        if (supply.isEmpty() || levels == null || levels.voh() == null || levels.vol() == null) {
            return Optional.empty();
        }
        return Optional.of(new Driver(
                wire.unit().id(),
                wire.unit().name(),
                levels.voh().at(supply.get()),
                levels.vol().at(supply.get()),
                supply.get(),
                wire.unit().part().source(levels.source())));
    }

    private Receiver receiver(Pin pin, String function) {
        LogicLevels levels = circuit.board().levelsOf(function);
        double supply = circuit.board().logicVolts();
        return new Receiver(
                Target.BOARD,
                "the board",
                Target.pin(pin.id()),
                levels.vih().at(supply),
                levels.vil().at(supply),
                levels.absMax().at(supply),
                supply,
                circuit.board().source(levels.source()));
    }

    private Optional<Receiver> receiver(Wire wire) {
        LogicLevels levels = wire.unit().part().levels().get(wire.line().levels());
        Optional<Double> supply = supply(wire);
        if (supply.isEmpty() || levels == null) {
            return Optional.empty();
        }
        double volts = supply.get();
        return Optional.of(new Receiver(
                wire.unit().id(),
                wire.unit().name(),
                wire.from(),
                levels.vih() == null ? null : levels.vih().at(volts),
                levels.vil() == null ? null : levels.vil().at(volts),
                levels.absMax().at(volts),
                volts,
                wire.unit().part().source(levels.source())));
    }

    private Optional<Double> supply(Wire wire) {
        Optional<Double> supply = circuit.logicVolts(wire.unit(), wire.line()).filter(v -> v > 0);
        if (supply.isEmpty()) {
            unsupplied.putIfAbsent(wire.unit().id(), wire);
        }
        return supply;
    }
}
