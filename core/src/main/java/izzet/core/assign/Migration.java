package izzet.core.assign;

import izzet.core.assign.Assigner.Answer;
import izzet.core.assign.Assigner.Conflict;
import izzet.core.assign.Assigner.Limits;
import izzet.core.assign.Assigner.Outcome;
import izzet.core.catalog.Board;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.Controller;
import izzet.core.catalog.DutyKind;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * A plan carried over to another board: buses and lines by what they are for, places by the assigner, supplies by what each part takes.
 * Immutable.
 *
 * @param plan on the new board
 * @param rows every line, what became of it
 * @param constants of a program that change
 * @param outcome of the assignment
 * @param conflict why not every line has a place; null when each has
 */
public record Migration(Plan plan, List<Row> rows, List<Constant> constants, Outcome outcome, Conflict conflict) {

    /** What became of a line. */
    public enum State {
        SAME,
        MOVED,
        IMPOSSIBLE
    }

    /**
     * @param line with its part's name
     * @param before label on the old board; "open" where it was not connected
     * @param after label on the new one
     * @param why it is impossible; empty otherwise
     */
    public record Row(String line, String before, String after, State state, String why) {}

    /** A name for a constant, with its value on both boards. */
    public record Constant(String name, String before, String after) {}

    /**
     * The plan's last stay on the new board.
     *
     * @param there as it was left
     * @param left the same plan right after it went to another board; what is so still was not changed since
     */
    public record Stay(Plan there, Plan left) {}

    public Migration {
        rows = List.copyOf(rows);
        constants = List.copyOf(constants);
    }

    /** @param stay whose places are taken again if they all can be; null when the plan was never on the new board */
    public static Migration of(
            Plan plan, String board, Stay stay, Catalog catalog, Assigner assigner, Weights weights, Limits limits) {
        Board target = catalog.board(board).orElseThrow();
        Carrier carrier = new Carrier(plan, catalog, target);
        Plan bare = carrier.carry();
        Plan present = stay == null ? bare : stay.there();
        Plan carried = carrier.held(stay == null ? bare : carrier.again(bare, stay));
        Answer answer = assigner.assign(carried, present, catalog, weights, limits.forOne());
        if (stay != null && answer.assignments().isEmpty()) {
            Plan anew = carrier.held(bare);
            Answer other = assigner.assign(anew, present, catalog, weights, limits.forOne());
            // Lines that no pin can take are no reason to move the others from where they were.
            if (!other.assignments().isEmpty()) {
                carried = anew;
                answer = other;
            }
        }
        Plan placed = answer.assignments().isEmpty()
                ? carried
                : answer.assignments().get(0).edit().apply(carried);
        // What is no matter of the assigner, and as much as possible where it found nothing.
        Plan assigned = Proposal.of(placed, catalog).edit().apply(placed);
        Plan whole =
                resistors(plan, stay == null ? assigned : unlocked(open(plan, assigned, stay), stay.there()), catalog);
        Comparison comparison = new Comparison(plan, whole, catalog, answer.conflict());
        return new Migration(whole, comparison.rows(), comparison.constants(), answer.outcome(), answer.conflict());
    }

    /** Takes a plan over as far as it goes without places. */
    private static final class Carrier {
        private final Plan plan;
        private final Circuit circuit;
        private final Board target;

        Carrier(Plan plan, Catalog catalog, Board target) {
            this.plan = plan;
            this.circuit = new Circuit(plan, catalog);
            this.target = target;
        }

