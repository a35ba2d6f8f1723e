package izzet.core.draw.tools;

import izzet.core.draw.Asked;
import izzet.core.draw.ByteText;
import izzet.core.draw.Tool;
import izzet.core.quantity.Quantity;
import java.util.List;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The bytes that open a window on a glass, how many pixels fill it, and how long that takes. */
public final class WindowTool implements Tool {

    private static final int PAGE = 8;
    private static final int I2C_CLOCKS = 9;

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

    @Override
    public ObjectNode answer(Asked asked) {
        String family = asked.choice("family", "dcs", "dcs", "page-oled", "page-oled-132");
        boolean mono = !family.equals("dcs");
        int columns = asked.number("columns", 1, 1024, 128);
        int rows = asked.number("rows", 1, 1024, mono ? 64 : 160);
        int x = asked.number("x", 0, 1023, 0);
        int y = asked.number("y", 0, 1023, 0);
        int width = asked.number("width", 1, 1024, columns);
        int height = asked.number("height", 1, 1024, rows);
        int offsetX = asked.number("offsetX", 0, 511, family.equals("page-oled-132") ? 2 : 0);
        int offsetY = asked.number("offsetY", 0, 511, 0);
        int hertz = asked.number("hertz", 1000, 200_000_000, mono ? 400_000 : 8_000_000);
        ObjectNode answer = JsonMapper.shared().createObjectNode();
        ArrayNode remarks = answer.putArray("remarks");
        if (x + width > columns || y + height > rows) {
            remarks.add("It reaches over the edge: the glass ends at column " + (columns - 1) + " and row " + (rows - 1)
                    + ".");
        }
        ArrayNode lines = answer.putArray("lines");
        int x0 = x + offsetX;
        int x1 = x0 + width - 1;
        if (mono) {
            mono(family, x0, x1, y, height, lines, remarks);
            int pages = (y % PAGE + height + PAGE - 1) / PAGE;
            fill(
                    answer.putArray("fills"),
                    "8 rows a byte",
                    (long) width * pages,
                    hertz,
                    I2C_CLOCKS,
                    "on a 2-wire bus at");
            fill(answer.withArray("fills"), "8 rows a byte", (long) width * pages, 8_000_000, PAGE, "on SPI at");
        } else {
            int y0 = y + offsetY;
            int y1 = y0 + height - 1;
            line(
                    lines,
                    List.of(0x2A, x0 >> 8, x0 & 0xFF, x1 >> 8, x1 & 0xFF),
                    "columns " + x0 + " to " + x1 + ", both included");
            line(
                    lines,
                    List.of(0x2B, y0 >> 8, y0 & 0xFF, y1 >> 8, y1 & 0xFF),
                    "rows " + y0 + " to " + y1 + ", both included");
            line(lines, List.of(0x2C), "then the pixels, row by row");
            long pixels = (long) width * height;
            ArrayNode fills = answer.putArray("fills");
            fill(fills, "16 bits a pixel", pixels * 2, hertz, PAGE, "at");
            fill(fills, "18 bits a pixel", pixels * 3, hertz, PAGE, "at");
        }
        return answer;
    }

    private static void mono(String family, int x0, int x1, int y, int height, ArrayNode lines, ArrayNode remarks) {
        int first = y / PAGE;
        int last = (y + height - 1) / PAGE;
        if (y % PAGE != 0 || height % PAGE != 0) {
            remarks.add("Pages have 8 rows: rows " + first * PAGE + " to " + (last * PAGE + PAGE - 1)
                    + " are written, so what stands above and below it must be known.");
        }
        if (family.equals("page-oled")) {
            line(lines, List.of(0x21, x0, x1), "columns " + x0 + " to " + x1 + ", both included");
            line(lines, List.of(0x22, first, last), "pages " + first + " to " + last + ", both included");
            return;
        }
        remarks.add("This controller has no windows: each page is begun anew, and its memory has 132 columns.");
        for (int page = first; page <= last; page++) {
            line(lines, List.of(0xB0 | page, x0 & 0xF, 0x10 | x0 >> 4), "page " + page + " from column " + x0);
        }
    }

    private static void line(ArrayNode lines, List<Integer> bytes, String words) {
        lines.addObject().put("bytes", ByteText.hex(bytes)).put("words", words);
    }

    private static void fill(ArrayNode fills, String form, long bytes, int hertz, int clocks, String where) {
        double seconds = bytes * (double) clocks / hertz;
        fills.addObject()
                .put("form", form)
                .put("bytes", bytes)
                .put("seconds", seconds)
                .put(
                        "words",
                        bytes + " bytes, at least " + Quantity.seconds(seconds) + " " + where + " "
                                + Quantity.hertz(hertz));
    }
}
