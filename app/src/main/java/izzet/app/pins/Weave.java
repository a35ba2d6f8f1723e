package izzet.app.pins;

import izzet.core.catalog.Board;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.DutyKind;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Reaches;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.edit.Places;
import izzet.core.plan.Plan;
import izzet.core.plan.Target;
import izzet.core.quantity.Hex;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * The plan as a woven cloth: the board's pins are columns, the parts' lines rows, and a knot is where they meet. Everything placed in
 * pixels, ready to draw.
 */
public record Weave(
        int width,
        int height,
        int top,
        List<Column> columns,
        List<PartRows> parts,
        List<Thread> threads,
        List<Head> heads) {

    private static final int LABELS = 228;
    private static final int ROOM = 640;
    private static final int RIGHT = 12;
    private static final int TOP = 132;

    /** How much higher every second label stands where the columns are too narrow for the labels beside each other. */
    private static final int LIFT = 13;

    /** From one numbering to the next: as high as a line of text, or two where every second one is lifted. */
    private static final int BAND = 15;

    private static final int FOOT = 10;
    private static final int FUNCTIONS = 56;

    private static final double LETTER = 8.4;
    private static final int DETAIL = 24;
    private static final int ROW = 19;
    private static final int PART_GAP = 10;
    private static final int NARROW = 19;
    private static final int WIDE = 30;
    private static final int RAIL = 28;
    private static final int GROUP_GAP = 8;

    /** A name of the numberings beside the heads. */
    public record Head(String text, int y) {}

    /**
     * @param target what a row is tied to here: {@code board:A4} or {@code rail:GND}
     * @param kind {@code rail}, {@code pin}
     * @param labelY where its label stands, in two heights where columns are narrow; positionY and chipY its other numbers
     * @param functionsY where the slanted words above it begin
     * @param duty reserved, console or boot: hatched; empty otherwise
     * @param able everything that it can do
     */
    public record Column(
            String target,
            int x,
            int labelY,
            int positionY,
            int chipY,
            int functionsY,
            String kind,
            String label,
            String position,
            String chip,
            String functions,
            String duty,
            String note,
            String able) {}

    /**
     * @param folded whether all its knots lie in one row
     * @param rows drawn
     * @param listed every line that can be connected; those not drawn, too
     */
    public record PartRows(
            String id,
            String name,
            String detail,
            int y,
            int bottom,
            boolean clash,
            boolean folded,
            List<Row> rows,
            List<Row> listed) {}

    /**
     * @param line {@code sign1:SDA}
     * @param knotX 0 when the line is not connected to any column
     * @param shape {@code ring} (bus), {@code dot}, {@code square} (supply), {@code bar} (ground)
     * @param via where the line leads when not straight to the board
     * @param options columns it could go to, as targets; the present one among them
     * @param dots columns where fine dots show freedom
     * @param ghostX where its knot is in the plan compared with; 0 where it is the same, or nothing is compared
     * @param locked whether an assignment leaves it where it is
     */
    public record Row(
            String line,
            String label,
            String kind,
            int y,
            int knotX,
            String shape,
            boolean clash,
            String via,
            String where,
            String insert,
            List<Option> options,
            List<Integer> dots,
            int ghostX,
            boolean locked,
            boolean movable,
            Extras extras) {

        public String optionTargets() {
            return options.stream().map(Option::target).collect(Collectors.joining(" "));
        }
    }

    /**
     * What the list offers beside the pins.
     *
     * @param helpers lines of other parts that it could hang on
     * @param asksOhms whether a series resistor is at home here
     * @param pulls of the pin that a program could switch on: {@code internal-up}, {@code internal-down}
     * @param pull that is switched on; empty for none
     */
    public record Extras(List<Option> helpers, boolean asksOhms, List<String> pulls, String pull) {

        public boolean pulled() {
            return !pull.isEmpty();
        }
    }

    public record Option(String target, String label, boolean chosen, int x) {}

    /** Knots of one column joined. */
    public record Thread(int x, int y1, int y2, String kind) {}

    /**
     * What of the plan is shown, and how.
     *
     * @param ghosts plan whose knots show as ghosts where they differ; null for none
     * @param parts only these, by id; empty for all
     * @param folded parts drawn as one row, by id
     * @param movable whether knots can be moved
     */
    public record Show(Plan ghosts, Set<String> parts, Set<String> folded, boolean movable) {

        public static final Show ALL = new Show(null, Set.of(), Set.of(), true);

        public Show {
            parts = Set.copyOf(parts);
            folded = Set.copyOf(folded);
        }

        /** To look at only, with the knots of another plan as ghosts. */
        public static Show picture(Plan ghosts) {
            return new Show(ghosts, Set.of(), Set.of(), false);
        }
    }

    public static Weave of(Circuit circuit, Report report) {
        return of(circuit, report, Show.ALL);
    }

    public static Weave of(Circuit circuit, Report report, Show show) {
        return new Maker(circuit, report, show).make();
    }

    private static final class Maker {
        private final Circuit circuit;
        private final Report report;
        private final Board board;
        private final Show show;
        private final Map<String, Column> columns = new LinkedHashMap<>();
        private int top = TOP;
        private int band = BAND;
        private final Map<Integer, List<Row>> knots = new TreeMap<>();

        Maker(Circuit circuit, Report report, Show show) {
            this.show = show;
            this.circuit = circuit;
            this.report = report;
            this.board = circuit.board();
        }

        Weave make() {
            int right = layColumns();
            List<PartRows> parts = new ArrayList<>();
            int y = top + ROW;
            for (Unit unit : circuit.units()) {
                if (!show.parts().isEmpty() && !show.parts().contains(unit.id())) {
                    continue;
                }
                boolean folded = show.folded().contains(unit.id());
                List<Row> rows = new ArrayList<>();
                List<Row> listed = new ArrayList<>();
                int first = y;
                for (Wire wire : circuit.wiresOf(unit)) {
                    if (!wire.connected() && wire.role().downstream()) {
                        if (wire.role() == Role.SHIFT) {
                            listed.add(row(wire, y));
                        }
                        continue;
                    }
                    Row row = row(wire, y);
                    rows.add(row);
                    listed.add(row);
                    if (row.knotX() > 0) {
                        knots.computeIfAbsent(row.knotX(), x -> new ArrayList<>())
                                .add(row);
                    }
                    y += folded ? 0 : ROW;
                }
                boolean clash = report.findings().stream()
                        .anyMatch(f -> f.severity() == Severity.STOP && f.aboutPart(unit.id()));
                y = Math.max(y, first + 2 * ROW);
                parts.add(new PartRows(
                        unit.id(), unit.name(), detail(unit), first, y - ROW / 2, clash, folded, rows, listed));
                y += PART_GAP;
            }
            var names = board.numbering();
            List<Head> heads = List.of(
                    new Head(names.label(), top - FOOT - 2 * band),
                    new Head(names.position(), top - FOOT - band),
                    new Head(names.chip(), top - FOOT));
            return new Weave(right + RIGHT, y, top, List.copyOf(columns.values()), parts, threads(), heads);
        }

        /** Address and kind, as far as there is room before the lines' own labels. */
        private String detail(Unit unit) {
            String address = circuit.addressOf(unit).map(a -> Hex.of(a) + " · ").orElse("");
            String all = address + unit.part().shortName();
            return all.length() <= DETAIL ? all : all.substring(0, DETAIL - 1).strip() + "…";
        }

        private int layColumns() {
            List<Rail> rails = board.rails().stream().filter(Rail::gives).toList();
            List<Pin> pins = board.signalPins();
            int count = rails.size() + pins.size();
            int step = Math.max(NARROW, Math.min(WIDE, ROOM / count));
            boolean crowded = pins.stream().anyMatch(p -> longest(p) * LETTER > step);
            band = crowded ? 2 * LIFT + 1 : BAND;
            top = TOP + (crowded ? LIFT : 0) + 2 * (band - BAND);
            int x = LABELS + step;
            for (Rail rail : rails) {
                String positions = board.pins().stream()
                        .filter(p -> rail.id().equals(p.rail()))
                        .map(Pin::position)
                        .collect(Collectors.joining(", "));
                columns.put(
                        "rail:" + rail.id(),
                        new Column(
                                "rail:" + rail.id(),
                                x,
                                top - FOOT - 2 * band,
                                top - FOOT - band,
                                top - FOOT,
                                TOP - FUNCTIONS,
                                "rail",
                                rail.id(),
                                "",
                                "",
                                rail.ground() ? "" : "supply",
                                "",
                                rail.label() + " at " + positions,
                                ""));
                x += Math.max(Math.max(step, RAIL), (int) Math.ceil(rail.id().length() * LETTER) + 3);
            }
            String group = "";
            boolean raised = false;
            for (Pin pin : pins) {
                if (!pin.group().equals(group)) {
                    group = pin.group();
                    x += GROUP_GAP;
                }
                columns.put("board:" + pin.id(), column(pin, x, raised ? LIFT : 0));
                raised = crowded && !raised;
                x += step;
            }
            return x;
        }

        private static int longest(Pin pin) {
            int numbers =
                    Math.max(shortPosition(pin.position()).length(), chip(pin).length());
            return Math.max(label(pin).length(), numbers);
        }

        private static String chip(Pin pin) {
            return pin.chip() == null ? "" : pin.chip().replace("GPIO", "");
        }

        private static String label(Pin pin) {
            return pin.label().replace("GPIO", "");
        }

        private Column column(Pin pin, int x, int lift) {
            String duty = pin.duties().stream()
                    .map(Pin.Duty::kind)
                    .filter(DutyKind::hatched)
                    .map(DutyKind::text)
                    .findFirst()
                    .orElse("");
            String note = pin.duties().stream().map(Pin.Duty::note).collect(Collectors.joining(" "));
            return new Column(
                    "board:" + pin.id(),
                    x,
                    top - FOOT - 2 * band - lift,
                    top - FOOT - band - lift,
                    top - FOOT - lift,
                    TOP - FUNCTIONS,
                    "pin",
                    label(pin),
                    shortPosition(pin.position()),
                    chip(pin),
                    functions(pin),
                    duty,
                    note,
                    pin.functions().stream().map(PinFunction::text).collect(Collectors.joining(", ")));
        }

        private static String shortPosition(String position) {
            int space = position.indexOf(' ');
            return space < 0 ? position : position.substring(0, 1) + position.substring(space + 1);
        }

        private String functions(Pin pin) {
            return pin.functions().stream()
                    .map(this::word)
                    .filter(w -> !w.isEmpty())
                    .distinct()
                    .limit(2)
                    .collect(Collectors.joining(" "));
        }

        private String word(PinFunction f) {
            if (f.controller() != null) {
                // Every pin of a computer has a place in the pixel bus: no news at the head of a column.
                boolean pixels = board.controller(f.controller())
                        .filter(c -> c.kind() == BusKind.RGB)
                        .isPresent();
                return pixels ? "" : f.signal().toUpperCase(java.util.Locale.ROOT);
            }
            return f.capability().equals("pwm") ? "pwm" : "";
        }

        private Row row(Wire wire, int y) {
            Optional<Target> to = wire.to();
            Optional<Reaches.Reach> reach = circuit.reach(wire.from());
            String target = to.filter(t -> !t.isLine())
                    .map(Target::toString)
                    .orElseGet(() -> reach.map(r -> "board:" + r.pin().id()).orElse(""));
            Column column = columns.get(target);
            boolean indirect = to.filter(Target::isLine).isPresent();
            String via = indirect ? to.map(this::name).orElse("") : "";
            List<Option> options = options(wire, target);
            List<Integer> dots = show.folded().contains(wire.unit().id()) || !show.movable()
                    ? List.of()
                    : options.stream().filter(o -> !o.chosen()).map(Option::x).toList();
            String insert = wire.connected() && wire.connection().seriesOhms() != null
                    ? Quantity.ohms(wire.connection().seriesOhms()).toString()
                    : "";
            return new Row(
                    wire.from().toString(),
                    wire.line().id(),
                    kind(wire, column),
                    y,
                    column == null ? 0 : column.x(),
                    shape(wire, column),
                    clash(wire, target),
                    via,
                    column == null
                            ? "not connected"
                            : "rail".equals(column.kind()) ? column.label() : "pin " + column.label(),
                    insert,
                    options,
                    dots,
                    ghost(wire, column),
                    wire.connected() && wire.connection().staysPut(),
                    show.movable()
                            && !show.folded().contains(wire.unit().id())
                            && !indirect
                            && options.size() > 1
                            && !(wire.connected() && wire.connection().staysPut()),
                    extras(wire));
        }

        private int ghost(Wire wire, Column now) {
            if (show.ghosts() == null) {
                return 0;
            }
            Column then = show.ghosts()
                    .connection(wire.from())
                    .map(c -> columns.get(c.to().toString()))
                    .orElse(null);
            return then == null || then == now ? 0 : then.x();
        }

        private Extras extras(Wire wire) {
            Optional<Target> to = wire.to();
            List<Option> helpers = Places.helpers(circuit, wire).stream()
                    .map(t -> new Option(
                            t.toString(), name(t), to.filter(t::equals).isPresent(), 0))
                    .toList();
            String pull = wire.connected() && wire.connection().pull() != null
                    ? wire.connection().pull()
                    : "";
            return new Extras(helpers, Places.asksSeries(wire), Places.pulls(circuit, wire), pull);
        }

        private String name(Target line) {
            return circuit.unit(line.owner()).map(Unit::name).orElse(line.owner()) + " " + line.name();
        }

        private List<Option> options(Wire wire, String target) {
            Optional<Target> now = target.isEmpty() ? Optional.empty() : Optional.of(Target.of(target));
            List<Option> options = new ArrayList<>();
            for (Places.Place place : Places.of(circuit, wire, now)) {
                String t = place.target().toString();
                options.add(new Option(
                        t, place.label(), t.equals(target), columns.get(t).x()));
            }
            Column present = columns.get(target);
            if (present != null && options.stream().noneMatch(Option::chosen)) {
                options.add(new Option(target, present.label(), true, present.x()));
            }
            return options;
        }

        private String kind(Wire wire, Column column) {
            if (column != null && column.kind().equals("rail")) {
                return column.functions().isEmpty() ? "ground" : "supply";
            }
            Role role = circuit.need(wire).role();
            boolean bus = role.i2c()
                    || role == Role.GATE_CLOCK
                    || role == Role.GATE_OUTPUT
                    || role == Role.CHANNEL_SDA
                    || role == Role.CHANNEL_SCL;
            return bus ? "i2c" : role.spi() ? "spi" : "single";
        }

        private String shape(Wire wire, Column column) {
            if (column == null) {
                return "none";
            }
            if (column.kind().equals("rail")) {
                return column.functions().isEmpty() ? "bar" : "square";
            }
            Role role = circuit.need(wire).role();
            return role.bus() || role == Role.GATE_CLOCK ? "ring" : "dot";
        }

        private boolean clash(Wire wire, String target) {
            for (Finding f : report.findings()) {
                if (f.severity() != Severity.STOP) {
                    continue;
                }
                boolean address = (f.trouble() == Trouble.ADDRESS_CLASH || f.trouble() == Trouble.SEGMENT_CLASH)
                        && f.about("part", wire.unit().id())
                        && wire.role().i2c();
                boolean pin =
                        f.group().equals("pins") && target.startsWith("board:") && f.about("pin", target.substring(6));
                if (address || pin || f.about("line", wire.from().toString())) {
                    return true;
                }
            }
            return false;
        }

        private List<Thread> threads() {
            List<Thread> threads = new ArrayList<>();
            knots.forEach((x, rows) -> {
                if (rows.size() > 1) {
                    boolean clash = rows.stream().anyMatch(Row::clash);
                    threads.add(new Thread(
                            x,
                            rows.get(0).y(),
                            rows.get(rows.size() - 1).y(),
                            clash ? "clash" : rows.get(0).kind()));
                }
            });
            return threads;
        }
    }
}
