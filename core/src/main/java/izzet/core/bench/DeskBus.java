package izzet.core.bench;

import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.JoinedNet;
import izzet.core.circuit.Net;
import izzet.core.circuit.Segments;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A 2-wire bus as it stands on the desk: who answers at an address, through switches as they are set. Not thread-safe. */
final class DeskBus {

    private static final int MOST_HOPS = 6;
    private static final int FIRST = 0x08;
    private static final int LAST = 0x77;

    private final Desk desk;
    private final Circuit built;
    private final String data;
    private final String clock;

    /** Open channels of a switch by its id, a bit each; a switch comes up with all of them shut. */
    private final Map<String, Integer> open = new HashMap<>();

    /** Levels of the pins that the program drives, by label; those of the run. */
    private final Map<String, Integer> pins;

    private int transfers;

    /**
     * @param data label of the pin on which the program has its data
     * @param clock label of the pin on which it has its clock
     * @param pins levels that the program drives, by label, as they change
     */
    DeskBus(Desk desk, String data, String clock, Map<String, Integer> pins) {
        this.pins = pins;
        this.desk = desk;
        this.built = desk.built();
        this.data = data;
        this.clock = clock;
    }

    /** Whether both lines come up when nobody pulls them down. */
    boolean rises() {
        return rises(data) && rises(clock);
    }

    private boolean rises(String pin) {
        List<Net> nets = built.nets().stream().filter(n -> has(n, pin)).toList();
        if (nets.isEmpty()) {
            return false;
        }
        boolean grounded = nets.stream().flatMap(n -> n.rails().stream()).anyMatch(r -> r.ground());
        boolean pulled = JoinedNet.fittedOn(built, nets).stream()
                .anyMatch(f -> f.unit() == null || !desk.is(Desk.Condition.WITHOUT_FITTED_PULL_UPS));
        return pulled && !grounded;
    }

    /** Whether something holds the data low all the time. */
    boolean stuck() {
        return built.nets().stream()
                .filter(n -> has(n, data))
                .flatMap(n -> n.rails().stream())
                .anyMatch(r -> r.ground());
    }

    private static boolean has(Net net, String pin) {
        return net.pins().stream().anyMatch(p -> p.label().equals(pin));
    }

    /** Those that answer at an address now. */
    List<Unit> answering(int address) {
        List<Unit> all = new ArrayList<>();
        if (!rises()) {
            return all;
        }
        for (Unit unit : built.units()) {
            boolean its = built.addressOf(unit).filter(a -> a == address).isPresent();
            if (its && Awake.not(built, unit, Awake.Feeding.by(pins)).isEmpty() && reached(unit)) {
                all.add(unit);
            }
        }
        return all;
    }

    /** Addresses that answer now, of those that are not reserved. */
    List<Integer> scan() {
        List<Integer> there = new ArrayList<>();
        for (int address = FIRST; address <= LAST; address++) {
            // A data line that is held low reads as an answer to everything.
            if (stuck() || !answering(address).isEmpty()) {
                there.add(address);
            }
        }
        return there;
    }

    private boolean reached(Unit unit) {
        Optional<Wire> sda = built.wire(unit, Role.I2C_SDA);
        Optional<Wire> scl = built.wire(unit, Role.I2C_SCL);
        return sda.isPresent() && scl.isPresent() && leads(sda.get(), data, 0) && leads(scl.get(), clock, 0);
    }

    /** Whether a line leads to a pin, through switches and gates that are open and work. */
    private boolean leads(Wire wire, String pin, int depth) {
        Optional<Net> net = built.netOf(wire.from());
        if (net.isEmpty() || depth > MOST_HOPS) {
            return false;
        }
        if (has(net.get(), pin)) {
            return true;
        }
        for (Wire end : net.get().wires()) {
            Optional<Segments.Upstream> up = built.upstream(end);
            boolean passes = up.isPresent()
                    && Awake.not(built, end.unit(), Awake.Feeding.by(pins)).isEmpty()
                    && open(end, up.get().channel())
                    && built.wire(up.get().line())
                            .filter(next -> leads(next, pin, depth + 1))
                            .isPresent();
            if (passes) {
                return true;
            }
        }
        return false;
    }

    /** Whether a helper passes on to one of its lines now. */
    private boolean open(Wire end, String channel) {
        Part part = end.unit().part();
        if (part.busSwitch() != null) {
            return (open.getOrDefault(end.unit().id(), 0) >> Integer.parseInt(channel) & 1) == 1;
        }
        Optional<Part.ClockGate> gate = part.gateOf(end.line().id());
        return gate.isEmpty()
                || gate.get().outputs().contains(end.line().id())
                        && built.gates().needs(end.unit(), end.line().id()).stream()
                                .allMatch(n -> level(n.control()) == (n.high() ? 1 : 0));
    }

    private int level(Wire control) {
        Source source = Source.of(built, control);
        return source.pin() == null ? source.level() : pins.getOrDefault(source.pin(), source.level());
    }

    /** A transfer goes over the bus. @return those that hear it */
    List<Unit> write(int address, List<Integer> bytes) {
        boolean lost = desk.is(Desk.Condition.BAD_JOINT) && transfers++ % 2 == 1;
        List<Unit> hearing = lost ? List.of() : answering(address);
        for (Unit unit : hearing) {
            if (unit.part().busSwitch() != null && !bytes.isEmpty()) {
                open.put(unit.id(), bytes.get(bytes.size() - 1));
            }
        }
        return hearing;
    }
}
