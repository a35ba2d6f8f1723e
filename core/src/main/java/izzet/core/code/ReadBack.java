package izzet.core.code;

import izzet.core.catalog.Part;
import izzet.core.catalog.PartKind;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Reachable;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Constants from elsewhere, line by line against a plan: a sketch, an example's head, settings or an overlay. Rule D1: what the program is told
 * and what is wired must agree.
 */
public final class ReadBack {

    public static final int MOST_LETTERS = 100_000;

    private static final int MOST_ROWS = 300;

    /** How programs say that a line is not connected. */
    private static final String NONE = "-1";

    private static final Pattern DEFINE = Pattern.compile("^\\s*#define\\s+(\\w+)\\s+\\(?(-?[\\w.]+)\\)?");
    private static final Pattern ASSIGNED =
            Pattern.compile("(\\b[A-Za-z_][\\w,-]*)\\s*(?:\\[\\s*])?\"?\\s*[=:]\\s*<?\\(?(-?[\\w.]+)\\)?");
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
     * @param part id of the part that could be moved to this address; null where none could
     * @param address to move it to; null likewise
     */
    public record Row(
            int number,
            String name,
            String value,
            String what,
            Verdict verdict,
            String plan,
            String why,
            String part,
            Integer address) {}

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

        private static final Pattern FREQUENCY = Pattern.compile("([_-](k|m)?hz|hertz)$");

        private final String words;
        private final Pattern pattern;

        Meaning(String words, String pattern) {
            this.words = words;
            this.pattern = Pattern.compile("(^|[_,-])(" + pattern + ")(pin|$|[_,-]|\\d)");
        }

