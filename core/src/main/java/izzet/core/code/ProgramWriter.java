package izzet.core.code;

import izzet.core.catalog.ActiveLevel;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Gates;
import izzet.core.circuit.Segment;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Collects what a program does for the displays of a plan. */
public final class ProgramWriter {

    private static final int MILLI = 1000;

    private final Circuit circuit;
    private final List<Op> ops = new ArrayList<>();
    private final Map<String, ProgramBus> buses = new LinkedHashMap<>();
    private String open = "";

    ProgramWriter(Circuit circuit) {
        this.circuit = circuit;
    }

    List<Op> ops() {
        return List.copyOf(ops);
    }

    List<ProgramBus> buses() {
        return List.copyOf(buses.values());
    }

    public void note(String words) {
        ops.add(new Op.Note(Names.comment(words)));
    }

    public void millis(long millis) {
        ops.add(new Op.Wait(millis * MILLI));
    }

    public void micros(long micros) {
        ops.add(new Op.Wait(micros));
    }

    public void output(ProgramPin pin, boolean high) {
        ops.add(new Op.Output(pin, high));
    }

    public void level(ProgramPin pin, boolean high) {
        ops.add(new Op.Level(pin, high));
    }

    /** A reset line goes low, then high. Says whether it is on a pin. */
    public boolean reset(Unit unit, long lowMillis, long afterMillis) {
        Optional<ProgramPin> reset = pin(unit, Role.RESET);
        reset.ifPresent(pin -> {
            output(pin, false);
            millis(lowMillis);
            level(pin, true);
            millis(afterMillis);
        });
        return reset.isPresent();
    }

    public void add(Op op) {
        ops.add(op);
    }

    /** The pin that a line ends at; empty where it is on a rail or on nothing. */
    public Optional<ProgramPin> pin(Unit unit, Role role) {
        return circuit.wiresOf(unit).stream()
                .filter(w -> w.role() == role)
                .flatMap(w -> pin(w).stream())
                .findFirst();
    }

    public Optional<ProgramPin> pin(Unit unit, String line) {
        return circuit.wiresOf(unit).stream()
                .filter(w -> w.line().id().equals(line))
                .flatMap(w -> pin(w).stream())
                .findFirst();
    }

    /** Pins of the lines with a role, in the order of the part. */
    public List<ProgramPin> pins(Unit unit, Role role) {
        return circuit.wiresOf(unit).stream()
                .filter(w -> w.role() == role)
                .flatMap(w -> pin(w).stream())
                .toList();
    }

    Optional<ProgramPin> pin(Wire wire) {
        return ProgramPin.under(circuit, wire);
    }

    /** The bus of a part; empty where its lines are on no pins. Parallel lines are a bus of the part's own. */
    public Optional<ProgramBus> bus(Unit unit) {
        if (unit.variant().bus() == null) {
            return unit.variant().cycleNanos() == null ? Optional.empty() : parallel(unit);
        }
        return circuit.busOf(unit)
                .map(b -> buses.computeIfAbsent(b.id(), id -> bus(b)))
                .filter(b -> !b.made() || b.data() != null && b.clock() != null);
    }

    /** Lines with a write strobe that is low while it writes; an enable that is high belongs to character displays. */
    private Optional<ProgramBus> parallel(Unit unit) {
        List<ProgramPin> lines = pins(unit, Role.DATA);
        Optional<ProgramPin> write = circuit.wire(unit, Role.ENABLE)
                .filter(w -> w.line().active() == ActiveLevel.LOW)
                .flatMap(this::pin);
        int bits = unit.variant().bits() == null ? 0 : unit.variant().bits();
        if (write.isEmpty() || lines.size() != bits) {
            return Optional.empty();
        }
        int hertz = (int) (1_000_000_000L / unit.variant().cycleNanos());
        String id = "part " + unit.id();
        return Optional.of(buses.computeIfAbsent(
                id,
                i -> new ProgramBus(
                        Names.constant(unit.name()),
                        null,
                        null,
                        made(ProgramBus.Kind.PARALLEL),
                        hertz,
                        null,
                        write.get(),
                        null,
                        ProgramBus.Kind.PARALLEL,
                        lines)));
    }

    /** How many of a kind there are already that the program makes. */
    private int made(ProgramBus.Kind kind) {
        return (int) buses.values().stream()
                .filter(b -> b.made() && b.kind() == kind)
                .count();
    }

