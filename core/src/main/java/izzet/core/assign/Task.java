package izzet.core.assign;

import izzet.core.catalog.Board;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.Controller;
import izzet.core.catalog.DutyKind;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.circuit.BootLevel;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.SideEffects;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * A plan as wishes for places: what the search works on, free of any solver. Immutable after construction.
 *
 * <p>Lines to rails and behind switches, gates and shifters are no wishes; they follow the helper's own lines, which are.
 */
final class Task {

    private final Plan present;
    private final Circuit circuit;
    private final Weights weights;
    private final List<Wish> wishes = new ArrayList<>();
    private final List<Spot> spots = new ArrayList<>();
    private final Map<Target, Integer> spotAt = new HashMap<>();
    private final Map<Target, Integer> wishAt = new HashMap<>();
    private final int[] channels;
    private final List<Bus> buses = new ArrayList<>();
    private final Map<String, List<String>> controllers = new LinkedHashMap<>();

    /**
     * @param present what is wired now, for the wires that would move
     * @param plan with buses, supplies and ties, the lines to places open or connected
     * @param wanted lines that count; others are left out, as if they were not there
     */
    Task(Plan present, Plan plan, Catalog catalog, Weights weights, Predicate<Wire> wanted) {
        this.present = present;
        this.circuit = new Circuit(plan, catalog);
        this.weights = weights;
        makeSpots();
        channels = channels(spots);
        makeWishes(wanted);
        makeBuses();
    }

    private void makeSpots() {
        for (Pin pin : circuit.board().signalPins()) {
            addSpot(Spot.of(pin));
        }
        for (Wire port : circuit.wires()) {
            boolean free = port.role().instead()
                    && port.net()
                            .map(net -> net.wires().stream().allMatch(w -> w == port || movable(w)))
                            .orElse(true)
                    && circuit.plan().resistors().stream()
                            .noneMatch(r -> r.from().equals(port.from()) || r.to().equals(port.from()));
            if (free && !port.connected()) {
                addSpot(Spot.of(port));
            }
        }
    }

    private void addSpot(Spot spot) {
        spotAt.put(spot.target(), spots.size());
        spots.add(spot);
    }

    /** Whether a line is on a place or open, so that it can have another one. */
    private boolean movable(Wire wire) {
        List<Wire> needs = circuit.standsFor(wire);
        if (!LegalPins.wantsPin(wire) || needs.isEmpty()) {
            return false;
        }
        Optional<Target> to = wire.to();
        boolean open = to.isEmpty()
                && needs.stream().anyMatch(w -> w.line().required())
                && wire.net().isEmpty()
                && wire.line().rest() == null;
        return open || to.filter(t -> t.isPin() || Points.isPort(circuit, t)).isPresent();
    }

    private void makeWishes(Predicate<Wire> wanted) {
        Map<String, List<Wire>> groups = new LinkedHashMap<>();
        for (Wire wire : circuit.wires()) {
            if (movable(wire) && wanted.test(wire)) {
                groups.computeIfAbsent(groupOf(wire), k -> new ArrayList<>()).add(wire);
            }
        }
        for (List<Wire> wires : groups.values()) {
            List<Wire> needs =
                    wires.stream().flatMap(w -> circuit.standsFor(w).stream()).toList();
            String signal = signal(needs.get(0));
            Bus bus = signal == null ? null : circuit.busOf(needs.get(0).unit()).orElse(null);
            wires.forEach(w -> wishAt.put(w.from(), wishes.size()));
            boolean locked =
                    wires.stream().anyMatch(w -> w.connected() && w.connection().staysPut());
            wishes.add(new Wish(wires, needs, bus, bus == null ? null : signal, locked));
        }
    }

    private static String signal(Wire wire) {
        return wire.role() == Role.GATE_CLOCK ? "scl" : wire.busSignal().orElse(null);
    }