        Plan carry() {
            Plan next = new PlanEdit.ChooseBoard(target.id()).apply(plan);
            Set<String> taken = new HashSet<>();
            for (Bus bus : plan.buses()) {
                String controller = target.controllersOf(bus.kind()).stream()
                        .filter(c -> c.maxHz() == null || c.maxHz() >= bus.clockHz() || bus.kind() != BusKind.RGB)
                        .map(Controller::id)
                        .filter(c -> !taken.contains(c))
                        .findFirst()
                        .orElse(null);
                taken.add(controller == null ? bus.id() : controller);
                Integer most = controller == null
                        ? null
                        : target.controller(controller).orElseThrow().maxHz();
                int clock = most == null ? bus.clockHz() : Math.min(most, bus.clockHz());
                next = new PlanEdit.PutBus(new Bus(bus.id(), bus.kind(), bus.name(), controller, clock)).apply(next);
            }
            for (var placed : plan.parts()) {
                if (placed.bus() != null) {
                    next = new PlanEdit.SetPartBus(placed.id(), placed.bus()).apply(next);
                }
            }
            for (Connection c : plan.connections()) {
                Optional<Target> to = carried(c);
                if (to.isPresent()) {
                    next = new PlanEdit.Connect(c.withTo(to.get())).apply(next);
                }
            }
            return next;
        }

        /**
         * With what was so on the new board before, as far as the plan has it still, and its places locked. What was changed since stays
         * changed.
         */
        Plan again(Plan bare, Stay stay) {
            Plan remembered = stay.there();
            Plan next = bare;
            for (Bus bus : bare.buses()) {
                Optional<Bus> was =
                        remembered.bus(bus.id()).filter(b -> b.kind().equals(bus.kind()));
                if (was.isPresent()) {
                    boolean untouched = plan.bus(bus.id()).equals(stay.left().bus(bus.id()));
                    int clock = untouched ? was.get().clockHz() : bus.clockHz();
                    next = new PlanEdit.PutBus(new Bus(
                                    bus.id(), bus.kind(), bus.name(), was.get().controller(), clock))
                            .apply(next);
                }
            }
            for (Connection was : remembered.connections()) {
                boolean there = was.to().isPin()
                        ? target.pin(was.to().name()).isPresent()
                        : was.to().isRail() && target.rail(was.to().name()).isPresent();
                boolean untouched =
                        plan.connection(was.from()).equals(stay.left().connection(was.from()));
                if (there && untouched && circuit.wire(was.from()).isPresent()) {
                    next = new PlanEdit.Connect(was.to().isPin() ? was.withLock(true) : was).apply(next);
                }
            }
            return next;
        }

        /**
         * With lines that must not be forgotten on any pin for now: those that the part could do without, and those that share a pin. Lines
         * that were on one pin are on one again.
         */
        Plan held(Plan bare) {
            Plan next = bare;
            Set<String> taken = new HashSet<>();
            for (Pin old : circuit.board().signalPins()) {
                List<Wire> users = circuit.usersOf(old).stream()
                        .filter(w ->
                                LegalPins.wantsPin(w) && !circuit.standsFor(w).isEmpty())
                        .filter(w -> bare.connection(w.from()).isEmpty())
                        .filter(w -> circuit.standsFor(w).stream()
                                .noneMatch(n -> n.role().bus() || n.role() == Role.GATE_CLOCK))
                        .toList();
                List<Wire> needs = users.stream()
                        .flatMap(w -> circuit.standsFor(w).stream())
                        .toList();
                boolean forgotten = users.size() > 1
                        || needs.stream().anyMatch(w -> !w.line().required());
                Optional<Pin> pin = target.signalPins().stream()
                        .filter(p -> forgotten
                                && !taken.contains(p.id())
                                && p.duty(DutyKind.RESERVED).isEmpty())
                        .filter(p -> needs.stream().allMatch(w -> LegalPins.hasFunction(target, w, p, null)))
                        .findFirst();
                if (pin.isPresent()) {
                    taken.add(pin.get().id());
                    for (Wire wire : users) {
                        Connection there = wire.line().lamp() == null
                                ? wire.connection()
                                        .withTo(Target.pin(pin.get().id()))
                                        .withLock(false)
                                : Proposal.pinConnection(new Circuit(next, circuit.catalog()), wire, pin.get());
                        next = new PlanEdit.Connect(there).apply(next);
                    }
                }
            }
            return next;
        }

