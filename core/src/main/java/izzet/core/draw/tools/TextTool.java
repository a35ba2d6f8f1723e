package izzet.core.draw.tools;

import izzet.core.display.CharacterCodes;
import izzet.core.display.CharacterModel;
import izzet.core.draw.Asked;
import izzet.core.draw.Calls;
import izzet.core.draw.Tool;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Places texts on a glass of characters or of pixels and says what becomes of them: cut off, wrapped, over one another. Source of the line
 * addresses: data sheet of the character display controller (HD44780U), from memory.
 */
public final class TextTool implements Tool {

    private static final int MOST_TEXTS = 12;
    private static final int MOST_LENGTH = 200;
    private static final int CELL_WIDTH = 6;
    private static final int CELL_HEIGHT = 8;
    private static final String[] ANCHORS = {
        "numbers",
        "top left",
        "top centre",
        "top right",
        "left",
        "centre",
        "right",
        "bottom left",
        "bottom centre",
        "bottom right"
    };

    @Override
    public String id() {
        return "text";
    }

    @Override
    public String name() {
        return "Text";
    }

    @Override
    public String purpose() {
        return "Where a text lies on a glass, what of it is seen, and the numbers for the program.";
    }

    /** @param column of a glass of characters, or x in pixels */
    private record Wish(String text, String anchor, int row, int column) {}

    @Override
    public ObjectNode answer(Asked asked) {
        boolean pixels =
                asked.choice("kind", "characters", "characters", "pixels").equals("pixels");
        int columns = asked.number("columns", 1, pixels ? 1024 : 80, pixels ? 128 : 16);
        int rows = asked.number("rows", 1, pixels ? 1024 : 4, pixels ? 64 : 2);
        List<Wish> wishes = wishes(asked);
        return pixels
                ? onPixels(wishes, columns, rows, asked.number("size", 1, 8, 1))
                : onCharacters(wishes, columns, rows, asked);
    }

    private static List<Wish> wishes(Asked asked) {
        List<Wish> wishes = new ArrayList<>();
        for (Asked one : asked.list("texts")) {
            wishes.add(wish(one, ""));
        }
        for (int i = 1; i <= MOST_TEXTS && wishes.size() < MOST_TEXTS; i++) {
            if (asked.has("text" + i)) {
                wishes.add(wish(asked, String.valueOf(i)));
            }
        }
        if (wishes.size() > MOST_TEXTS) {
            throw new IllegalArgumentException("Up to " + MOST_TEXTS + " texts are placed at once.");
        }
        return wishes;
    }

    private static Wish wish(Asked asked, String number) {
        String text = asked.text("text" + number, "");
        if (text.length() > MOST_LENGTH) {
            throw new IllegalArgumentException("A text has up to " + MOST_LENGTH + " characters.");
        }
        return new Wish(
                text,
                asked.choice("anchor" + number, "numbers", ANCHORS),
                asked.number("row" + number, 0, 1023, number.isEmpty() ? 0 : Integer.parseInt(number) - 1),
                asked.number("column" + number, 0, 1023, 0));
    }

    /** Free places before something of a width, by its anchor. */
    private static int across(String anchor, int given, int all, int width) {
        if (anchor.equals("numbers")) {
            return given;
        }
        return Math.max(0, anchor.endsWith("right") ? all - width : anchor.endsWith("centre") ? (all - width) / 2 : 0);
    }

    private static int down(String anchor, int given, int all, int height) {
        if (anchor.equals("numbers")) {
            return given;
        }
        return Math.max(
                0, anchor.startsWith("bottom") ? all - height : anchor.startsWith("top") ? 0 : (all - height) / 2);
    }

    private static ObjectNode onPixels(List<Wish> wishes, int columns, int rows, int size) {
        ObjectNode answer = JsonMapper.shared().createObjectNode();
        ArrayNode placed = answer.putArray("placed");
        List<int[]> boxes = new ArrayList<>();
        List<Calls.Pixels> told = new ArrayList<>();
        for (Wish wish : wishes) {
            int width = wish.text().codePointCount(0, wish.text().length()) * CELL_WIDTH * size;
            int height = CELL_HEIGHT * size;
            int x = across(wish.anchor(), wish.column(), columns, width);
            int y = down(wish.anchor(), wish.row(), rows, height);
            ObjectNode one = placed.addObject();
            one.put("text", wish.text())
                    .put("x", x)
                    .put("y", y)
                    .put("width", width)
                    .put("height", height);
            ArrayNode remarks = one.putArray("remarks");
            int seen = Math.max(0, Math.min(width, columns - x)) / (CELL_WIDTH * size);
            one.put("seen", seen);
            if (x + width > columns) {
                remarks.add(seen + " of " + width / CELL_WIDTH / size + " characters fit: " + (x + width - columns)
                        + " pixels lie beyond the right edge.");
            }
            if (y + height > rows) {
                remarks.add((y + height - rows) + " rows of pixels lie below the glass.");
            }
            for (int i = 0; i < boxes.size(); i++) {
                int[] b = boxes.get(i);
                if (x < b[0] + b[2] && b[0] < x + width && y < b[1] + b[3] && b[1] < y + height) {
                    remarks.add("It lies over text " + (i + 1) + ".");
                }
            }
            boxes.add(new int[] {x, y, width, height});
            told.add(new Calls.Pixels(latin(wish.text()), x, y, size));
        }
        answer.put("columns", columns).put("rows", rows);
        answer.put(
                "cell",
                "cells of " + CELL_WIDTH * size + " x " + CELL_HEIGHT * size + " pixels, with one free column and row");
        calls(answer, List.of(), told);
        return answer;
    }

