package izzet.core.code;

import izzet.core.catalog.Part;
import izzet.core.catalog.PartKind;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Reachable;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlanEdit;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Constants from elsewhere, line by line against a plan: a sketch, an example's head, settings or an overlay. Rule D1: what the program is told
 * and what is wired must agree.
 */
public final class ReadBack {

    public static final int MOST_LETTERS = 100_000;

    private static final int MOST_ROWS = 300;

    /** How programs say that a line is not connected. */
    private static final String NONE = "-1";

    /** Lower ones are reserved by the bus specification. */
    private static final int LOWEST_ADDRESS = 0x08;

    /** What programs call the families; other words are used for several of them. */
    private static final Map<String, String> KINDS = Map.of(
            "oled",
            "oled",
            "tft",
            "dcs",
            "epd",
            "electronic-paper",
            "eink",
            "electronic-paper",
            "epaper",
            "electronic-paper");

    private static final Pattern END = Pattern.compile("\\R");
    private static final Pattern PREFIXED = Pattern.compile("(?i)(GPIO|GP|IO|D|PIN)\\d+");
    private static final Pattern DEFINE = Pattern.compile("^\\s*#define\\s+(\\w+)\\s+\\(?(-?[\\w.]+)\\)?");
    private static final Pattern ASSIGNED = Pattern.compile(
            "(\\b[A-Za-z_][\\w,-]*)\\s*(?:\\[\\s*])?\"?\\s*[=:]\\s*<?\\(?(?:&\\w+\\s+)?(-?[\\w.]+)\\)?");
    private static final Pattern CALLED = Pattern.compile(
            "\\b(\\w*(?:begin|writeto|address|i2c|oled|lcd)\\w*)\\s*\\([^)]*?\\b(0x[0-9a-fA-F]{2})\\b",
            Pattern.CASE_INSENSITIVE);

    private ReadBack() {}

    /** How a line stands against the plan. */
    public enum Verdict {
        AGREES,
        DIFFERS,
        UNKNOWN
    }

    /**
     * One constant.
     *
     * @param number of its line, from 1
     * @param what it means, such as "address"
     * @param plan what the plan has, in words; empty where it has nothing of the kind
     * @param take how the plan takes the program's value over; null where it cannot
     * @param instead what would stand in the text to agree with the plan; null where that is not one thing
     */
    public record Row(
            int number,
            String name,
            String value,
            String what,
            Verdict verdict,
            String plan,
            String why,
            Take take,
            Instead instead) {}

    /** @param words what is done, as on a button */
    public record Take(String words, PlanEdit edit) {}

    /** Letters of the text from {@code from} up to {@code to}, and what should stand there. */
    public record Instead(int from, int to, String text) {}

    /** A value as it stands in the text, from {@code from} to {@code to}, on a line. */
    private record Found(int line, String name, String value, int from, int to) {

        Row row(Meaning meaning, Verdict verdict, String plan, String why) {
            return new Row(line, name, value, meaning.words, verdict, plan, why, null, null);
        }

        Row differs(Meaning meaning, Verdict verdict, String plan, String why, Take take, String instead) {
            return new Row(
                    line,
                    name,
                    value,
                    meaning.words,
                    verdict,
                    plan,
                    why,
                    take,
                    instead == null ? null : new Instead(from, to, instead));
        }

        Found as(String other) {
            return new Found(line, name, other, from, to);
        }

        /** Whether it stands in an overlay, which has no word for a line that is not connected. */
        boolean overlay() {
            return name.contains("-gpio");
        }
    }