    private String groupOf(Wire wire) {
        Wire need = circuit.standsFor(wire).get(0);
        String bus = need.unit().placed().bus();
        if (signal(need) != null && bus != null) {
            return "bus " + bus + " " + signal(need);
        }
        boolean shared = wire.connected()
                && wire.net()
                        .map(net -> net.wires().stream().filter(this::movable).allMatch(w -> sharesWell(w, wire)))
                        .orElse(false);
        return shared ? "place " + wire.to().orElseThrow() : "line " + wire.from();
    }

    /** Whether two lines on one place may stay together. */
    private static boolean sharesWell(Wire a, Wire b) {
        return a == b || a.role() == b.role() && a.role().shareable() && signal(a) == null;
    }

    private void makeBuses() {
        for (Bus bus : circuit.plan().buses()) {
            boolean used = wishes.stream().anyMatch(w -> bus.equals(w.bus()));
            if (!used) {
                continue;
            }
            buses.add(bus);
            boolean stays = wishes.stream().anyMatch(w -> bus.equals(w.bus()) && w.locked());
            List<String> choice = new ArrayList<>();
            if (stays) {
                choice.add(bus.controller());
            } else {
                for (Controller c : circuit.board().controllersOf(bus.kind())) {
                    boolean fast = c.maxHz() == null || c.maxHz() >= bus.clockHz() || c.id().equals(bus.controller());
                    boolean idle = circuit.plan().buses().stream()
                            .noneMatch(b -> !b.equals(bus)
                                    && c.id().equals(b.controller())
                                    && wishes.stream().noneMatch(w -> b.equals(w.bus())));
                    if (fast && idle) {
                        choice.add(c.id());
                    }
                }
                if (bus.kind() != BusKind.RGB) {
                    choice.add(null);
                }
            }
            controllers.put(bus.id(), Collections.unmodifiableList(choice));
        }
    }

    Circuit circuit() {
        return circuit;
    }

    Plan present() {
        return present;
    }

    Board board() {
        return circuit.board();
    }

    Weights weights() {
        return weights;
    }

    List<Wish> wishes() {
        return wishes;
    }

    List<Spot> spots() {
        return spots;
    }

    List<Bus> buses() {
        return buses;
    }

    /** Controllers that a bus can have; null among them when the program can make it. */
    List<String> controllersOf(Bus bus) {
        return controllers.get(bus.id());
    }

    /** The place that a wish has now; -1 for none. */
    int presentSpot(Wish wish) {
        return wish.wires().stream()
                .flatMap(w -> present.connection(w.from()).stream())
                .map(c -> spotAt.getOrDefault(c.to(), -1))
                .findFirst()
                .orElse(-1);
    }

    private Optional<Integer> lockedSpot(Wish wish) {
        if (!wish.locked()) {
            return Optional.empty();
        }
        return wish.wires().stream()
                .filter(Wire::connected)
                .filter(w -> w.connection().staysPut())
                .map(w -> spotAt.getOrDefault(w.connection().to(), -1))
                .findFirst();
    }

    /**
     * The places that a wish can have while its bus is on this controller, as indexes; what is locked has only its own.
     *
     * @param controller null when the program makes the bus, or there is none
     */
    int[] options(Wish wish, String controller) {
        Optional<Integer> locked = lockedSpot(wish);
        return java.util.stream.IntStream.range(0, spots.size())
                .filter(i -> locked.map(l -> l == i).orElse(true))
                .filter(i -> locked.isPresent() || serves(wish, spots.get(i), controller))
                .toArray();
    }

    private boolean serves(Wish wish, Spot spot, String controller) {
        return spot.pin() == null
                ? wish.wires().stream()
                        .allMatch(w -> spot.port().unit() != w.unit() && LegalPins.servesInstead(w, spot.port()))
                : !taken(spot.pin()) && able(wish, spot.pin(), controller);
    }