        static Optional<Meaning> of(String name) {
            // "lcdAddress" and "LCD_ADDRESS" are the same words.
            String plain = name.replaceAll("([a-z0-9])([A-Z])", "$1_$2").toLowerCase(Locale.ROOT);
            if (FREQUENCY.matcher(plain).find()) {
                // A clock of "the select panel" is no select.
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
        String[] lines = text.split("\\R", -1);
        for (int i = 0; i < lines.length && rows.size() < MOST_ROWS; i++) {
            String line = lines[i].replaceFirst("//.*$", "");
            Matcher define = DEFINE.matcher(line);
            if (define.find()) {
                row(circuit, i + 1, define.group(1), define.group(2)).ifPresent(rows::add);
                continue;
            }
            int before = rows.size();
            Matcher assigned = ASSIGNED.matcher(line);
            while (assigned.find()) {
                row(circuit, i + 1, assigned.group(1), assigned.group(2)).ifPresent(rows::add);
            }
            Matcher called = CALLED.matcher(line);
            if (rows.size() == before && called.find()) {
                address(circuit, i + 1, called.group(1), called.group(2)).ifPresent(rows::add);
            }
        }
        if (rows.isEmpty()) {
            throw new IllegalArgumentException(
                    "No address, size or pin can be read here; paste the lines that set them, such as"
                            + " '#define OLED_ADDRESS 0x3C' or 'height = 64'.");
        }
        return rows;
    }

    private static Optional<Row> row(Circuit circuit, int number, String name, String value) {
        Optional<Meaning> meaning = Meaning.of(name);
        if (meaning.isEmpty()) {
            return Optional.empty();
        }
        return switch (meaning.get()) {
            case ADDRESS -> address(circuit, number, name, value);
            case ROWS, COLUMNS, OFFSET_COLUMNS, OFFSET_ROWS -> size(circuit, number, name, value, meaning.get());
            default -> pin(circuit, number, name, value, meaning.get());
        };
    }

    private static Optional<Integer> number(String text) {
        try {
            return Optional.of(Integer.decode(text.replaceAll("[uUlL]+$", "")));
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    private static Optional<Row> address(Circuit circuit, int line, String name, String value) {
        Optional<Integer> told = number(value);
        if (told.isEmpty()) {
            return Optional.empty();
        }
        Map<Integer, String> plan = new LinkedHashMap<>();
        for (Unit unit : circuit.units()) {
            circuit.addressOf(unit).ifPresent(a -> plan.merge(a, unit.name(), (x, y) -> x + " and " + y));
        }
        String has = String.join(
                ", ",
                plan.entrySet().stream()
                        .map(e -> Hex.of(e.getKey()) + " " + e.getValue())
                        .toList());
        int address = told.get();
        if (plan.containsKey(address)) {
            return Optional.of(
                    row(line, name, Hex.of(address), Meaning.ADDRESS, Verdict.AGREES, plan.get(address), ""));
        }
        if (address % 2 == 0 && plan.containsKey(address / 2)) {
            return Optional.of(row(
                    line,
                    name,
                    Hex.of(address),
                    Meaning.ADDRESS,
                    Verdict.DIFFERS,
                    has,
                    Hex.of(address) + " is " + Hex.of(address / 2)
                            + " with the read/write bit; most programs want it without."));
        }
        for (Unit unit : circuit.units()) {
            if (unit.part().i2c() != null && Reachable.of(circuit, unit).containsKey(address)) {
                return Optional.of(new Row(
                        line,
                        name,
                        Hex.of(address),
                        Meaning.ADDRESS.words,
                        Verdict.DIFFERS,
                        has,
                        unit.name() + " can be moved there: "
                                + Reachable.of(circuit, unit).get(address).label() + ".",
                        unit.id(),
                        address));
            }
        }
        return Optional.of(row(
                line,
                name,
                Hex.of(address),
                Meaning.ADDRESS,
                Verdict.DIFFERS,
                has,
                "Nobody of the plan can live there."));
    }

    private static Optional<Row> size(Circuit circuit, int line, String name, String value, Meaning meaning) {
        Optional<Integer> told = number(value);
        if (told.isEmpty()) {
            return Optional.empty();
        }
        TreeSet<Integer> sizes = new TreeSet<>();
        List<String> has = new ArrayList<>();
        for (Unit unit : circuit.units()) {
            Part.Glass glass = unit.part().glass();
            if (glass != null) {
                int size =
                        switch (meaning) {
                            case ROWS -> glass.rows();
                            case OFFSET_COLUMNS -> glass.offsetColumns() == null ? 0 : glass.offsetColumns();
                            case OFFSET_ROWS -> glass.offsetRows() == null ? 0 : glass.offsetRows();
                            default -> glass.columns();
                        };
                sizes.add(size);
                has.add(size + " " + unit.name());
            }
        }
        boolean agrees = sizes.contains(told.get());
        return sizes.isEmpty()
                ? Optional.empty()
                : Optional.of(row(
                        line,
                        name,
                        value,
                        meaning,
                        agrees ? Verdict.AGREES : Verdict.DIFFERS,
                        String.join(", ", has),
                        agrees ? "" : "No display of the plan has " + told.get() + " as its " + meaning.words + "."));
    }

    private static Optional<Row> pin(Circuit circuit, int line, String name, String value, Meaning meaning) {
        if (!value.matches("-1|[A-Za-z]{0,4}\\d{1,3}")) {
            return Optional.empty();
        }
        List<String> has = new ArrayList<>();
        boolean agrees = false;
        boolean any = false;
        for (Unit unit : circuit.units()) {
            for (Wire wire : circuit.wiresOf(unit)) {
                if (!means(wire, meaning)) {
                    continue;
                }
                any = true;
                Optional<ProgramPin> pin =
                        circuit.pinsUnder(wire).stream().findFirst().map(p -> ProgramPin.of(circuit.board(), p));
                has.add(wire.label() + " " + pin.map(p -> "on " + p.label()).orElse("on no pin"));
                agrees |= pin.map(p -> same(p, value)).orElse(value.equals(NONE));
            }
        }
        if (value.equals(NONE)) {
            return Optional.of(unconnected(circuit, line, name, meaning, agrees, has));
        }
        if (!any) {
            return Optional.of(row(line, name, value, meaning, Verdict.UNKNOWN, "", "The plan has no such line."));
        }
        return Optional.of(row(
                line,
                name,
                value,
                meaning,
                agrees ? Verdict.AGREES : Verdict.DIFFERS,
                String.join(", ", has),
                agrees ? "" : "The program would drive another pin than the one that is wired."));
    }

    /** "Not connected" is right where a line is on no pin, or a display has no such line at all. */
    private static Row unconnected(
            Circuit circuit, int line, String name, Meaning meaning, boolean open, List<String> has) {
        List<String> without = circuit.units().stream()
                .filter(u -> u.part().kind() == PartKind.DISPLAY
                        && circuit.wiresOf(u).stream().noneMatch(w -> means(w, meaning)))
                .map(u -> u.name() + " has none")
                .toList();
        List<String> plan = new ArrayList<>(without);
        plan.addAll(has);
        boolean agrees = open || !without.isEmpty();
        return row(
                line,
                name,
                NONE,
                meaning,
                agrees ? Verdict.AGREES : has.isEmpty() ? Verdict.UNKNOWN : Verdict.DIFFERS,
                String.join(", ", plan),
                agrees || has.isEmpty() ? "" : "The program leaves the line alone, and it is wired to a pin.");
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

    private static Row row(
            int line, String name, String value, Meaning meaning, Verdict verdict, String plan, String why) {
        return new Row(line, name, value, meaning.words, verdict, plan, why, null, null);
    }
}
