package izzet.core.circuit;

import izzet.core.calc.DcNetwork;
import izzet.core.calc.SeriesResistor;
import izzet.core.catalog.Board;
import izzet.core.catalog.Direction;
import izzet.core.catalog.DutyKind;
import izzet.core.catalog.ElementKind;
import izzet.core.catalog.First;
import izzet.core.catalog.LogicLevels;
import izzet.core.catalog.OpenLine;
import izzet.core.catalog.Part;
import izzet.core.catalog.PartLine;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.catalog.Rail;
import izzet.core.catalog.ResetPull;
import izzet.core.catalog.Role;
import izzet.core.plan.Connection;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * The circuit as currents at rest see it: nodes, what holds them, and what lies between them. Nodes that supplies hold part it into
 * pieces, which are solved one by one, each in the states that a rule asks for. Built once for a circuit; immutable.
 */
public final class DcModel {

    /** Of a part's own weak resistor at an input, where its sheet gives a current or nothing. Common practice. */
    public static final double WEAK_OHMS = 50_000;

    /** Of the resistor that every board has at its reset. Common practice. */
    private static final double RESET_OHMS = 10_000;

    /** An output without a load figure. */
    private static final double STIFF_OHMS = 0.01;

    /** A closed contact. */
    private static final double CONTACT_OHMS = 0.1;

    /** More than any resistor of a circuit: nothing holds such a node. */
    private static final double HELD_BELOW_OHMS = 10e6;

    /** Two-terminal things between nodes. */
    public sealed interface Element {
        int a();

        int b();
    }

    /**
     * @param weak a part's own at an input, which gives way to everything else
     * @param unit null for one of the plan or the board
     */
    public record Resistance(int a, int b, double ohms, boolean weak, Unit unit) implements Element {}

    /**
     * @param anode line at its anode; null where that is inside the part
     * @param cathode line at its cathode; null where that is inside the part
     */
    public record Lamp(int a, int b, PartLine.Lamp data, Unit unit, Wire anode, Wire cathode) implements Element {

        /** By its place: the data of the lamp would take long. */
        @Override
        public int hashCode() {
            return 31 * a + b;
        }

        /** The line that names it. */
        public Wire line() {
            return anode != null && anode.line().lamp() != null || cathode == null ? anode : cathode;
        }
    }

    public record Contact(int a, int b, Unit unit) implements Element {

        @Override
        public int hashCode() {
            return 31 * a + b;
        }
    }

    public record Dial(int a, int b, int wiper, double ohms, Unit unit) implements Element {

        @Override
        public int hashCode() {
            return 31 * a + b;
        }
    }

    /**
     * What can put a level on a node.
     *
     * @param owner id of the unit, or {@code board}
     * @param supply that it stands at without load
     * @param highOhms its resistance when high, lowOhms when low
     */
    public record Output(
            int node,
            String owner,
            String name,
            Target end,
            double supply,
            double high,
            double low,
            double highOhms,
            double lowOhms,
            Double maxMilliamps,
            String source) {

        @Override
        public int hashCode() {
            return node;
        }
    }

    /** Nodes between supplies, with what touches them. */
    public static final class Piece {
        private final List<Integer> nodes = new ArrayList<>();
        private final List<Element> elements = new ArrayList<>();
        private final List<Output> outputs = new ArrayList<>();
        private boolean unloaded = true;

        private void add(Element e) {
            elements.add(e);
            unloaded &= e instanceof Resistance r && r.weak();
        }

        public List<Integer> nodes() {
            return nodes;
        }

        public List<Element> elements() {
            return elements;
        }

        public List<Output> outputs() {
            return outputs;
        }

        /** Whether nothing but weak resistors of inputs hangs on it. */
        public boolean unloaded() {
            return unloaded;
        }

        public <T extends Element> List<T> of(Class<T> kind) {
            List<T> found = new ArrayList<>();
            for (Element e : elements) {
                if (kind.isInstance(e)) {
                    found.add(kind.cast(e));
                }
            }
            return found;
        }
    }

    private final Circuit circuit;
    private final Nets nets;
    private final List<Double> held = new ArrayList<>();
    private final List<Element> elements = new ArrayList<>();
    private final List<Output> outputs = new ArrayList<>();
    private final List<Resistance> atReset = new ArrayList<>();
    private Piece[] pieceAt;
    private final List<Piece> pieces = new ArrayList<>();
    private final Map<Double, Integer> supplies = new HashMap<>();