    private boolean able(Wish wish, Pin pin, String controller) {
        return wish.wires().stream()
                        .allMatch(w -> (pin.duty(DutyKind.RESERVED).isEmpty() || w.role() == Role.RGB)
                                && (w.role() != Role.SHIFT || LegalPins.hasFunction(board(), w, pin, null)))
                && wish.needs().stream().allMatch(w -> LegalPins.hasFunction(board(), w, pin, controller))
                && wish.wires().stream().noneMatch(w -> BootLevel.kills(circuit, w, pin));
    }

    /** Whether something that is no wish is on the pin, such as a shifter's line. */
    private boolean taken(Pin pin) {
        return circuit.usersOf(pin).stream().anyMatch(w -> !movable(w));
    }

    /** The set of alternative pins that a place belongs to for a line of a bus; empty where any goes together with it. */
    Optional<String> pinSet(Wish wish, Spot spot, String controller) {
        boolean free = controller == null
                || spot.pin() == null
                || board().controller(controller).orElseThrow().mixesPinSets();
        return free
                ? Optional.empty()
                : spot.pin().signalOf(controller, wish.signal()).map(f -> f.set());
    }

    /** The price of a place for a wish, by itself. */
    int price(Wish wish, int spot, String controller) {
        return weights.price(points(wish, spot, controller));
    }

    private Map<Criterion, Integer> points(Wish wish, int index, String controller) {
        Spot spot = spots.get(index);
        Map<Criterion, Integer> points = new EnumMap<>(Criterion.class);
        points.putAll(
                spot.pin() == null
                        ? Points.port()
                        : Points.pin(circuit, wish.needs().get(0), spot.pin(), controller));
        int moved = 0;
        for (Wire wire : wish.wires()) {
            moved += present.connection(wire.from())
                            .map(Connection::to)
                            .filter(t -> !t.equals(spot.target()))
                            .isPresent()
                    ? Points.MOVED
                    : 0;
        }
        points.merge(Criterion.MOVED, moved, Integer::sum);
        return points;
    }

    /** Wishes of a part in the order of its header. */
    List<Integer> inOrder(Unit unit) {
        return Points.inOrder(circuit, unit).stream()
                .filter(w -> wishAt.containsKey(w.from()))
                .map(w -> wishAt.get(w.from()))
                .toList();
    }

    /** The channel of PWM that each place has, as a number; -1 for none. Dimmed lines on one channel give one signal. */
    int[] channels() {
        return channels;
    }

    private static int[] channels(List<Spot> spots) {
        Map<String, Integer> names = new HashMap<>();
        return spots.stream()
                .mapToInt(s -> s.pin() == null
                        ? -1
                        : SideEffects.pwmChannel(s.pin())
                                .map(c -> names.computeIfAbsent(c, n -> names.size()))
                                .orElse(-1))
                .toArray();
    }

    boolean dims(Wish wish) {
        return wish.needs().stream().anyMatch(w -> w.capability().equals("pwm"));
    }

    /** The controller whose select a place is, when this wish would make it an input; empty otherwise. */
    Optional<String> disturbs(Wish wish, Spot spot) {
        boolean reads = wish.needs().stream().anyMatch(SideEffects::reads);
        return reads && spot.pin() != null ? SideEffects.masterSelect(spot.pin()) : Optional.empty();
    }

    /** Whether a bus that stays as it is uses this controller. */
    boolean fixedInUse(String controller) {
        return circuit.plan().buses().stream()
                .filter(b -> controller.equals(b.controller()) && !buses.contains(b))
                .anyMatch(b -> circuit.units().stream()
                        .anyMatch(u -> b.id().equals(u.placed().bus())));
    }

    /** Whether a wish holds a parallel data line of a part. */
    boolean data(int wish, Unit unit) {
        return wishes.get(wish).wires().stream()
                .filter(w -> w.unit().id().equals(unit.id()))
                .anyMatch(w -> circuit.need(w).role() == Role.DATA);
    }
}
