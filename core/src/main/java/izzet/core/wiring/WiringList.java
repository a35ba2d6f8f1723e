package izzet.core.wiring;

import izzet.core.catalog.Pin;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** The order in which a plan is wired: supplies first, then buses, then single lines; with both ends under all their numbers. */
public final class WiringList {

    /**
     * One end of a wire.
     *
     * @param name what it is, such as "Platform 1 sign" or "board"
     * @param label printed beside it
     * @param numbers its other numbers, for people; empty where it has none
     */
    public record End(String name, String label, List<String> numbers) {}

    /**
     * One wire or resistor.
     *
     * @param key stable while the wire stays, for ticks
     * @param colour by habit, as a word
     * @param insert what sits in the wire, such as "220 Ω in series"; null for a plain wire
     * @param note one sentence; null for none
     */
    public record Step(int number, String key, End from, End to, String colour, String insert, String note) {}

    /** @param cautions said once before its steps */
    public record Group(String id, String title, List<String> cautions, List<Step> steps) {
        public Group {
            cautions = List.copyOf(cautions);
            steps = List.copyOf(steps);
        }
    }

    private final Circuit circuit;
    private int number;

    private WiringList(Circuit circuit) {
        this.circuit = circuit;
    }

    /** Groups with steps only; the checks before power come last. */
    public static List<Group> of(Circuit circuit) {
        return new WiringList(circuit).groups();
    }

    private List<Group> groups() {
        List<Group> groups = new ArrayList<>();
        List<Step> rails = rails();
        add(
                groups,
                "rails",
                "Supply rows of the breadboard",
                List.of(
                        "Unplug the board before you wire: no USB lead, no battery.",
                        "Never join two supplies on one row; USB and an outside supply fight unless you know which gives way."),
                rails);
        add(
                groups,
                "supply",
                "Supply and ground of each part",
                List.of("Read the print on your module: supply and ground change places between makers."),
                steps(w -> w.role() == Role.SUPPLY || w.role() == Role.GROUND));
        add(groups, "bus", "Bus lines", List.of(), busSteps());
        add(
                groups,
                "control",
                "Control and single lines",
                List.of(),
                steps(w -> !busLike(w) && !w.role().power() && w.role() != Role.LAMP && !tied(w)));
        add(
                groups,
                "ties",
                "Lines tied to a level",
                List.of("A line left open here makes a part that works only sometimes."),
                steps(w -> !busLike(w) && !w.role().power() && w.role() != Role.LAMP && tied(w)));
        add(
                groups,
                "lamps",
                "Lamps and backlights",
                List.of("Never without the resistor."),
                steps(w -> w.role() == Role.LAMP || w.role() == Role.RETURN));
        return groups;
    }

    private static void add(List<Group> groups, String id, String title, List<String> cautions, List<Step> steps) {
        if (!steps.isEmpty()) {
            groups.add(new Group(id, title, cautions, steps));
        }
    }

    /** What to check with the meter before power goes on. */
    public static List<String> checks(Circuit circuit) {
        List<String> checks = new ArrayList<>();
        List<Rail> used = usedRails(circuit);
        String ground = circuit.board().ground().label();
        for (Rail rail : used) {
            if (!rail.ground()) {
                checks.add("Meter on continuity: no beep between the " + rail.label() + " row and " + ground + ".");
            }
        }
        checks.add("Every module: its supply pin on the right row, its ground pin on ground.");
        for (Rail rail : used) {
            if (!rail.ground()) {
                checks.add("Power on with nothing else plugged: the " + rail.label() + " row reads "
                        + Quantity.volts(rail.volts()) + ", give or take 5 %.");
            }
        }
        checks.add("Anything warm or smelling: unplug at once. The part's own data sheet decides over these figures.");
        return checks;
    }

    private static List<Rail> usedRails(Circuit circuit) {
        Set<Rail> used = new LinkedHashSet<>();
        circuit.board().rails().stream()
                .filter(r -> circuit.netOf(Target.rail(r.id())).isPresent())
                .forEach(used::add);
        return List.copyOf(used);
    }