    DcModel(Circuit circuit) {
        this.circuit = circuit;
        this.nets = circuit.conductors();
        for (int node = 0; node < nets.nodes(); node++) {
            held.add(heldAt(node));
        }
        wires();
        board();
        circuit.units().forEach(this::part);
        split();
    }

    /** Null where no supply does. */
    private Double heldAt(int node) {
        for (Target end : nets.endsAt(node)) {
            Optional<Rail> rail = railAt(end).filter(Rail::gives);
            if (rail.isPresent()) {
                return rail.get().volts();
            }
        }
        return null;
    }

    /** The rails that a node is, board's and parts'. */
    public List<Rail> railsAt(int node) {
        List<Rail> rails = new ArrayList<>();
        for (Target end : nets.endsAt(node)) {
            railAt(end).ifPresent(rails::add);
        }
        return rails;
    }

    private Optional<Rail> railAt(Target end) {
        return end.isRail()
                ? circuit.board().rail(end.name())
                : circuit.wire(end).flatMap(Wire::source);
    }

    /** Where a rail is in a plan: on the board, or the output of a part. */
    public static Target endOf(Rail rail) {
        return rail.ofPart() ? Target.of(rail.id()) : Target.rail(rail.id());
    }

    /** A node of its own that an ideal supply holds. */
    private int supply(double volts) {
        return supplies.computeIfAbsent(volts, v -> {
            held.add(v);
            return held.size() - 1;
        });
    }

    private void wires() {
        for (Connection c : circuit.connections()) {
            if (c.seriesOhms() != null) {
                resistance(nets.node(c.from()), nets.node(c.to()), c.seriesOhms(), false, null);
            }
            pullOf(c).ifPresent(elements::add);
        }
        for (Resistor r : circuit.resistors()) {
            resistance(nets.node(r.from()), nets.node(r.to()), r.ohms(), false, null);
        }
    }

    /** The resistor inside the chip that a wire's pull switches on, where the pin has one. */
    private Optional<Resistance> pullOf(Connection c) {
        if (c.pull() == null) {
            return Optional.empty();
        }
        boolean up = Connection.INTERNAL_UP.equals(c.pull());
        Optional<Pin> pin = c.to().isPin() ? circuit.board().pin(c.to().name()) : Optional.empty();
        Optional<Double> ohms = pin.flatMap(p -> circuit.board().pullOhms(p, up));
        double volts = up ? circuit.board().logicVolts() : 0;
        if (pin.isEmpty() && c.to().isLine()) {
            // An expander's own, switched on by the program.
            Wire port = circuit.wire(c.to()).orElse(null);
            boolean both =
                    port != null && port.role() == Role.PORT && port.line().direction() == Direction.BOTH;
            ohms = both ? Optional.of(Board.WEAK_PULL_OHMS * 2) : Optional.empty();
            volts = both && up ? circuit.logicVolts(port.unit(), port.line()).orElse(0.0) : 0;
        }
        int to = supply(volts);
        return ohms.map(o -> new Resistance(nets.node(c.to()), to, o, false, null));
    }

    private void board() {
        double logic = circuit.board().logicVolts();
        for (Pin pin : circuit.board().signalPins()) {
            int node = nets.node(Target.pin(pin.id()));
            if (node < 0) {
                continue;
            }
            for (Pin.Duty duty : pin.duties()) {
                if (duty.ohms() != null && duty.kind().pull()) {
                    resistance(node, supply(duty.kind() == DutyKind.PULL_UP ? logic : 0), duty.ohms(), false, null);
                }
            }
            if (pin.can(PinFunction.BOARD_RESET)) {
                resistance(node, supply(logic), RESET_OHMS, false, null);
            }
            if (pin.atReset() != null) {
                boolean up = pin.atReset() == ResetPull.PULLED_UP;
                double ohms = circuit.board().pullOhms(pin, up).orElse(Board.WEAK_PULL_OHMS);
                atReset.add(new Resistance(node, supply(up ? logic : 0), ohms, false, null));
            }
            if (held.get(node) == null && drives(pin)) {
                outputs.add(output(pin, node, logic));
            }
        }
    }

    /** Whether a program makes a pin an output: something on it wants to be driven, and not only now and then as on a 2-wire bus. */
    private boolean drives(Pin pin) {
        return First.any(circuit.usersOf(pin), w -> First.any(circuit.standsFor(w), this::driven));
    }

    private boolean driven(Wire w) {
        return !SideEffects.reads(w)
                        && !w.role().i2c()
                        && !w.role().power()
                        && w.role() != Role.CHANNEL_SDA
                        && w.role() != Role.CHANNEL_SCL
                        && w.role() != Role.CONTRAST
                || lampAt(w)
                || lampBehindDial(w);
    }

