package izzet.core.assign;

import izzet.core.catalog.ActiveLevel;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Controller;
import izzet.core.catalog.Direction;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.catalog.ResetPull;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The points of one place for one line, of neighbours, and of a whole plan. A model of the search must come to the same sum as {@link #of}
 * does from the plan alone.
 */
public final class Points {

    static final int CONSOLE = 60;
    static final int BOOT = 40;
    static final int LAMP = 5;
    static final int SELECTED_AT_RESET = 8;
    static final int BUS_SIGNAL = 12;
    static final int ANALOG = 4;
    static final int PWM = 3;
    static final int INTERRUPT = 1;
    static final int RESISTOR = 10;
    static final int EXPANDER = 15;
    static final int BIT_BANGED = 50;
    static final int MOVED = 5;
    static final int UNUSUAL = 10;
    static final int STRIP = 6;
    static final int FAR = 6;
    static final int CROSSED = 2;
    static final int OUT_OF_ORDER = 3;

    private static final Pattern PORT_BIT = Pattern.compile("(.*?)(\\d{1,3})");

    private Points() {}

    /**
     * Of a pin for a line.
     *
     * @param controller of the line's bus; null when the program makes it, or there is none
     */
    static Map<Criterion, Integer> pin(Circuit circuit, Wire wire, Pin pin, String controller) {
        Map<Criterion, Integer> points = new EnumMap<>(Criterion.class);
        int duties = 0;
        for (Pin.Duty duty : pin.pricedDuties()) {
            duties += switch (duty.kind()) {
                case CONSOLE -> CONSOLE;
                case BOOT -> BOOT;
                case LAMP -> LAMP;
                case PULL_UP -> wire.role().i2c() ? 0 : LAMP;
                default -> 0;
            };
        }
        boolean select = wire.role() == Role.SELECT;
        if (select && pin.atReset() == ResetPull.PULLED_DOWN && wire.line().active() == ActiveLevel.LOW) {
            duties += SELECTED_AT_RESET;
        }
        points.put(Criterion.DUTIES, duties);
        points.put(Criterion.RARE, rare(circuit, wire, pin, controller, select));
        points.put(Criterion.USUAL, usual(circuit, wire, pin, controller) ? 0 : UNUSUAL);
        boolean button = wire.role() == Role.SIGNAL && wire.line().direction() == Direction.PASSIVE;
        boolean pullless = !circuit.board().internalPullUps() || !pin.can(PinFunction.DIGITAL_OUT);
        points.put(Criterion.EXTRA, button && pullless ? RESISTOR : 0);
        return points;
    }

    /** Whether libraries would find the bus line there without being told. */
    private static boolean usual(Circuit circuit, Wire wire, Pin pin, String controller) {
        if (controller == null || wire.busSignal().isEmpty()) {
            return true;
        }
        Controller on = circuit.board().controller(controller).orElseThrow();
        String signal = wire.busSignal().get();
        if (on.usual().containsKey(signal)) {
            return on.usual().get(signal).equals(pin.id());
        }
        boolean named = circuit.board().signalPins().stream()
                .anyMatch(p -> p.signalOf(controller, signal).isPresent());
        return !on.anyPin() || !named || pin.signalOf(controller, signal).isPresent();
    }

    private static int rare(Circuit circuit, Wire wire, Pin pin, String controller, boolean select) {
        int rare = 0;
        for (PinFunction f : pin.functions()) {
            if (f.controller() != null) {
                boolean own = f.controller().equals(controller)
                        && wire.busSignal().filter(f.signal()::equals).isPresent();
                boolean ownSelect =
                        select && (f.signal().startsWith("ce") || f.signal().equals("ss"));
                rare += own || ownSelect ? 0 : scarcity(circuit, f);
            } else if (!f.capability().equals(wire.capability())) {
                rare += switch (f.capability()) {
                    case PinFunction.ANALOG_IN -> ANALOG;
                    case PinFunction.PWM -> PWM;
                    case "interrupt" -> INTERRUPT;
                    default -> 0;
                };
            }
        }
        return rare;
    }

    /** A signal that one pin only has is dear, one of many places or of a controller that reaches any pin is not. */
    private static int scarcity(Circuit circuit, PinFunction f) {
        Controller controller = circuit.board().controller(f.controller()).orElseThrow();
        boolean anyPin = controller.anyPin();
        if (controller.kind() == BusKind.RGB) {
            // A pixel bus wants nearly every pin; one taken or ten, it is gone.
            return 0;
        }
        if (anyPin) {
            return 1;
        }
        long places = circuit.board().signalPins().stream()
                .filter(p -> p.signalOf(f.controller(), f.signal()).isPresent())
                .count();
        return (int) (BUS_SIGNAL / places);
    }

    /** Of a line of an expander. */
    static Map<Criterion, Integer> port() {
        return Map.of(Criterion.DETOUR, EXPANDER);
    }

    /** Of a controller for a bus; the first of its kind on a board is the one that libraries take. */
    static Map<Criterion, Integer> bus(Circuit circuit, Bus bus, String controller) {
        return controller == null
                ? Map.of(Criterion.HARDWARE, BIT_BANGED)
                : Map.of(Criterion.USUAL, controllers(circuit, bus.kind()).indexOf(controller) == 0 ? 0 : UNUSUAL);
    }

    /** Where a pin lies: its strip, and its number in it. */
    record Lie(String strip, int index) {}

    static Map<String, Lie> lies(Circuit circuit) {
        Map<String, Integer> next = new java.util.HashMap<>();
        Map<String, Lie> lies = new java.util.HashMap<>();
        for (Pin pin : circuit.board().pins()) {
            int index = next.merge(pin.group(), 1, Integer::sum);
            lies.put(pin.id(), new Lie(pin.group(), index));
        }
        return lies;
    }

    /** How far two neighbours of a part lie apart: 0 side by side. */
    static int apart(Lie a, Lie b) {
        return a.strip().equals(b.strip()) ? Math.min(Math.abs(a.index() - b.index()) - 1, FAR) : FAR;
    }

    /** 1 or -1 by the way the strip is gone along; 0 across strips. */
    static int way(Lie a, Lie b) {
        return a.strip().equals(b.strip()) ? Integer.signum(b.index() - a.index()) : 0;
    }

    /** Whether the second is the next bit of the first's port. */
    static boolean nextBit(Pin a, Pin b) {
        Matcher first = PORT_BIT.matcher(a.chip() == null ? "" : a.chip());
        Matcher second = PORT_BIT.matcher(b.chip() == null ? "" : b.chip());
        return first.matches()
                && second.matches()
                && first.group(1).equals(second.group(1))
                && Integer.parseInt(second.group(2)) == Integer.parseInt(first.group(2)) + 1;
    }

    /** The lines of a part that may have pins, as they lie on its header. */
    static List<Wire> inOrder(Circuit circuit, Unit unit) {
        List<Wire> wires = new ArrayList<>(
                circuit.wiresOf(unit).stream().filter(LegalPins::wantsPin).toList());
        wires.sort(Comparator.comparingInt(
                w -> w.line().header() == null ? Integer.MAX_VALUE : w.line().header()));
        return wires;
    }

    /**
     * Of a plan.
     *
     * @param present what is wired now; lines that it connects elsewhere count as moved
     */
    public static Map<Criterion, Integer> of(Circuit circuit, Plan present) {
        Map<Criterion, Integer> points = new EnumMap<>(Criterion.class);
        for (Criterion c : Criterion.values()) {
            points.put(c, 0);
        }
        Set<String> counted = new HashSet<>();
        for (Wire wire : circuit.wires()) {
            Optional<Target> to = wire.to();
            if (!LegalPins.wantsPin(wire)
                    || to.isEmpty()
                    || circuit.standsFor(wire).isEmpty()) {
                continue;
            }
            Wire need = circuit.need(wire);
            // One net is one place, however many lines share it.
            boolean first = counted.add(to.get().toString());
            String controller = circuit.busOf(need.unit()).map(Bus::controller).orElse(null);
            if (to.get().isPin() && first) {
                Pin pin = circuit.board().pin(to.get().name()).orElseThrow();
                add(points, pin(circuit, need, pin, controller));
            } else if (isPort(circuit, to.get()) && first) {
                add(points, port());
            }
            if (to.get().isPin() || isPort(circuit, to.get())) {
                boolean moved = present.connection(wire.from())
                        .map(Connection::to)
                        .filter(t -> !t.equals(to.get()))
                        .isPresent();
                points.merge(Criterion.MOVED, moved ? MOVED : 0, Integer::sum);
            }
        }
        for (Bus bus : circuit.plan().buses()) {
            if (circuit.units().stream()
                    .anyMatch(u -> bus.id().equals(u.placed().bus()))) {
                add(points, bus(circuit, bus, bus.controller()));
            }
        }
        Map<String, Lie> lies = lies(circuit);
        circuit.units().forEach(u -> add(points, part(circuit, u, lies)));
        return points;
    }

    static boolean isPort(Circuit circuit, Target target) {
        return target.isLine()
                && circuit.wire(target).filter(w -> w.role().instead()).isPresent();
    }

    private static Map<Criterion, Integer> part(Circuit circuit, Unit unit, Map<String, Lie> lies) {
        Map<Criterion, Integer> points = new EnumMap<>(Criterion.class);
        List<Wire> wires = inOrder(circuit, unit).stream()
                .filter(w -> !circuit.standsFor(w).isEmpty())
                .filter(w -> w.to().filter(t -> t.isPin() || isPort(circuit, t)).isPresent())
                .toList();
        Set<String> strips = new TreeSet<>();
        int near = 0;
        int up = 0;
        int down = 0;
        int order = 0;
        Wire before = null;
        for (Wire wire : wires) {
            Optional<Pin> pin = pinOf(circuit, wire);
            pin.ifPresent(p -> strips.add(p.group()));
            Optional<Pin> last = before == null ? Optional.empty() : pinOf(circuit, before);
            if (pin.isPresent() && last.isPresent()) {
                Lie a = lies.get(last.get().id());
                Lie b = lies.get(pin.get().id());
                near += apart(a, b);
                up += way(a, b) > 0 ? 1 : 0;
                down += way(a, b) < 0 ? 1 : 0;
                boolean data = circuit.need(before).role() == Role.DATA
                        && circuit.need(wire).role() == Role.DATA;
                order += data && !nextBit(last.get(), pin.get()) ? OUT_OF_ORDER : 0;
            }
            before = wire;
        }
        points.put(Criterion.SIDE, Math.max(0, strips.size() - 1) * STRIP);
        points.put(Criterion.NEAR, near + Math.min(up, down) * CROSSED);
        points.put(Criterion.PORT, order);
        return points;
    }

    private static Optional<Pin> pinOf(Circuit circuit, Wire wire) {
        return wire.to().filter(Target::isPin).flatMap(t -> circuit.board().pin(t.name()));
    }

    private static void add(Map<Criterion, Integer> sum, Map<Criterion, Integer> more) {
        more.forEach((c, n) -> sum.merge(c, n, Integer::sum));
    }

    /** Controllers of a kind in the order of the board. */
    static List<String> controllers(Circuit circuit, BusKind kind) {
        return circuit.board().controllersOf(kind).stream().map(c -> c.id()).toList();
    }
}
