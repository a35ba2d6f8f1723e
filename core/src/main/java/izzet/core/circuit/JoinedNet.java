package izzet.core.circuit;

import izzet.core.calc.I2cMode;
import izzet.core.calc.PullUps;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.DutyKind;
import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import izzet.core.plan.Bus;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * One line of a 2-wire bus as the electrons see it: the trunk with one open channel, and both sides of a level shifter. All its
 * pull-ups act together on whoever holds it low.
 *
 * @param signal {@link Role#I2C_SDA} or {@link Role#I2C_SCL}
 * @param where for people: "trunk", "trunk and channel 0 of Sign switch"
 * @param passVolts the highest level that the switch between trunk and channel passes; null where there is none, or its supply is not known
 * @param sides nets that a shifter keeps at different levels; one net list per side, the board's first
 */
public record JoinedNet(Bus bus, Role signal, String where, List<List<Net>> sides, Double passVolts) {

    /** What a switch of field effect transistors leaves of its supply. From memory of the data sheets of such parts. */
    public static final double SWITCH_DROP_VOLTS = 0.6;

    public JoinedNet {
        sides = sides.stream().map(List::copyOf).toList();
    }

    /** All joined nets of all 2-wire buses, in the order of the plan. */
    public static List<JoinedNet> of(Circuit circuit) {
        List<JoinedNet> all = new ArrayList<>();
        for (Bus bus : circuit.plan().buses()) {
            if (bus.kind() == BusKind.I2C) {
                for (Role signal : List.of(Role.I2C_SDA, Role.I2C_SCL)) {
                    all.addAll(of(circuit, bus, signal));
                }
            }
        }
        return all;
    }

    private static List<JoinedNet> of(Circuit circuit, Bus bus, Role signal) {
        Set<Net> trunk = new LinkedHashSet<>();
        for (Unit unit : circuit.units()) {
            if (bus.id().equals(unit.placed().bus())) {
                circuit.wire(unit, signal)
                        .flatMap(w -> w.net())
                        .filter(n -> !n.pins().isEmpty())
                        .ifPresent(trunk::add);
            }
        }
        // A helper without an address, such as a gate or a shifter, may be all that hangs on the pin.
        for (Unit unit : circuit.units()) {
            if (bus.id().equals(unit.placed().bus())) {
                circuit.wire(unit, signal)
                        .filter(w -> w.net().filter(n -> n.pins().isEmpty()).isPresent())
                        .flatMap(w -> circuit.reach(w.from()))
                        .flatMap(r -> circuit.netOf(r.pin()))
                        .ifPresent(trunk::add);
            }
        }
        if (trunk.isEmpty()) {
            return List.of();
        }
        List<JoinedNet> found = new ArrayList<>();
        List<Net> base = List.copyOf(trunk);
        found.add(new JoinedNet(bus, signal, "trunk", sidesOf(circuit, base), null));
        for (Unit unit : circuit.units()) {
            Part.BusSwitch sw = unit.part().busSwitch();
            if (sw == null || !bus.id().equals(unit.placed().bus())) {
                continue;
            }
            for (int i = 0; i < sw.channels().size(); i++) {
                Part.BusSwitch.Channel channel = sw.channels().get(i);
                String line = signal == Role.I2C_SDA ? channel.sda() : channel.scl();
                Optional<Net> net = circuit.netOf(Target.line(unit.id(), line));
                if (net.isPresent()) {
                    List<List<Net>> sides = sidesOf(circuit, base);
                    sides.addAll(sidesOf(circuit, List.of(net.get())));
                    Double pass = circuit.wire(unit, Role.SUPPLY)
                            .flatMap(s -> circuit.railVolts(s.from()))
                            .map(v -> v - SWITCH_DROP_VOLTS)
                            .orElse(null);
                    found.add(new JoinedNet(bus, signal, "trunk and channel " + i + " of " + unit.name(), sides, pass));
                }
            }
        }
        return found;
    }

    private static List<List<Net>> sidesOf(Circuit circuit, List<Net> base) {
        List<List<Net>> sides = new ArrayList<>();
        sides.add(base);
        for (Net net : base) {
            for (Wire wire : net.wires()) {
                for (Part.Shift shift : wire.unit().part().shifts()) {
                    String id = wire.line().id();
                    String other =
                            shift.low().equals(id) ? shift.high() : shift.high().equals(id) ? shift.low() : null;
                    if (other != null) {
                        circuit.netOf(Target.line(wire.unit().id(), other)).ifPresent(n -> sides.add(List.of(n)));
                    }
                }
            }
        }
        return sides;
    }

    /**
     * A pull-up with where it sits.
     *
     * @param from for people: "Cabin display", "the board", "the plan's resistor"
     * @param unit id of the part it is fitted on; null elsewhere
     * @param resistor id of the plan's resistor that it is; null elsewhere
     */
    public record Fitted(String from, String unit, String resistor, PullUps.PullUp pullUp) {}

    /** The pull-ups on one side. */
    public static PullUps pullUpsOn(Circuit circuit, List<Net> side) {
        return new PullUps(fittedOn(circuit, side).stream().map(Fitted::pullUp).toList());
    }

    /** The same with where each sits. */
    public static List<Fitted> fittedOn(Circuit circuit, List<Net> side) {
        List<Fitted> fitted = new ArrayList<>();
        for (Net net : side) {
            for (Wire wire : net.wires()) {
                Unit unit = wire.unit();
                for (Part.FittedPullUp p : circuit.pullUpsOf(unit)) {
                    if (p.lines().contains(wire.line().id())) {
                        circuit.pullUpVolts(unit, p)
                                .ifPresent(volts -> fitted.add(
                                        new Fitted(unit.name(), unit.id(), null, new PullUps.PullUp(p.ohms(), volts))));
                    }
                }
            }
            net.pins().forEach(pin -> pin.duty(DutyKind.PULL_UP)
                    .ifPresent(d -> fitted.add(new Fitted(
                            "the board",
                            null,
                            null,
                            new PullUps.PullUp(d.ohms(), circuit.board().logicVolts())))));
            for (Resistor r : net.resistors()) {
                Target far = net.ends().contains(r.from()) ? r.to() : r.from();
                circuit.railVolts(far)
                        .filter(volts -> volts > 0)
                        .ifPresent(volts -> fitted.add(new Fitted(
                                "a resistor of the plan", null, r.id(), new PullUps.PullUp(r.ohms(), volts))));
            }
        }
        return fitted;
    }

    /** All of all sides, as {@link #pullUps} adds them. */
    public List<Fitted> fitted(Circuit circuit) {
        if (sides.size() == 1) {
            return fittedOn(circuit, sides.get(0));
        }
        return sides.stream().flatMap(side -> fittedOn(circuit, side).stream()).toList();
    }

    /** What whoever holds the net low must be able to sink at least, in amperes: of the mode, or of the weakest part. */
    public double sinkLimit(Circuit circuit) {
        return sides.stream()
                .flatMap(List::stream)
                .flatMap(n -> n.wires().stream())
                .filter(w -> w.unit().part().i2c() != null)
                .mapToDouble(w -> w.unit().part().i2c().sinkMilliamps() / 1000)
                .reduce(I2cMode.forClock(bus.clockHz()).sinkAmperes(), Math::min);
    }

    /**
     * The level that a side idles at: of its own pull-ups, lifted by those of the others as far as a switch between them passes. Empty
     * where nothing pulls it.
     */
    public Optional<Double> idleVolts(Circuit circuit, List<Net> side) {
        PullUps own = pullUpsOn(circuit, side);
        if (passVolts == null) {
            return own.none() ? Optional.empty() : Optional.of(own.idleVolts());
        }
        PullUps all = pullUps(circuit);
        double lifted = all.none() ? 0 : Math.min(all.idleVolts(), passVolts);
        double idle =
                Math.max(own.none() ? 0 : Math.min(own.idleVolts(), Math.max(all.idleVolts(), passVolts)), lifted);
        return own.none() && all.none() ? Optional.empty() : Optional.of(idle);
    }

    /** Whether a side has no pull-up and nothing that could lift it. */
    public boolean bare(Circuit circuit) {
        return sides.stream().anyMatch(side -> idleVolts(circuit, side).isEmpty());
    }

    /** All pull-ups of all sides, as the output that holds the net low feels them. */
    public PullUps pullUps(Circuit circuit) {
        return new PullUps(fitted(circuit).stream().map(Fitted::pullUp).toList());
    }

    /** Parts and wire, in farad. */
    public double farads(Circuit circuit) {
        double parts = 0;
        for (List<Net> side : sides) {
            for (Net net : side) {
                for (Wire w : net.wires()) {
                    boolean hangs = w.unit().part().i2c() != null
                            && w.role() != Role.CHANNEL_SDA
                            && w.role() != Role.CHANNEL_SCL;
                    parts += hangs ? w.unit().part().i2c().capacitancePicofarads() : 0;
                }
            }
        }
        double wire = circuit.plan().wireLength() / 100 * circuit.plan().wires().picofaradsPerMetre();
        return (parts + wire) * 1e-12;
    }

    /** "SDA of I2C bus, trunk". */
    public String label() {
        return (signal == Role.I2C_SDA ? "SDA" : "SCL") + " of " + bus.name() + ", " + where;
    }
}
