package izzet.core.wiring;

import com.fasterxml.jackson.annotation.JsonProperty;
import izzet.core.catalog.Part;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Connection;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import izzet.core.quantity.Hex;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The order in which a plan is wired: power off, supplies and ground, straps, resistors, buses, control lines, lamps, a look over. Every
 * connection of the plan is one step, whichever end it was drawn from; table, words, drawing and exports are made from these steps.
 */
public final class WiringList {

    /**
     * One end of a wire.
     *
     * @param name what it is, such as "Platform 1 sign" or "board"
     * @param label printed beside it
     * @param place in its header, such as "header pin 4"; empty where it has none
     * @param chip the chip's own name for it; empty where it is the label
     * @param at what it is in the plan; null for a row of the breadboard
     */
    public record End(String name, String label, String place, String chip, Target at) {
        /** Its other numbers, for people. */
        @JsonProperty
        public List<String> numbers() {
            return Stream.of(place, chip).filter(s -> !s.isEmpty()).toList();
        }

        /** "Platform 1 sign SDA (header pin 4)". */
        public String words() {
            String numbers = String.join(", ", numbers());
            return name + " " + label + (numbers.isEmpty() ? "" : " (" + numbers + ")");
        }
    }

    /** What a step asks for. */
    public enum Kind {
        LOOK,
        ROW,
        WIRE,
        STRAP,
        RESISTOR
    }

    /**
     * One thing to do.
     *
     * @param key stable while the wire stays, for ticks
     * @param from null where nothing is connected, as {@code to} and {@code colour} then
     * @param insert what sits in the wire, such as "220 Ω in series"; null for a plain wire
     * @param what to do, where it is no wire; empty else
     * @param why it goes there, one sentence; empty where it goes without saying
     * @param note a caution or hint; null for none
     */
    public record Step(
            int number,
            String key,
            Kind kind,
            End from,
            End to,
            String colour,
            String insert,
            String what,
            String why,
            String note) {

        public boolean wire() {
            return from != null;
        }

        /** The whole step as one sentence. */
        public String words() {
            if (!wire()) {
                return what;
            }
            String by = kind == Kind.RESISTOR ? insert : colour + " wire" + (insert == null ? "" : " with " + insert);
            return by + " from " + from.words() + " to " + to.words() + ".";
        }
    }

    /** @param cautions said once before its steps */
    public record Group(String id, String title, List<String> cautions, List<Step> steps) {
        public Group {
            cautions = List.copyOf(cautions);
            steps = List.copyOf(steps);
        }
    }

    private final Circuit circuit;
    private final WireColours colours;
    private final List<Connection> left;
    private int number;

    private WiringList(Circuit circuit, WireColours colours) {
        this.circuit = circuit;
        this.colours = colours;
        this.left = new ArrayList<>(circuit.connections());
    }

    /** With the usual colours. */
    public static List<Group> of(Circuit circuit) {
        return of(circuit, WireColours.usual());
    }

    /** Groups with steps only; empty where nothing is to be wired. */
    public static List<Group> of(Circuit circuit, WireColours colours) {
        return circuit.connections().isEmpty() && circuit.resistors().isEmpty()
                ? List.of()
                : new WiringList(circuit, colours).groups();
    }

    /** All steps in their order. */
    public static List<Step> steps(Circuit circuit, WireColours colours) {
        return of(circuit, colours).stream().flatMap(g -> g.steps().stream()).toList();
    }

    private List<Group> groups() {
        List<Group> groups = new ArrayList<>();
        add(
                groups,
                "off",
                "Power off",
                List.of(),
                List.of(look("off", "Unplug the board: no USB lead, no battery, no outside supply.", "")));
        add(
                groups,
                "rails",
                "Supply rows of the breadboard",
                List.of(
                        "Never join two supplies on one row; USB and an outside supply fight unless you know which gives way."),
                rails());
        add(
                groups,
                "supply",
                "Supply and ground of each part",
                List.of("Read the print on your module: supply and ground change places between makers."),
                wires(r -> r == Role.SUPPLY || r == Role.GROUND || r == Role.SOURCE, c -> true));
        add(groups, "straps", "Straps, pads and jumpers", List.of(), straps());
        add(groups, "resistors", "Resistors", List.of(), resistors());
        add(groups, "bus", "Bus lines", List.of(), wires(WiringList::busLike, c -> true));
        add(
                groups,
                "ties",
                "Lines tied to a level",
                List.of("A line left open here makes a part that works only sometimes."),
                wires(
                        r -> r != Role.LAMP && r != Role.RETURN,
                        c -> c.to().isRail() || c.from().isRail()));
        add(
                groups,
                "control",
                "Control and single lines",
                List.of(),
                wires(r -> r != Role.LAMP && r != Role.RETURN, c -> true));
        add(
                groups,
                "lamps",
                "Lamps and backlights",
                List.of("Never without the resistor."),
                wires(r -> true, c -> true));
        add(groups, "look", "Look over", List.of(), lookOver());
        return groups;
    }