    private enum Meaning {
        OFFSET_COLUMNS(
                "column offset", "offset_columns|col(umn)?[_-]?offset|x_?offset|offset_?x|col_?start|hback-porch"),
        OFFSET_ROWS("row offset", "offset_rows|row[_-]?offset|y_?offset|offset_?y|row_?start|vback-porch"),
        ADDRESS("address", "addr(ess)?|adr"),
        ROWS("rows", "height|rows|lines"),
        COLUMNS("columns", "width|cols|columns"),
        RESET("reset pin", "rst|reset|res"),
        DATA_COMMAND("data/command pin", "dc|a0|rs_dc"),
        SELECT("select pin", "cs|ce|select|ss|csn"),
        DATA("bus data pin", "sda"),
        CLOCK("bus clock pin", "scl"),
        OUT("serial data pin", "mosi|sdi|din"),
        SERIAL_CLOCK("serial clock pin", "sck|sclk|clk"),
        BACKLIGHT("backlight pin", "bl|led|lite|backlight"),
        ENABLE("enable pin", "en|enable|e"),
        REGISTER("register select pin", "rs");

        /** A clock of "the select panel" is no select, a width in millimetres none in columns, a count of cells no address. */
        private static final Pattern OTHER = Pattern.compile("([_-](k|m)?hz|hertz|[_-]mm|-cells)$");

        private final String words;
        private final Pattern pattern;

        Meaning(String words, String pattern) {
            this.words = words;
            this.pattern = Pattern.compile("(^|[_,-])(" + pattern + ")(pin|$|[_,-]|\\d)");
        }

        static Optional<Meaning> of(String name) {
            // "lcdAddress" and "LCD_ADDRESS" are the same words.
            String plain = name.replaceAll("([a-z0-9])([A-Z])", "$1_$2").toLowerCase(Locale.ROOT);
            if (OTHER.matcher(plain).find()) {
                return Optional.empty();
            }
            for (Meaning meaning : values()) {
                if (meaning.pattern.matcher(plain).find()) {
                    return Optional.of(meaning);
                }
            }
            return plain.equals("reg") ? Optional.of(ADDRESS) : Optional.empty();
        }
    }

    /**
     * @throws IllegalArgumentException when the text is too long, or has no constant that means anything to a plan
     */
    public static List<Row> of(Circuit circuit, String text) {
        if (text.length() > MOST_LETTERS) {
            throw new IllegalArgumentException("What is read back has " + MOST_LETTERS + " characters at most.");
        }
        List<Row> rows = new ArrayList<>();
        Matcher ends = END.matcher(text);
        int number = 1;
        for (int at = 0; at <= text.length() && rows.size() < MOST_ROWS; number++) {
            int end = ends.find(at) ? ends.start() : text.length();
            line(circuit, number, at, text.substring(at, end).replaceFirst("//.*$", ""), rows);
            at = end == text.length() ? end + 1 : ends.end();
        }
        if (rows.isEmpty()) {
            throw new IllegalArgumentException(
                    "No address, size or pin can be read here; paste the lines that set them, such as"
                            + " '#define OLED_ADDRESS 0x3C' or 'height = 64'.");
        }
        return rows;
    }

    /**
     * The text with the plan's values in it.
     *
     * @param rows those that are to be changed; what has nothing to be put in stays
     */
    public static String corrected(String text, List<Row> rows) {
        StringBuilder corrected = new StringBuilder(text);
        rows.stream()
                .map(Row::instead)
                .filter(Objects::nonNull)
                .sorted(Comparator.comparingInt(Instead::from).reversed())
                .forEach(i -> corrected.replace(i.from(), i.to(), i.text()));
        return corrected.toString();
    }

    /** @param start where the line begins in the text */
    private static void line(Circuit circuit, int number, int start, String line, List<Row> rows) {
        Matcher define = DEFINE.matcher(line);
        if (define.find()) {
            row(circuit, found(number, start, define)).ifPresent(rows::add);
            return;
        }
        int before = rows.size();
        Matcher assigned = ASSIGNED.matcher(line);
        while (assigned.find()) {
            row(circuit, found(number, start, assigned)).ifPresent(rows::add);
        }
        Matcher called = CALLED.matcher(line);
        if (rows.size() == before && called.find()) {
            address(circuit, found(number, start, called)).ifPresent(rows::add);
        }
    }

