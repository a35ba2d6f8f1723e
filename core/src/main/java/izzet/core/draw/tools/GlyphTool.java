package izzet.core.draw.tools;

import izzet.core.draw.Asked;
import izzet.core.draw.ByteText;
import izzet.core.draw.Tool;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Glyphs of one's own for a character display: rows of five dots to bytes and back. Source: data sheet of its controller (HD44780U); from memory. */
public final class GlyphTool implements Tool {

    private static final int WIDTH = 5;
    private static final int SLOTS = 8;

    @Override
    public String id() {
        return "glyph";
    }

    @Override
    public String name() {
        return "Glyphs";
    }

    @Override
    public String purpose() {
        return "Glyphs of your own for a character display: draw them, read byte tables, take them into the program.";
    }

    @Override
    public ObjectNode answer(Asked asked) {
        int height = asked.number("height", 8, 10, 8);
        int stored = height == 8 ? 8 : 16;
        int slot = asked.number("slot", 0, height == 8 ? SLOTS - 1 : SLOTS / 2 - 1, 0);
        List<Integer> rows = rows(asked.text("rows", "0 0 0 0 0 0 0 0"), height);
        List<List<Integer>> glyphs = new ArrayList<>();
        for (int i = 0; i + height <= Math.max(height, rows.size()); i += height) {
            glyphs.add(changed(rows.subList(i, i + height), asked));
        }
        ObjectNode answer = JsonMapper.shared().createObjectNode();
        ArrayNode all = answer.putArray("glyphs");
        List<Integer> bytes = new ArrayList<>();
        for (int g = 0; g < glyphs.size() && slot + g < SLOTS; g++) {
            ObjectNode one = all.addObject();
            one.put("slot", slot + g);
            one.put("command", String.format(Locale.ROOT, "0x%02X", 0x40 | (slot + g) * stored & 0x3F));
            ArrayNode picture = one.putArray("rows");
            ArrayNode values = one.putArray("bytes");
            for (int row : glyphs.get(g)) {
                picture.add(dots(row));
                values.add(row);
            }
            bytes.addAll(glyphs.get(g));
        }
        answer.put(
                "binary",
                bytes.stream()
                        .map(b -> "0b" + dots(b).replace('#', '1').replace('.', '0'))
                        .reduce((a, b) -> a + ", " + b)
                        .orElse(""));
        answer.put("hex", ByteText.hex(bytes));
        answer.put("c", ByteText.c("glyph", bytes));
        answer.put("python", ByteText.python("glyph", bytes));
        answer.put("assembler", ByteText.assembler("glyph", bytes));
        return answer;
    }

    /** Rows as dots (# and .), or as bytes in any form. */
    private static List<Integer> rows(String text, int height) {
        List<Integer> rows = new ArrayList<>();
        if (text.strip().matches("[#.\\s]+")) {
            for (String row : text.strip().split("\\s+")) {
                if (row.length() != WIDTH) {
                    throw new IllegalArgumentException("A row has five dots, not '" + row + "'.");
                }
                rows.add(Integer.parseInt(row.replace('#', '1').replace('.', '0'), 2));
            }
        } else {
            rows.addAll(ByteText.read(text));
        }
        if (rows.size() > SLOTS * height) {
            throw new IllegalArgumentException(
                    "A display has " + SLOTS + " glyphs of one's own; these are " + rows.size() + " rows.");
        }
        for (int row : rows) {
            if (row > 0x1F) {
                throw new IllegalArgumentException(
                        "A row has five dots, so its byte is up to 0x1F, not " + String.format("0x%02X", row) + ".");
            }
        }
        while (rows.size() % height != 0 || rows.isEmpty()) {
            rows.add(0);
        }
        return rows;
    }

    private static List<Integer> changed(List<Integer> rows, Asked asked) {
        List<Integer> out = new ArrayList<>();
        for (int row : rows) {
            int now = asked.flag("mirror") ? Integer.reverse(row) >>> Integer.SIZE - WIDTH : row;
            out.add(asked.flag("invert") ? ~now & 0x1F : now);
        }
        if (asked.flag("flip")) {
            Collections.reverse(out);
        }
        return out;
    }

    private static String dots(int row) {
        StringBuilder text = new StringBuilder();
        for (int bit = WIDTH - 1; bit >= 0; bit--) {
            text.append((row >> bit & 1) == 1 ? '#' : '.');
        }
        return text.toString();
    }
}
