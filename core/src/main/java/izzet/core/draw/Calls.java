package izzet.core.draw;

import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.Template;
import izzet.core.discovery.Discovery;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * How programs of a language put texts on a glass: one template each, whose first lines tell what it is and which calls are the program's own.
 *
 * @param title of the language, for people
 * @param own what the program must bring along
 */
public record Calls(String title, String own, Template template) {

    private static final class Known {
        static final List<Calls> ALL = Discovery.texts("/draw/calls", ".mustache").values().stream()
                .map(Calls::read)
                .toList();
    }

    /** A text in the codes of the glass, at the cursor that a command sets. */
    public record Characters(int[] codes, int command, int row, int column, boolean clear) {}

    /** A text at a pixel. */
    public record Pixels(int[] codes, int x, int y, int size) {}

    public static List<Calls> all() {
        return Known.ALL;
    }

    private static Calls read(String text) {
        int end = text.indexOf("\n\n");
        Map<String, String> head = text.substring(0, end)
                .lines()
                .map(line -> line.split(": ", 2))
                .collect(Collectors.toMap(l -> l[0], l -> l[1]));
        return new Calls(
                head.get("title"),
                head.get("own"),
                Mustache.compiler().escapeHTML(false).compile(text.substring(end + 2)));
    }

    public String text(List<Characters> characters, List<Pixels> pixels) {
        return template.execute(Map.of(
                "characters",
                characters.stream().map(Calls::model).toList(),
                "pixels",
                pixels.stream().map(Calls::model).toList()));
    }

    private static Map<String, Object> model(Characters c) {
        Map<String, Object> model = strings(c.codes());
        model.put("hex", String.format(Locale.ROOT, "0x%02X", c.command()));
        model.put("dollar", dollar(c.command()));
        model.put("row", c.row());
        model.put("column", c.column());
        model.put("clear", c.clear());
        model.put("codes", IntStream.of(c.codes()).mapToObj(Calls::dollar).toList());
        return model;
    }

    private static Map<String, Object> model(Pixels p) {
        Map<String, Object> model = strings(p.codes());
        model.put("x", p.x());
        model.put("y", p.y());
        model.put("size", p.size());
        model.put("bytes", IntStream.of(p.codes()).mapToObj(Calls::dollar).collect(Collectors.joining(", ")));
        return model;
    }

    private static String dollar(int value) {
        return String.format(Locale.ROOT, "$%02X", value);
    }

    private static Map<String, Object> strings(int[] codes) {
        Map<String, Object> model = new HashMap<>();
        // Three digits in base eight end by themselves; a hexadecimal escape would swallow letters behind it.
        model.put("c", quoted(codes, "\\%03o"));
        model.put("python", "b" + quoted(codes, "\\x%02x"));
        return model;
    }

    private static String quoted(int[] codes, String escape) {
        return IntStream.of(codes)
                .mapToObj(c -> c < ' ' || c > '~' || "\"\\?".indexOf(c) >= 0
                        ? String.format(Locale.ROOT, escape, c)
                        : String.valueOf((char) c))
                .collect(Collectors.joining("", "\"", "\""));
    }
}