    /** A lamp that a potentiometer dims is driven through it. */
    private boolean lampBehindDial(Wire wire) {
        return !wire.unit().part().elements().isEmpty()
                && wire.unit().part().elements().stream()
                        .filter(e -> e.kind() == ElementKind.POTENTIOMETER)
                        .map(e -> List.of(e.a(), e.b(), e.wiper()))
                        .filter(ends -> ends.contains(wire.line().id()))
                        .flatMap(List::stream)
                        .filter(end -> !end.equals(wire.line().id()))
                        .flatMap(end -> circuit.netOf(Target.line(wire.unit().id(), end)).stream())
                        .flatMap(net -> net.wires().stream())
                        .anyMatch(w -> w.role() == Role.LAMP || lampAt(w));
    }

    private static boolean lampAt(Wire wire) {
        return wire.role() == Role.RETURN && wire.unit().part().lines().stream().anyMatch(l -> l.lamp() != null);
    }

    private Output output(Pin pin, int node, double logic) {
        LogicLevels levels = circuit.board().levelsOf("port");
        return output(
                node,
                Target.BOARD,
                "the board",
                Target.pin(pin.id()),
                logic,
                levels,
                circuit.board().current().perPinMilliamps(),
                circuit.board().source(levels.source()));
    }

    private static Output output(
            int node,
            String owner,
            String name,
            Target end,
            double supply,
            LogicLevels levels,
            Double maxMilliamps,
            String source) {
        double high = levels.voh() == null ? supply : levels.voh().at(supply);
        double low = levels.vol() == null ? 0 : levels.vol().at(supply);
        Double load = levels.milliamps();
        if (load == null) {
            return new Output(node, owner, name, end, supply, high, low, STIFF_OHMS, STIFF_OHMS, maxMilliamps, source);
        }
        // Without load such an output stands at its supply; its figures say what a load takes away.
        double highOhms = Math.max(STIFF_OHMS, (supply - high) / load * 1000);
        double lowOhms = Math.max(STIFF_OHMS, low / load * 1000);
        return new Output(node, owner, name, end, supply, supply, 0, highOhms, lowOhms, maxMilliamps, source);
    }

    private void part(Unit unit) {
        for (Wire wire : circuit.wiresOf(unit)) {
            int node = wire.node();
            Optional<Double> supply = circuit.logicVolts(unit, wire.line());
            OpenLine open = wire.line().open();
            if (supply.isPresent() && (open == OpenLine.PULLED_UP || open == OpenLine.PULLED_DOWN)) {
                resistance(node, supply(open == OpenLine.PULLED_UP ? supply.get() : 0), WEAK_OHMS, true, unit);
            }
            LogicLevels levels = unit.part().levels().get(wire.line().levels());
            if (held.get(node) == null
                    && supply.filter(v -> v > 0).isPresent()
                    && levels != null
                    && levels.voh() != null
                    && levels.vol() != null
                    && !wire.role().i2c()
                    && circuit.drives(wire)) {
                outputs.add(output(
                        node,
                        unit.id(),
                        unit.name(),
                        wire.from(),
                        supply.get(),
                        levels,
                        levels.maxMilliamps(),
                        unit.part().source(levels.source())));
            }
        }
        for (Part.FittedPullUp p : circuit.pullUpsOf(unit)) {
            circuit.pullUpVolts(unit, p).ifPresent(volts -> p.lines().forEach(line -> {
                int node = nets.node(Target.line(unit.id(), line));
                if (node >= 0) {
                    resistance(node, supply(volts), p.ohms(), false, unit);
                }
            }));
        }
        unit.part().elements().forEach(e -> element(unit, e));
        for (Wire wire : circuit.wiresOf(unit)) {
            if (wire.line().lamp() != null && !told(unit, wire.line().id())) {
                Wire back = circuit.wire(unit, Role.RETURN).orElse(null);
                int cathode = back == null ? supply(0) : back.node();
                elements.add(new Lamp(wire.node(), cathode, wire.line().lamp(), unit, wire, back));
            }
        }
    }

    /** Whether a lamp of a line is among the part's elements, too. */
    private static boolean told(Unit unit, String line) {
        return unit.part().elements().stream()
                .anyMatch(e -> e.lamp() != null && (line.equals(e.a()) || line.equals(e.b())));
    }