    private static ObjectNode onCharacters(List<Wish> wishes, int columns, int rows, Asked asked) {
        boolean leftwards = asked.flag("leftwards");
        boolean clears = asked.flag("clears");
        int shift = asked.number("shift", -80, 80, 0);
        boolean two = rows > 1 || asked.flag("halves");
        CharacterModel model = new CharacterModel(columns, rows);
        model.command(two ? 0x28 : 0x20);
        model.command(0x01);
        model.command(leftwards ? 0x04 : 0x06);
        ObjectNode answer = JsonMapper.shared().createObjectNode();
        ArrayNode placed = answer.putArray("placed");
        List<Calls.Characters> told = new ArrayList<>();
        int[] owner = new int[0x80];
        for (int n = 0; n < wishes.size(); n++) {
            Wish wish = wishes.get(n);
            int length = wish.text().codePointCount(0, wish.text().length());
            int row = Math.min(rows - 1, down(wish.anchor(), wish.row(), rows, 1));
            int column = across(wish.anchor(), wish.column(), columns, length);
            int first = leftwards && !wish.anchor().equals("numbers") ? column + length - 1 : column;
            ObjectNode one = placed.addObject();
            ArrayNode remarks = one.putArray("remarks");
            if (wish.anchor().equals("numbers") && wish.row() >= rows) {
                remarks.add("There is no row " + wish.row() + ": rows are counted from 0 to " + (rows - 1) + ".");
            }
            int address = model.addressOf(row, Math.min(first, CharacterModel.LINE * 2 - 1));
            one.put("text", wish.text()).put("row", row).put("column", first).put("address", address);
            one.put("command", String.format(Locale.ROOT, "0x%02X", 0x80 | address));
            if (clears && n > 0) {
                java.util.Arrays.fill(owner, 0);
                model.command(0x01);
                remarks.add("It is cleared before: text " + n + " and those before it go.");
            }
            model.command(0x80 | address & 0x7F);
            write(model, wish.text(), owner, n + 1, remarks, row, columns, rows, one);
            told.add(new Calls.Characters(codes(wish.text()), 0x80 | address & 0x7F, row, first, clears && n > 0));
        }
        for (int i = 0; i < Math.abs(shift); i++) {
            model.command(shift > 0 ? 0x18 : 0x1C);
        }
        ArrayNode lines = answer.putArray("lines");
        model.lines().forEach(lines::add);
        answer.put("columns", columns).put("rows", rows);
        if (shift != 0) {
            answer.put(
                    "shifted",
                    "shifted by " + Math.abs(shift) + (shift > 0 ? " to the left" : " to the right") + "; a line has "
                            + (two ? CharacterModel.LINE : 2 * CharacterModel.LINE) + " places and goes round");
        }
        calls(answer, told, List.of());
        return answer;
    }

    private static void write(
            CharacterModel model,
            String text,
            int[] owner,
            int number,
            ArrayNode remarks,
            int row,
            int columns,
            int rows,
            ObjectNode one) {
        int seen = 0;
        StringBuilder beyond = new StringBuilder();
        StringBuilder elsewhere = new StringBuilder();
        java.util.Set<Integer> over = new java.util.TreeSet<>();
        java.util.Set<String> unknown = new java.util.LinkedHashSet<>();
        for (int c : text.codePoints().toArray()) {
            int code = CharacterCodes.code(c);
            if (code < 0) {
                unknown.add(new String(Character.toChars(c)));
                code = '?';
            }
            int at = model.address();
            int cell = cell(model, at, columns, rows);
            if (cell < 0) {
                beyond.appendCodePoint(c);
            } else if (cell / columns != row) {
                elsewhere.appendCodePoint(c);
            } else {
                seen++;
            }
            if (owner[at] != 0) {
                over.add(owner[at]);
            }
            owner[at] = number;
            model.write(code);
        }
        one.put("seen", seen);
        if (!beyond.isEmpty()) {
            remarks.add("“" + beyond
                    + "” goes into the memory beyond the glass: cut off, and seen only when the display is shifted.");
        }
        if (!elsewhere.isEmpty()) {
            remarks.add(
                    "“" + elsewhere
                            + "” goes on in another row: the controller counts on from address to address, not from row to row.");
        }
        over.forEach(o -> remarks.add("It writes over text " + o + "; what is longer of that one stays."));
        unknown.forEach(u -> remarks.add(
                "The character table has no “" + u + "”; ? stands for it. A glyph of one's own can show it."));
    }

    private static int cell(CharacterModel model, int address, int columns, int rows) {
        for (int cell = 0; cell < columns * rows; cell++) {
            if (model.addressOf(cell / columns, cell % columns) == address) {
                return cell;
            }
        }
        return -1;
    }

    /** Nothing where no text is placed. */
    private static void calls(ObjectNode answer, List<Calls.Characters> characters, List<Calls.Pixels> pixels) {
        ArrayNode all = answer.putArray("calls");
        if (characters.isEmpty() && pixels.isEmpty()) {
            return;
        }
        for (Calls calls : Calls.all()) {
            all.addObject()
                    .put("title", calls.title())
                    .put("own", calls.own())
                    .put("text", calls.text(characters, pixels));
        }
    }

    /** As most fonts of programs have them: ASCII, and what lies beyond as a question mark. */
    private static int[] latin(String text) {
        return text.codePoints().map(c -> c >= ' ' && c <= '~' ? c : '?').toArray();
    }

    private static int[] codes(String text) {
        return text.codePoints().map(TextTool::codeOf).toArray();
    }

    private static int codeOf(int character) {
        int code = CharacterCodes.code(character);
        return code < 0 ? '?' : code;
    }
}