    private static void add(List<Group> groups, String id, String title, List<String> cautions, List<Step> steps) {
        if (!steps.isEmpty()) {
            groups.add(new Group(id, title, cautions, steps));
        }
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
            if (pins.isEmpty()) {
                continue;
            }
            String places = pins.stream().map(Pin::position).collect(Collectors.joining(", "));
            String kind = circuit.board().numbering().position();
            End from = new End(
                    "board",
                    rail.label(),
                    kind + " " + places + (pins.size() > 1 ? " (any one)" : ""),
                    "",
                    Target.pin(pins.get(0).id()));
            steps.add(new Step(
                    ++number,
                    "rail:" + rail.id(),
                    Kind.ROW,
                    from,
                    row(rail),
                    colour(rail),
                    null,
                    "",
                    rail.ground()
                            ? "One ground for the board and every part."
                            : rail.gives()
                                    ? "Everything on this row runs on the board's " + rail.label() + "."
                                    : "Feeds the board at its " + rail.label() + " pin.",
                    null));
        }
        return steps;
    }

    /** Those of the wires that are left which have such a line at one of their ends. */
    private List<Step> wires(Predicate<Role> role, Predicate<Connection> which) {
        List<Step> steps = new ArrayList<>();
        for (Connection c : List.copyOf(left)) {
            Optional<Wire> wire = subject(c, role);
            if (wire.isPresent() && which.test(c)) {
                left.remove(c);
                steps.add(step(c, wire.get()));
            }
        }
        return steps;
    }

    /** The line that says what a wire is for: its first end's, or the other's. */
    private Optional<Wire> subject(Connection c, Predicate<Role> role) {
        return Stream.of(c.from(), c.to())
                .filter(Target::isLine)
                .flatMap(t -> circuit.wire(t).stream())
                .filter(w -> role.test(w.role()))
                .findFirst();
    }

    private static boolean busLike(Role role) {
        return role.bus()
                || role == Role.CHANNEL_SDA
                || role == Role.CHANNEL_SCL
                || role == Role.GATE_CLOCK
                || role == Role.GATE_OUTPUT;
    }

    private List<Step> straps() {
        List<Step> steps = new ArrayList<>();
        for (Unit unit : circuit.units()) {
            for (Part.Strap strap : unit.part().straps()) {
                Part.Strap.Setting setting = circuit.settingOf(unit, strap);
                boolean delivered = setting.equals(strap.settings().get(0));
                steps.add(look(
                        "strap:" + unit.id() + ":" + strap.id() + ":" + setting.id(),
                        Kind.STRAP,
                        unit.name() + ", " + strap.name() + ": " + setting.name()
                                + (delivered ? ". Look, and change nothing." : "."),
                        strapReason(unit, strap, setting)));
            }
        }
        return steps;
    }

    private String strapReason(Unit unit, Part.Strap strap, Part.Strap.Setting setting) {
        if (setting.removesPullUps()) {
            return "The bus has pull-ups enough without them.";
        }
        if (setting.interfaceId() != null) {
            return "Chooses " + unit.variant().name() + ".";
        }
        return strap.addresses()
                ? circuit.addressOf(unit)
                        .map(a -> "It answers at " + Hex.of(a) + ".")
                        .orElse("")
                : "";
    }

    private List<Step> resistors() {
        List<Step> steps = new ArrayList<>();
        for (Resistor r : circuit.resistors()) {
            boolean rail = r.to().isRail() || r.from().isRail();
            Target other = r.to().isRail() ? r.to() : r.from();
            boolean down = rail
                    && circuit.board().rail(other.name()).filter(Rail::ground).isPresent();
            steps.add(new Step(
                    ++number,
                    "resistor:" + r.id(),
                    Kind.RESISTOR,
                    end(r.from()),
                    end(r.to()),
                    "",
                    Quantity.ohms(r.ohms()) + " resistor",
                    "",
                    !rail
                            ? ""
                            : down
                                    ? "Holds the line low while nothing drives it."
                                    : "Pulls the line up while nothing drives it.",
                    "Either way round."));
        }
        return steps;
    }

    private List<Step> lookOver() {
        List<Step> steps = new ArrayList<>();
        Set<Target> pins = new LinkedHashSet<>();
        circuit.connections()
                .forEach(c -> Stream.of(c.from(), c.to()).filter(Target::isPin).forEach(pins::add));
        if (!pins.isEmpty()) {
            steps.add(look(
                    "look:count",
                    "Count: " + pins.size() + (pins.size() == 1 ? " signal pin" : " signal pins")
                            + " of the board carry wires.",
                    "One more or less is a wire in the wrong hole."));
        }
        steps.add(look(
                "look:print",
                "Each module: read the print beside its supply and ground pins once more.",
                "The one mistake that ends a part at once."));
        return steps;
    }

    private Step look(String key, String what, String why) {
        return look(key, Kind.LOOK, what, why);
    }

    private Step look(String key, Kind kind, String what, String why) {
        return new Step(++number, key, kind, null, null, "", null, what, why, null);
    }

    private Step step(Connection c, Wire wire) {
        String insert = c.seriesOhms() == null ? null : Quantity.ohms(c.seriesOhms()) + " in series";
        String note = c.pull() == null
                ? wire.line().note()
                : "The program switches the pin's own "
                        + (Connection.INTERNAL_UP.equals(c.pull()) ? "pull-up" : "pull-down") + " on.";
        return new Step(
                ++number,
                c.from() + ">" + c.to(),
                Kind.WIRE,
                end(c.from()),
                end(c.to()),
                colour(c, wire),
                insert,
                "",
                why(c, wire),
                note);
    }

    /** Why a wire goes where it goes, from what the plan says. */
    private String why(Connection c, Wire wire) {
        String bus = circuit.busOf(wire.unit()).map(Bus::name).orElse("the bus");
        String name = wire.unit().name();
        boolean tied = c.to().isRail() || c.from().isRail();
        return switch (wire.role()) {
            case SUPPLY ->
                wire.unit().part().supply() == null
                        ? ""
                        : name + " takes "
                                + Quantity.volts(wire.unit().part().supply().minVolts()) + " to "
                                + Quantity.volts(wire.unit().part().supply().maxVolts()) + ".";
            case GROUND -> "Every level is counted from here.";
            case SOURCE -> "What " + name + " gives.";
            case I2C_SDA -> "Data of " + bus + ", both ways.";
            case I2C_SCL -> "Clock of " + bus + ".";
            case SPI_SCK -> "Clock of " + bus + ".";
            case SPI_MOSI -> "Data from the board to " + name + ".";
            case SPI_MISO -> "Data from " + name + " to the board.";
            case SELECT -> tied ? name + " is always selected." : "Tells " + name + " that it is meant.";
            case DATA_COMMAND -> "Tells commands from data.";
            case RESET -> tied ? name + " is never held in reset." : "Starts " + name + " afresh.";
            case ENABLE -> name + " takes the data when it falls.";
            case CONTRAST -> "Sets the contrast: without it the glass stays blank or black.";
            case ADDRESS ->
                circuit.addressOf(wire.unit())
                        .map(a -> "Part of its address, " + Hex.of(a) + ".")
                        .orElse("Part of its address.");
            case CHANNEL_SDA, CHANNEL_SCL -> "Behind a channel of " + name + ".";
            case GATE_CLOCK -> "The clock that " + name + " passes on.";
            case GATE_SELECT -> "Chooses who hears the clock.";
            case GATE_OUTPUT -> "The clock that " + name + " lets through.";
            case LAMP, RETURN -> "Lights " + name + ".";
            default -> tied ? "Held at a level." : "";
        };
    }

    private End end(Target target) {
        if (target.isPin()) {
            Pin pin = circuit.board().pin(target.name()).orElseThrow();
            var names = circuit.board().numbering();
            boolean own = pin.chip() != null && !pin.chip().equals(pin.label());
            return new End(
                    "board",
                    pin.label(),
                    names.position() + " " + pin.position(),
                    own ? names.chip() + " " + pin.chip() : "",
                    target);
        }
        if (target.isRail()) {
            return row(circuit.board().rail(target.name()).orElseThrow());
        }
        Wire wire = circuit.wire(target).orElseThrow();
        Integer header = wire.line().header();
        return new End(wire.unit().name(), wire.line().id(), header == null ? "" : "header pin " + header, "", target);
    }

    private static End row(Rail rail) {
        return new End("breadboard", rail.label() + " row", "", "", null);
    }

    private String colour(Rail rail) {
        return colours.of(rail.ground() ? WireUse.GROUND : rail.volts() > 4 ? WireUse.SUPPLY : WireUse.LOW_SUPPLY);
    }

    private String colour(Connection c, Wire wire) {
        return Stream.of(c.to(), c.from())
                .flatMap(t -> circuit.rail(t).stream())
                .findFirst()
                .map(this::colour)
                .orElse(colours.of(WireUse.of(wire.role())));
    }
}