    private void element(Unit unit, Part.Element e) {
        int a = nets.node(Target.line(unit.id(), e.a()));
        int b = nets.node(Target.line(unit.id(), e.b()));
        if (a < 0 || b < 0) {
            return;
        }
        switch (e.kind()) {
            case RESISTOR -> resistance(a, b, e.ohms(), false, unit);
            case SWITCH -> elements.add(new Contact(a, b, unit));
            case POTENTIOMETER -> {
                int wiper = nets.node(Target.line(unit.id(), e.wiper()));
                if (wiper >= 0) {
                    elements.add(new Dial(a, b, wiper, e.ohms(), unit));
                }
            }
            case LAMP ->
                elements.add(new Lamp(
                        a,
                        b,
                        e.lamp(),
                        unit,
                        circuit.wire(Target.line(unit.id(), e.a())).orElse(null),
                        circuit.wire(Target.line(unit.id(), e.b())).orElse(null)));
        }
    }

    private void resistance(int a, int b, double ohms, boolean weak, Unit unit) {
        if (a >= 0 && b >= 0 && a != b) {
            elements.add(new Resistance(a, b, ohms, weak, unit));
        }
    }

    private void split() {
        int[] parent = new int[held.size()];
        for (int i = 0; i < parent.length; i++) {
            parent[i] = i;
        }
        for (Element e : elements) {
            join(parent, e.a(), e.b());
            if (e instanceof Dial d) {
                join(parent, d.a(), d.wiper());
                join(parent, d.b(), d.wiper());
            }
        }
        Piece[] byRoot = new Piece[parent.length];
        pieceAt = new Piece[parent.length];
        for (int node = 0; node < parent.length; node++) {
            if (held.get(node) == null) {
                int root = root(parent, node);
                if (byRoot[root] == null) {
                    byRoot[root] = new Piece();
                    pieces.add(byRoot[root]);
                }
                byRoot[root].nodes.add(node);
                pieceAt[node] = byRoot[root];
            }
        }
        for (Element e : elements) {
            piecesOf(e, p -> p.add(e));
        }
        outputs.forEach(o -> pieceAt[o.node()].outputs.add(o));
    }

    /** A dial between two supplies belongs to its wiper's piece; other things between two supplies to none. */
    private void piecesOf(Element e, Consumer<Piece> use) {
        int node = held.get(e.a()) == null ? e.a() : e.b();
        if (held.get(node) != null && e instanceof Dial d) {
            node = d.wiper();
        }
        Piece piece = pieceAt[node];
        if (piece != null) {
            use.accept(piece);
        }
    }

    private void join(int[] parent, int a, int b) {
        if (held.get(a) == null && held.get(b) == null) {
            parent[root(parent, a)] = root(parent, b);
        }
    }

    private static int root(int[] parent, int node) {
        int at = node;
        while (parent[at] != at) {
            parent[at] = parent[parent[at]];
            at = parent[at];
        }
        return at;
    }

    public List<Piece> pieces() {
        return pieces;
    }

    public List<Element> elements() {
        return elements;
    }

    /** The node of an end; -1 for a pin or rail that the plan does not use. */
    public int node(Target end) {
        return nets.node(end);
    }

    /** How many there are, those of ideal supplies among them. */
    int nodes() {
        return held.size();
    }

    /** The voltage of a node that a supply holds; empty for others. */
    public Optional<Double> held(int node) {
        return node < 0 ? Optional.empty() : Optional.ofNullable(held.get(node));
    }

    /** Empty where a supply holds the node. */
    public Optional<Piece> pieceAt(int node) {
        return node < 0 ? Optional.empty() : Optional.ofNullable(pieceAt[node]);
    }

    /** What hands and programs do: which outputs drive where, contacts, dials. What is not said is released, open, half way. */
    public static final class State {
        private final Map<Output, Boolean> driven = new HashMap<>();
        private final Map<Contact, Boolean> closed = new HashMap<>();
        private final Map<Dial, Double> turned = new HashMap<>();
        private boolean reset;
        private boolean weak = true;
        private boolean ideal;
        private Lamp without;

        /** The same, to be changed on its own. */
        public State copy() {
            State copy = new State();
            copy.driven.putAll(driven);
            copy.closed.putAll(closed);
            copy.turned.putAll(turned);
            copy.reset = reset;
            copy.weak = weak;
            copy.ideal = ideal;
            copy.without = without;
            return copy;
        }

        public State drive(Output output, boolean high) {
            driven.put(output, high);
            return this;
        }

        public State close(Contact contact, boolean is) {
            closed.put(contact, is);
            return this;
        }

