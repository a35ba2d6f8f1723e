package izzet.core.draw.tools;

import izzet.core.display.Glass;
import izzet.core.display.Interpreter;
import izzet.core.display.Interpreters;
import izzet.core.display.Panel;
import izzet.core.display.Window;
import izzet.core.draw.Asked;
import izzet.core.draw.ByteText;
import izzet.core.draw.Tool;
import izzet.core.quantity.Quantity;
import java.util.SortedSet;
import java.util.TreeSet;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The bytes that open a window on a glass, how many pixels fill it, and how long that takes. */
public final class WindowTool implements Tool {

    private static final int SPI_CLOCKS = 8;
    private static final int I2C_CLOCKS = 9;
    private static final int FAST = 8_000_000;

    @Override
    public String id() {
        return "window";
    }

    @Override
    public String name() {
        return "Windows";
    }

    @Override
    public String purpose() {
        return "The bytes of a window with its ends included, what fills it, and how long that takes on this bus.";
    }

    /** Families whose commands open a part of the glass. */
    public static SortedSet<String> families() {
        SortedSet<String> opening = new TreeSet<>();
        for (String family : Interpreters.families()) {
            if (Interpreters.of(family)
                    .orElseThrow()
                    .window(Panel.plain(family, 1, 1), new Glass.Area(0, 0, 1, 1))
                    .isPresent()) {
                opening.add(family);
            }
        }
        return opening;
    }

    @Override
    public ObjectNode answer(Asked asked) {
        String family = asked.choice("family", "dcs", families().toArray(String[]::new));
        Interpreter interpreter = Interpreters.of(family).orElseThrow();
        Panel usual = interpreter.usual(family);
        int columns = asked.number("columns", 1, 1024, usual.columns());
        int rows = asked.number("rows", 1, 1024, usual.rows());
        int x = asked.number("x", 0, 1023, 0);
        int y = asked.number("y", 0, 1023, 0);
        int width = asked.number("width", 1, 1024, columns);
        int height = asked.number("height", 1, 1024, rows);
        int offsetX = asked.number("offsetX", 0, 511, usual.offsetColumns());
        int offsetY = asked.number("offsetY", 0, 511, usual.offsetRows());
        boolean twoWires = interpreter.usuallyOnTwoWires();
        int hertz = asked.number("hertz", 1000, 200_000_000, twoWires ? 400_000 : FAST);
        Window window = interpreter
                .window(
                        Panel.plain(family, columns, rows).offset(offsetX, offsetY),
                        new Glass.Area(x, y, width, height))
                .orElseThrow();
        ObjectNode answer = JsonMapper.shared().createObjectNode();
        ArrayNode remarks = answer.putArray("remarks");
        if (x + width > columns || y + height > rows) {
            remarks.add("It reaches over the edge: the glass ends at column " + (columns - 1) + " and row " + (rows - 1)
                    + ".");
        }
        window.remarks().forEach(remarks::add);
        ArrayNode lines = answer.putArray("lines");
        window.lines()
                .forEach(l ->
                        lines.addObject().put("bytes", ByteText.hex(l.bytes())).put("words", l.words()));
        ArrayNode fills = answer.putArray("fills");
        for (Window.Fill fill : window.fills()) {
            if (twoWires) {
                fill(fills, fill, hertz, I2C_CLOCKS, "on a 2-wire bus at");
                fill(fills, fill, FAST, SPI_CLOCKS, "on SPI at");
            } else {
                fill(fills, fill, hertz, SPI_CLOCKS, "at");
            }
        }
        return answer;
    }

    private static void fill(ArrayNode fills, Window.Fill fill, int hertz, int clocks, String where) {
        double seconds = fill.bytes() * (double) clocks / hertz;
        fills.addObject()
                .put("form", fill.form())
                .put("bytes", fill.bytes())
                .put("seconds", seconds)
                .put(
                        "words",
                        fill.bytes() + " bytes, at least " + Quantity.seconds(seconds) + " " + where + " "
                                + Quantity.hertz(hertz));
    }
}