    private static Found found(int number, int start, Matcher matcher) {
        return new Found(number, matcher.group(1), matcher.group(2), start + matcher.start(2), start + matcher.end(2));
    }

    private static Optional<Row> row(Circuit circuit, Found found) {
        Optional<Meaning> meaning = Meaning.of(found.name());
        if (meaning.isEmpty()) {
            return Optional.empty();
        }
        return switch (meaning.get()) {
            case ADDRESS -> address(circuit, found);
            case ROWS, COLUMNS, OFFSET_COLUMNS, OFFSET_ROWS -> size(circuit, found, meaning.get());
            default -> pin(circuit, found, meaning.get());
        };
    }

    /** The parts that a constant speaks of: those whose names it begins with, those of the kind that it names, or all. */
    private static List<Unit> meant(Circuit circuit, Found found) {
        int longest = circuit.units().stream()
                .mapToInt(u -> named(u, found.name()))
                .max()
                .orElse(0);
        List<String> families = Stream.of(found.name().toLowerCase(Locale.ROOT).split("[_-]"))
                .map(KINDS::get)
                .filter(Objects::nonNull)
                .toList();
        List<Unit> kind = circuit.units().stream()
                .filter(u -> u.part().glass() != null && u.part().glass().family() != null)
                .filter(u -> families.stream()
                        .anyMatch(f -> u.part().glass().family().contains(f)))
                .toList();
        if (longest == 0 && !kind.isEmpty()) {
            return kind;
        }
        return circuit.units().stream()
                .filter(u -> named(u, found.name()) == longest)
                .toList();
    }

    private static int named(Unit unit, String constant) {
        String stem = Names.constant(unit.name()) + "_";
        return constant.startsWith(stem) ? stem.length() : 0;
    }