        /** @param share of the way from b to a that the wiper has gone, 0 to 1 */
        public State turn(Dial dial, double share) {
            turned.put(dial, share);
            return this;
        }

        /** While the board starts: its pins have the resistors of their reset. */
        public State atReset() {
            reset = true;
            return this;
        }

        /** Without the weak resistors of parts' inputs. */
        public State withoutWeak() {
            weak = false;
            return this;
        }

        /** Outputs without resistance of their own: the most that can flow. */
        public State idealOutputs() {
            ideal = true;
            return this;
        }

        /** With one lamp taken out. */
        public State without(Lamp lamp) {
            without = lamp;
            return this;
        }
    }

    /** A piece in one state. */
    public final class Point {
        private final DcNetwork network = new DcNetwork();
        /** The nodes in it, few, each at the place of its number in the network. */
        private int[] index = new int[8];

        private final Map<Object, Integer> branches = new HashMap<>();
        private final DcNetwork.Solution solution;

        private Point(Piece piece, State state) {
            for (Element e : piece.elements) {
                add(e, state);
            }
            if (state.reset) {
                for (Resistance r : atReset) {
                    if (pieceAt[r.a()] == piece) {
                        network.resistor(at(r.a()), at(r.b()), r.ohms());
                    }
                }
            }
            for (Output o : piece.outputs) {
                Boolean high = state.driven.get(o);
                if (high != null) {
                    double ohms = state.ideal ? STIFF_OHMS : high ? o.highOhms() : o.lowOhms();
                    int from = network.held(high ? o.high() : o.low());
                    branches.put(o, network.resistor(from, at(o.node()), ohms));
                }
            }
            piece.nodes.forEach(this::at);
            if (state.without != null) {
                at(state.without.a());
                at(state.without.b());
            }
            solution = network.solve();
        }

        private void add(Element e, State state) {
            if (e instanceof Resistance r) {
                if (state.weak || !r.weak()) {
                    network.resistor(at(r.a()), at(r.b()), r.ohms());
                }
            } else if (e instanceof Contact c) {
                if (state.closed.getOrDefault(c, false)) {
                    network.resistor(at(c.a()), at(c.b()), CONTACT_OHMS);
                }
            } else if (e instanceof Dial d) {
                double share = Math.min(Math.max(state.turned.getOrDefault(d, 0.5), 0.001), 0.999);
                network.resistor(at(d.a()), at(d.wiper()), d.ohms() * (1 - share));
                network.resistor(at(d.wiper()), at(d.b()), d.ohms() * share);
            } else if (e instanceof Lamp l && l != state.without) {
                double amperes = l.data().typicalMilliamps() / 1000;
                double slope = SeriesResistor.slopeOhms(l.data().forwardVolts(), amperes);
                branches.put(l, network.lamp(at(l.a()), at(l.b()), l.data().forwardVolts(), amperes, slope));
            }
        }

        private int at(int node) {
            int known = find(node);
            if (known >= 0) {
                return known;
            }
            Double volts = held.get(node);
            int number = volts == null ? network.node() : network.held(volts);
            if (number >= index.length) {
                index = Arrays.copyOf(index, 2 * number);
            }
            index[number] = node + 1;
            return number;
        }

        /** Number in the network; -1 where the node has no part in it. */
        private int find(int node) {
            for (int number = 1; number < index.length; number++) {
                if (index[number] == node + 1) {
                    return number;
                }
            }
            return -1;
        }

        public double volts(int node) {
            return held.get(node) != null ? held.get(node) : solution.volts(find(node));
        }

        /** Whether anything holds the node at a level. */
        public boolean holds(int node) {
            return held.get(node) != null || solution.ohmsAt(find(node)) < HELD_BELOW_OHMS;
        }

        public double ohmsAt(int node) {
            return held.get(node) != null ? 0 : solution.ohmsAt(find(node));
        }

        /** Resistance between the two ends of a lamp that was taken out. */
        public double ohmsAround(Lamp lamp) {
            return solution.ohmsBetween(find(lamp.a()), find(lamp.b()));
        }

        public double amperes(Lamp lamp) {
            return solution.amperes(branches.get(lamp));
        }

        /** Out of a driven output; negative when it sinks. 0 when it is released. */
        public double amperes(Output output) {
            return branches.containsKey(output) ? solution.amperes(branches.get(output)) : 0;
        }
    }

    /** @throws ArithmeticException when the solver finds no rest */
    public Point at(Piece piece, State state) {
        return new Point(piece, state);
    }
}