    private List<Step> rails() {
        List<Step> steps = new ArrayList<>();
        for (Rail rail : usedRails(circuit)) {
            List<Pin> pins = circuit.board().pins().stream()
                    .filter(p -> rail.id().equals(p.rail()))
                    .toList();
            String places = pins.stream().map(Pin::position).collect(Collectors.joining(", "));
            String kind = circuit.board().numbering().position();
            End from = new End(
                    "board", rail.label(), List.of(kind + " " + places + (pins.size() > 1 ? " (any one)" : "")));
            steps.add(step("rail:" + rail.id(), from, row(rail), colour(rail), null, null));
        }
        return steps;
    }

    private List<Step> steps(java.util.function.Predicate<Wire> which) {
        List<Step> steps = new ArrayList<>();
        circuit.wires().stream()
                .filter(w -> w.connected() && circuit.netOf(w.from()).isPresent() && which.test(w))
                .forEach(w -> steps.add(step(w)));
        return steps;
    }

    private List<Step> busSteps() {
        List<Step> steps = steps(WiringList::busLike);
        for (Resistor r : circuit.resistors()) {
            steps.add(step(
                    "resistor:" + r.id(),
                    end(r.from()),
                    end(r.to()),
                    "any",
                    Quantity.ohms(r.ohms()) + " resistor",
                    "Either way round."));
        }
        return steps;
    }

    private static boolean busLike(Wire wire) {
        return wire.role().bus() || wire.role().downstream() || wire.role() == Role.GATE_CLOCK;
    }

    private static boolean tied(Wire wire) {
        return wire.to().filter(Target::isRail).isPresent();
    }

    private Step step(Wire wire) {
        Connection c = wire.connection();
        String insert = c.seriesOhms() == null ? null : Quantity.ohms(c.seriesOhms()) + " in series";
        String note = c.pull() == null
                ? wire.line().note()
                : "The program switches the pin's own "
                        + (Connection.INTERNAL_UP.equals(c.pull()) ? "pull-up" : "pull-down") + " on.";
        return step(c.from() + ">" + c.to(), end(c.from()), end(c.to()), colour(wire), insert, note);
    }

    private Step step(String key, End from, End to, String colour, String insert, String note) {
        return new Step(++number, key, from, to, colour, insert, note);
    }

    private End end(Target target) {
        if (target.isPin()) {
            Pin pin = circuit.board().pin(target.name()).orElseThrow();
            var names = circuit.board().numbering();
            List<String> numbers = new ArrayList<>(List.of(names.position() + " " + pin.position()));
            if (pin.chip() != null && !pin.chip().equals(pin.label())) {
                numbers.add(names.chip() + " " + pin.chip());
            }
            return new End("board", pin.label(), numbers);
        }
        if (target.isRail()) {
            return row(circuit.board().rail(target.name()).orElseThrow());
        }
        Wire wire = circuit.wire(target).orElseThrow();
        Integer header = wire.line().header();
        return new End(
                wire.unit().name(), wire.line().id(), header == null ? List.of() : List.of("header pin " + header));
    }

    private static End row(Rail rail) {
        return new End("breadboard", rail.label() + " row", List.of());
    }

    private static String colour(Rail rail) {
        return rail.ground() ? "black" : rail.volts() > 4 ? "red" : "orange";
    }

    private String colour(Wire wire) {
        Target to = wire.connection().to();
        if (to.isRail()) {
            return colour(circuit.board().rail(to.name()).orElseThrow());
        }
        return switch (wire.role()) {
            case I2C_SDA, CHANNEL_SDA, SPI_MOSI -> "blue";
            case I2C_SCL, CHANNEL_SCL, SPI_SCK, GATE_CLOCK, GATE_OUTPUT -> "yellow";
            case SPI_MISO -> "violet";
            case SELECT, GATE_SELECT -> "green";
            default -> "white";
        };
    }
}