    private static Optional<Integer> number(String text) {
        try {
            return Optional.of(Integer.decode(text.replaceAll("[uUlL]+$", "")));
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    private static Optional<Row> address(Circuit circuit, Found found) {
        Optional<Integer> told = number(found.value());
        if (told.isEmpty() || found.name().equals("reg") && told.get() < LOWEST_ADDRESS) {
            // The reg of a channel or of a part on a serial bus is a number of its own kind.
            return Optional.empty();
        }
        Map<Integer, String> plan = new LinkedHashMap<>();
        List<Unit> meant = meant(circuit, found);
        for (Unit unit : meant) {
            circuit.addressOf(unit).ifPresent(a -> plan.merge(a, unit.name(), (x, y) -> x + " and " + y));
        }
        String has = String.join(
                ", ",
                plan.entrySet().stream()
                        .map(e -> Hex.of(e.getKey()) + " " + e.getValue())
                        .toList());
        int address = told.get();
        Found hex = found.as(Hex.of(address));
        Meaning meaning = Meaning.ADDRESS;
        if (plan.containsKey(address)) {
            return Optional.of(hex.row(meaning, Verdict.AGREES, plan.get(address), ""));
        }
        if (address % 2 == 0 && plan.containsKey(address / 2)) {
            String why = Hex.of(address) + " is " + Hex.of(address / 2)
                    + " with the read/write bit; most programs want it without.";
            return Optional.of(hex.differs(meaning, Verdict.DIFFERS, has, why, null, Hex.of(address / 2)));
        }
        String only = plan.size() == 1 ? Hex.of(plan.keySet().iterator().next()) : null;
        for (Unit unit : meant) {
            if (unit.part().i2c() != null && Reachable.of(circuit, unit).containsKey(address)) {
                String why = unit.name() + " can be moved there: "
                        + Reachable.of(circuit, unit).get(address).label() + ".";
                String now = circuit.addressOf(unit).map(Hex::of).orElse(only);
                return Optional.of(
                        hex.differs(meaning, Verdict.DIFFERS, has, why, TakeOver.address(circuit, unit, address), now));
            }
        }
        String why = meant.size() == circuit.units().size()
                ? "Nobody of the plan can live there."
                : meant.get(0).name() + " cannot live there.";
        return Optional.of(hex.differs(meaning, Verdict.DIFFERS, has, why, null, only));
    }

    private static Optional<Row> size(Circuit circuit, Found found, Meaning meaning) {
        Optional<Integer> told = number(found.value());
        List<Unit> displays = meant(circuit, found).stream()
                .filter(u -> u.part().glass() != null)
                .toList();
        if (told.isEmpty() || displays.isEmpty()) {
            return Optional.empty();
        }
        Set<Integer> sizes = new LinkedHashSet<>();
        List<String> has = new ArrayList<>();
        for (Unit unit : displays) {
            int size = size(unit.part().glass(), meaning);
            sizes.add(size);
            has.add(size + " " + unit.name());
        }
        String plan = String.join(", ", has);
        if (sizes.contains(told.get())) {
            return Optional.of(found.row(meaning, Verdict.AGREES, plan, ""));
        }
        Take take = displays.size() > 1
                ? null
                : TakeOver.display(
                        circuit,
                        displays.get(0),
                        glass -> size(glass, meaning) == told.get()
                                && Stream.of(Meaning.ROWS, Meaning.COLUMNS)
                                        .filter(other -> other != meaning)
                                        .allMatch(other -> size(glass, other)
                                                == size(displays.get(0).part().glass(), other)));
        return Optional.of(found.differs(
                meaning,
                Verdict.DIFFERS,
                plan,
                "No display of the plan has " + told.get() + " as its " + meaning.words + ".",
                take,
                sizes.size() == 1 ? String.valueOf(sizes.iterator().next()) : null));
    }

    private static int size(Part.Glass glass, Meaning meaning) {
        return switch (meaning) {
            case ROWS -> glass.rows();
            case OFFSET_COLUMNS -> glass.offsetColumns() == null ? 0 : glass.offsetColumns();
            case OFFSET_ROWS -> glass.offsetRows() == null ? 0 : glass.offsetRows();
            default -> glass.columns();
        };
    }

    private static Optional<Row> pin(Circuit circuit, Found found, Meaning meaning) {
        String value = found.value();
        if (!value.matches("-1|[A-Za-z]{0,4}\\d{1,3}")) {
            return Optional.empty();
        }
        List<Unit> meant = meant(circuit, found);
        List<Wire> wires = meant.stream()
                .flatMap(u -> circuit.wiresOf(u).stream())
                .filter(w -> means(w, meaning))
                .toList();
        List<String> has = new ArrayList<>();
        boolean agrees = false;
        for (Wire wire : wires) {
            Optional<ProgramPin> pin = ProgramPin.under(circuit, wire);
            has.add(wire.label() + " " + pin.map(p -> "on " + p.label()).orElse("on no pin"));
            agrees |= pin.map(p -> same(p, value)).orElse(value.equals(NONE));
        }
        String instead = instead(circuit, found, wires, meaning);
        if (value.equals(NONE)) {
            return Optional.of(unconnected(circuit, meant, found, meaning, agrees, has, instead));
        }
        String plan = String.join(", ", has);
        if (wires.isEmpty()) {
            String none = meant.size() == circuit.units().size()
                    ? "The plan"
                    : meant.stream().map(Unit::name).collect(Collectors.joining(", "));
            return Optional.of(found.differs(meaning, Verdict.UNKNOWN, "", none + " has no such line.", null, instead));
        }
        if (agrees) {
            return Optional.of(found.row(meaning, Verdict.AGREES, plan, ""));
        }
        List<Pin> told = circuit.board().pins().stream()
                .filter(p -> same(ProgramPin.of(circuit.board(), p), value))
                .toList();
        Take take = wires.size() == 1 && told.size() == 1 ? TakeOver.pin(circuit, wires.get(0), told.get(0)) : null;
        String others = told.size() != 1
                ? ""
                : circuit.usersOf(told.get(0)).stream()
                        .filter(w -> !wires.contains(w))
                        .findFirst()
                        .map(w -> " " + told.get(0).label() + " is " + w.label() + "'s.")
                        .orElse("");
        return Optional.of(found.differs(
                meaning,
                Verdict.DIFFERS,
                plan,
                "The program would drive another pin than the one that is wired." + others,
                take,
                instead));
    }

    /** What the plan's pin is called in the manner of the text; null where it has several, or no word for what it has. */
    private static String instead(Circuit circuit, Found found, List<Wire> wires, Meaning meaning) {
        Set<String> pins = wires.stream()
                .map(w -> ProgramPin.under(circuit, w)
                        .map(p -> called(p, found.value()))
                        .orElse(NONE))
                .collect(Collectors.toCollection(LinkedHashSet::new));
        if (pins.size() > 1) {
            return null;
        }
        String only = pins.isEmpty() ? NONE : pins.iterator().next();
        boolean optional = meaning == Meaning.RESET || meaning == Meaning.BACKLIGHT;
        return only.equals(NONE)
                        && (!optional || found.overlay() || found.value().equals(NONE))
                ? null
                : only;
    }

    private static String called(ProgramPin pin, String value) {
        if (pin.hasPort() && value.matches("(?i)P[A-D]\\d")) {
            return "P" + pin.port() + pin.bit();
        }
        String number = pin.hasGpio() ? String.valueOf(pin.gpio()) : pin.sketch();
        Matcher prefixed = PREFIXED.matcher(value);
        boolean plain = number.matches("\\d+");
        return number.isEmpty() ? pin.label() : plain && prefixed.matches() ? prefixed.group(1) + number : number;
    }

    /** "Not connected" is right where a line is on no pin, or a display has no such line at all. */
    private static Row unconnected(
            Circuit circuit,
            List<Unit> meant,
            Found found,
            Meaning meaning,
            boolean open,
            List<String> has,
            String instead) {
        List<String> without = meant.stream()
                .filter(u -> u.part().kind() == PartKind.DISPLAY
                        && circuit.wiresOf(u).stream().noneMatch(w -> means(w, meaning)))
                .map(u -> u.name() + " has none")
                .toList();
        List<String> plan = new ArrayList<>(without);
        plan.addAll(has);
        boolean agrees = open || !without.isEmpty();
        String words = String.join(", ", plan);
        if (agrees || has.isEmpty()) {
            return found.row(meaning, agrees ? Verdict.AGREES : Verdict.UNKNOWN, words, "");
        }
        String why = "The program leaves the line alone, and it is wired to a pin.";
        return found.differs(meaning, Verdict.DIFFERS, words, why, null, instead);
    }

    private static boolean same(ProgramPin pin, String value) {
        String digits = value.replaceAll("^(GPIO|GP|IO|D|PIN|P)(?=\\d)", "");
        return value.equalsIgnoreCase(pin.label())
                || value.equalsIgnoreCase(pin.sketch())
                || digits.equals(pin.sketch())
                || pin.hasGpio() && digits.equals(String.valueOf(pin.gpio()))
                || pin.hasPort() && value.equalsIgnoreCase("P" + pin.port() + pin.bit());
    }

    private static boolean means(Wire wire, Meaning meaning) {
        Role role = wire.role();
        return switch (meaning) {
            case RESET -> role == Role.RESET;
            case DATA_COMMAND -> role == Role.DATA_COMMAND;
            case SELECT -> role == Role.SELECT;
            case DATA -> role == Role.I2C_SDA;
            case CLOCK -> role == Role.I2C_SCL;
            case OUT -> role == Role.SPI_MOSI;
            case SERIAL_CLOCK -> role == Role.SPI_SCK;
            case BACKLIGHT -> role == Role.LAMP;
            case ENABLE -> role == Role.ENABLE;
            case REGISTER -> wire.line().id().equals("RS");
            default -> false;
        };
    }
}