        /** Ground stays ground; what was tied to a level stays tied to that level; supplies are chosen anew from the part's range. */
        private Optional<Target> carried(Connection c) {
            if (!c.to().isRail()) {
                return Optional.empty();
            }
            Optional<Rail> old = circuit.board().rail(c.to().name());
            Optional<Wire> wire = circuit.wire(c.from());
            if (old.isEmpty() || wire.isEmpty()) {
                return Optional.empty();
            }
            if (old.get().ground()) {
                return Optional.of(Target.rail(target.ground().id()));
            }
            boolean supply = wire.get().role().power()
                    || wire.get().line().rest() != null
                    || wire.get().line().lamp() != null;
            return supply ? Optional.empty() : level(old.get()).map(r -> Target.rail(r.id()));
        }

        private Optional<Rail> level(Rail old) {
            boolean logic = old.volts() == circuit.board().logicVolts();
            return target.rails().stream()
                    .filter(r -> r.gives() && !r.ground())
                    .filter(r -> logic ? r.volts() == target.logicVolts() : r.volts() == old.volts())
                    .findFirst();
        }
    }

    /** Lines that were open here, and were not touched since, are open again. */
    private static Plan open(Plan plan, Plan assigned, Stay stay) {
        Plan next = assigned;
        for (Connection c : assigned.connections()) {
            boolean wasOpen = stay.there().part(c.from().owner()).isPresent()
                    && stay.there().connection(c.from()).isEmpty();
            if (wasOpen && plan.connection(c.from()).equals(stay.left().connection(c.from()))) {
                next = new PlanEdit.Disconnect(c.from()).apply(next);
            }
        }
        return next;
    }

    /** Locks as they were on this board, in place of those that held the search. */
    private static Plan unlocked(Plan assigned, Plan remembered) {
        Plan next = assigned;
        for (Connection c : assigned.connections()) {
            boolean before =
                    remembered.connection(c.from()).filter(Connection::staysPut).isPresent();
            if (c.staysPut() && !before) {
                next = new PlanEdit.Connect(c.withLock(false)).apply(next);
            }
        }
        return next;
    }

    /** Resistors at a pin follow the first line that was there. */
    private static Plan resistors(Plan before, Plan after, Catalog catalog) {
        Circuit old = new Circuit(before, catalog);
        Circuit now = new Circuit(after, catalog);
        Plan next = after;
        for (Resistor r : before.resistors()) {
            boolean there = after.resistors().stream().anyMatch(x -> x.id().equals(r.id()));
            Optional<Target> from = follow(old, now, r.from());
            Optional<Target> to = follow(old, now, r.to());
            if (!there && from.isPresent() && to.isPresent()) {
                next = new PlanEdit.AddResistor(new Resistor(next.freeId(r.id()), from.get(), to.get(), r.ohms()))
                        .apply(next);
            }
        }
        return next;
    }

    private static Optional<Target> follow(Circuit old, Circuit now, Target end) {
        if (end.isLine()) {
            return now.wire(end).map(Wire::from);
        }
        if (end.isRail()) {
            double volts = old.board().rail(end.name()).map(Rail::volts).orElse(0.0);
            boolean logic = volts == old.board().logicVolts();
            return now.board().rails().stream()
                    .filter(r -> volts == 0
                            ? r.ground()
                            : r.gives() && r.volts() == (logic ? now.board().logicVolts() : volts))
                    .findFirst()
                    .map(r -> Target.rail(r.id()));
        }
        return old.board().pin(end.name()).stream()
                .flatMap(p -> old.usersOf(p).stream())
                .flatMap(w -> now.plan().connection(w.from()).stream())
                .map(Connection::to)
                .filter(Target::isPin)
                .findFirst();
    }

    /** Sets the plans side by side. */
    private static final class Comparison {
        private final Circuit old;
        private final Circuit now;
        private final Conflict conflict;

        Comparison(Plan before, Plan after, Catalog catalog, Conflict conflict) {
            this.old = new Circuit(before, catalog);
            this.now = new Circuit(after, catalog);
            this.conflict = conflict;
        }