    /** What comes next is for this bus; lines that the program moves itself begin where they rest. */
    void begin(ProgramBus bus, int mode, int hertz) {
        if (bus.made() && bus.serial()) {
            output(bus.clock(), mode >= 2);
            output(bus.data(), false);
        } else if (bus.parallel()) {
            output(bus.clock(), true);
            bus.lines().forEach(line -> output(line, false));
        }
        add(new Op.Begin(bus, mode, hertz));
    }

    private ProgramBus bus(Bus bus) {
        String controller = bus.controller();
        String digits = bus.bitBanged() ? "" : controller.replaceAll(".*?(\\d*)$", "$1");
        List<Unit> on = circuit.units().stream()
                .filter(u -> bus.id().equals(u.placed().bus()))
                .toList();
        ProgramBus.Kind kind = bus.kind() == BusKind.SPI ? ProgramBus.Kind.SERIAL : ProgramBus.Kind.TWO_WIRE;
        return new ProgramBus(
                Names.constant(bus.name()),
                bus.id(),
                controller,
                bus.bitBanged() ? made(kind) : digits.isEmpty() ? 0 : Integer.parseInt(digits),
                bus.clockHz(),
                first(on, Role.I2C_SDA, Role.SPI_MOSI),
                first(on, Role.I2C_SCL, Role.SPI_SCK),
                first(on, Role.SPI_MISO),
                kind,
                List.of());
    }

    private ProgramPin first(List<Unit> units, Role... roles) {
        for (Role role : roles) {
            for (Unit unit : units) {
                Optional<ProgramPin> pin = pin(unit, role);
                if (pin.isPresent()) {
                    return pin.get();
                }
            }
        }
        // All that hangs on a pin may be a helper: a gate for the clock, a shifter for both lines.
        return units.stream()
                .flatMap(u -> Arrays.stream(roles).filter(Role::i2c).flatMap(r -> circuit.wire(u, r).stream()))
                .flatMap(w -> circuit.reach(w.from()).stream())
                .findFirst()
                .map(r -> ProgramPin.of(circuit.board(), r.pin()))
                .orElse(null);
    }

    public Optional<Integer> address(Unit unit) {
        return circuit.addressOf(unit);
    }

    /** Opens the way to a part: channels of switches, selects of gates. Nothing where it hangs on the trunk. */
    public void way(Unit unit, ProgramBus bus) {
        Segment segment = circuit.segmentOf(unit).orElse(null);
        if (segment == null || segment.label().equals(open)) {
            return;
        }
        open = segment.label();
        for (Segment.Hop hop : segment.path()) {
            Part part = hop.through().part();
            if (part.busSwitch() != null) {
                circuit.addressOf(hop.through()).ifPresent(a -> {
                    note(hop.through().name() + ": channel " + hop.channel() + " on, the others off");
                    add(new Op.TwoWire(bus, a, List.of(1 << Integer.parseInt(hop.channel()))));
                });
            } else if (part.gateOf(hop.channel()).isPresent()) {
                note(hop.through().name() + ": the clock goes to output " + hop.channel());
                circuit.gates().needs(hop.through(), hop.channel()).forEach(this::set);
            }
        }
        quiet(unit, segment);
    }

    /** Gates that pass the same clock to others at the same address are turned away from them. */
    private void quiet(Unit unit, Segment segment) {
        List<Unit> others = circuit.units().stream()
                .filter(u -> u != unit && circuit.addressOf(u).equals(circuit.addressOf(unit)))
                .filter(u -> circuit.segmentOf(u)
                        .filter(s -> s.bus().equals(segment.bus()) && !s.hears(segment))
                        .isPresent())
                .toList();
        Set<Wire> done = segment.path().stream()
                .flatMap(hop -> circuit.gates().needs(hop.through(), hop.channel()).stream())
                .map(Gates.Need::control)
                .collect(Collectors.toSet());
        circuit.gates().alone(unit, others).orElse(List.of()).stream()
                .filter(n -> !done.contains(n.control()))
                .forEach(n -> {
                    note(n.control().label() + ": the clock goes past "
                            + n.control().unit().name());
                    set(n);
                });
    }

    private void set(Gates.Need need) {
        pin(need.control()).ifPresent(p -> output(p, need.high()));
    }
}
