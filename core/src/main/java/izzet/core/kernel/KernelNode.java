package izzet.core.kernel;

import izzet.core.catalog.Part;
import izzet.core.circuit.Unit;
import izzet.core.discovery.Discovery;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import tools.jackson.databind.ObjectMapper;

/**
 * A part that the open kernel has a driver for. The strings that the kernel matches are quoted in the note of their source, as {@code compatible:},
 * {@code display:} and {@code module:}; nowhere else are types of chips named.
 *
 * @param parts ids, {@code families} of glass, {@code speaks} of 2-wire parts; what is not given matches nothing
 * @param bus that it hangs on
 * @param node its generic name
 * @param cells number cells by property: a number, or the name of a figure of the glass
 * @param flags properties without a value
 * @param gpios by property the role of its line, and the flag cell
 * @param required properties of {@code gpios}, and {@code interrupts-extended}, without which the driver refuses
 * @param interrupt role of the line that interrupts; null for none
 * @param controller whether it gives lines of its own
 * @param character bits of an expander that a character display hangs on, by property
 * @param timing whether it wants its columns and rows as a panel's timing
 * @param firmware file with the panel's set-up; null for none
 * @param gives what is there once its driver is
 * @param source of the node, and the strings in it
 */
record KernelNode(
        List<String> parts,
        List<String> families,
        List<String> speaks,
        String bus,
        String node,
        Map<String, String> cells,
        List<String> flags,
        Map<String, List<Object>> gpios,
        List<String> required,
        String interrupt,
        Boolean controller,
        Map<String, List<Integer>> character,
        Boolean timing,
        String firmware,
        String gives,
        String source) {

    KernelNode {
        parts = parts == null ? List.of() : parts;
        families = families == null ? List.of() : families;
        speaks = speaks == null ? List.of() : speaks;
        cells = cells == null ? Map.of() : cells;
        flags = flags == null ? List.of() : flags;
        gpios = gpios == null ? Map.of() : gpios;
        required = required == null ? List.of() : required;
        controller = Boolean.TRUE.equals(controller);
        timing = Boolean.TRUE.equals(timing);
    }

    /** Strings that the kernel matches, the most special first. */
    List<String> compatible(Part part) {
        return List.of(quoted("compatible").replace("{part}", part.id()).split(" "));
    }

    /** The same of the character display behind an expander. */
    String display() {
        return quoted("display");
    }

    /** The driver's module, as the kernel lists it. */
    String module() {
        return quoted("module").replace('-', '_');
    }

    private String quoted(String name) {
        Matcher matcher = Pattern.compile("; " + name + ": ([^;]+)").matcher(source);
        if (!matcher.find()) {
            throw new IllegalStateException("The source of node " + node + " quotes no " + name + ".");
        }
        return matcher.group(1);
    }

    /** The same of a part that says which bit is which line of its display. */
    static Map<String, List<Integer>> character(Map<String, Integer> bits) {
        Map<String, List<Integer>> lines = new LinkedHashMap<>();
        lines.put("data-gpios", Stream.of("d4", "d5", "d6", "d7").map(bits::get).toList());
        LINES.forEach((line, property) -> {
            if (bits.containsKey(line)) {
                lines.put(property, List.of(bits.get(line)));
            }
        });
        return lines;
    }

    private static final Map<String, String> LINES = new TreeMap<>(Map.of(
            "rs", "rs-gpios",
            "rw", "rw-gpios",
            "e", "enable-gpios",
            "backlight", "backlight-gpios"));

    private static final class Known {
        static final List<KernelNode> ALL = Discovery.texts("/kernel/nodes", ".json").values().stream()
                .map(text -> new ObjectMapper().readValue(text, KernelNode.class))
                .toList();
    }

    /** Empty where the kernel has no driver that the tables name. */
    static Optional<KernelNode> of(Unit unit) {
        Part part = unit.part();
        String bus = unit.variant().bus() == null ? "" : unit.variant().bus().text();
        String family = part.glass() == null ? null : part.glass().family();
        String speaks = part.i2c() == null ? null : part.i2c().speaks();
        return Known.ALL.stream()
                .filter(n -> n.bus().equals(bus)
                        && (n.parts().contains(part.id())
                                || family != null && n.families().contains(family)
                                || speaks != null && n.speaks().contains(speaks)))
                .findFirst();
    }

    /** A figure of the glass, or a number as it stands. */
    static Optional<String> cell(String name, Unit unit) {
        if (!name.isEmpty() && Character.isDigit(name.charAt(0))) {
            return Optional.of(name);
        }
        Part.Glass glass = unit.part().glass();
        if (glass == null) {
            return Optional.empty();
        }
        Integer value =
                switch (name) {
                    case "columns" -> glass.columns();
                    case "rows" -> glass.rows();
                    case "offsetColumns" -> glass.offsetColumns();
                    case "widthMillimetres" -> millimetres(glass, glass.columns());
                    case "heightMillimetres" -> millimetres(glass, glass.rows());
                    default -> throw new IllegalArgumentException("No figure of a glass is called '" + name + "'.");
                };
        return Optional.ofNullable(value).map(String::valueOf);
    }

    private static final double MILLIMETRES_AN_INCH = 25.4;

    /** Of one side, from the diagonal; pixels are taken as square. */
    private static Integer millimetres(Part.Glass glass, int pixels) {
        if (glass.inches() == null) {
            return null;
        }
        double diagonal = Math.hypot(glass.columns(), glass.rows());
        return (int) Math.round(glass.inches() * MILLIMETRES_AN_INCH * pixels / diagonal);
    }
}