        List<Row> rows() {
            List<Row> rows = new ArrayList<>();
            for (Wire wire : now.wires()) {
                Optional<Target> before = old.plan().connection(wire.from()).map(Connection::to);
                Optional<Target> after = wire.to();
                if (before.isEmpty()
                        && after.isEmpty()
                        && (!wire.line().required() || now.netOf(wire.from()).isPresent())) {
                    continue;
                }
                boolean lost = after.isEmpty()
                        && now.netOf(wire.from()).isEmpty()
                        && (before.isPresent() || wire.line().required());
                boolean same = before.isPresent() && after.isPresent() && alike(before.get(), after.get());
                rows.add(new Row(
                        wire.label(),
                        before.map(t -> label(old, t)).orElse("open"),
                        after.map(t -> label(now, t)).orElse("open"),
                        lost ? State.IMPOSSIBLE : same ? State.SAME : State.MOVED,
                        lost ? why(wire) : ""));
            }
            return rows;
        }

        /** The same line of another part, or a rail of the same voltage. */
        private boolean alike(Target before, Target after) {
            if (before.isRail() && after.isRail()) {
                return old.board()
                        .rail(before.name())
                        .map(Rail::volts)
                        .equals(now.board().rail(after.name()).map(Rail::volts));
            }
            return before.isLine() && before.equals(after);
        }

        private String why(Wire wire) {
            boolean able = now.board().signalPins().stream().anyMatch(p -> LegalPins.hasFunction(now, wire, p));
            if (wire.role().power()) {
                return "The board gives no supply that the part takes.";
            }
            if (!able) {
                return "No pin of the board can do that.";
            }
            return conflict == null ? "No pin is left." : conflict.reason();
        }

        private static String label(Circuit circuit, Target target) {
            if (target.isPin()) {
                return circuit.board().pin(target.name()).map(Comparison::pin).orElse(target.name());
            }
            return target.isRail()
                    ? circuit.board().rail(target.name()).map(Rail::label).orElse(target.name())
                    : circuit.wire(target).map(Wire::label).orElse(target.toString());
        }

        private static String pin(Pin pin) {
            return pin.label() + " (" + pin.position() + ")";
        }

        List<Constant> constants() {
            List<Constant> constants = new ArrayList<>();
            for (Bus bus : now.plan().buses()) {
                String before = old.plan().bus(bus.id()).map(b -> used(old, b)).orElse("");
                if (!before.equals(used(now, bus))) {
                    constants.add(new Constant(name(bus.name()), before, used(now, bus)));
                }
                int clock = old.plan().bus(bus.id()).map(Bus::clockHz).orElse(bus.clockHz());
                if (clock != bus.clockHz()) {
                    constants.add(new Constant(
                            name(bus.name() + " hertz"), String.valueOf(clock), String.valueOf(bus.clockHz())));
                }
            }
            for (Wire wire : now.wires()) {
                Optional<Pin> before = pinOf(old, wire);
                Optional<Pin> after = pinOf(now, wire);
                List<Wire> needs = now.standsFor(wire);
                boolean fixed = needs.isEmpty()
                        || needs.get(0).role().bus()
                                && now.busOf(needs.get(0).unit())
                                        .filter(b -> !b.bitBanged())
                                        .isPresent();
                if (!fixed
                        && after.isPresent()
                        && !before.map(Comparison::number).equals(after.map(Comparison::number))) {
                    constants.add(new Constant(
                            name(needs.get(0).label()),
                            before.map(Comparison::number).orElse(""),
                            number(after.get())));
                }
            }
            return constants;
        }

        private static String used(Circuit circuit, Bus bus) {
            return bus.bitBanged()
                    ? "made by the program"
                    : circuit.board()
                            .controller(bus.controller())
                            .map(Controller::name)
                            .orElse(bus.controller());
        }

        private static Optional<Pin> pinOf(Circuit circuit, Wire wire) {
            return circuit.plan()
                    .connection(wire.from())
                    .map(Connection::to)
                    .filter(Target::isPin)
                    .flatMap(t -> circuit.board().pin(t.name()));
        }

        /** As programs name pins: the number of the chip where it has one, else what is printed. */
        private static String number(Pin pin) {
            return pin.chip() != null && pin.chip().startsWith("GPIO")
                    ? pin.chip().substring(4)
                    : pin.label();
        }

        private static String name(String words) {
            return words.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]+", "_").replaceAll("^_|_$", "");
        }
    }
}
