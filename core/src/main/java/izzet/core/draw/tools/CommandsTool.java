package izzet.core.draw.tools;

import izzet.core.decode.CharacterTransfer;
import izzet.core.display.Glass;
import izzet.core.display.Interpreter;
import izzet.core.display.Interpreters;
import izzet.core.display.Panel;
import izzet.core.display.Said;
import izzet.core.display.Session;
import izzet.core.draw.Asked;
import izzet.core.draw.ByteText;
import izzet.core.draw.CommandTable;
import izzet.core.draw.Tool;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A pasted set-up explained line by line, and a command put together from its switches. */
public final class CommandsTool implements Tool {

    private static final int CLEAR_MISTAKEN = 0x10;
    private static final int MOST = 4000;

    @Override
    public String id() {
        return "commands";
    }

    @Override
    public String name() {
        return "Commands";
    }

    @Override
    public String purpose() {
        return "What each byte of a set-up does, what is wrong for this glass, and a command from its switches.";
    }

    /** One command with its parameters. */
    private record Line(List<Integer> bytes, String words, List<String> mistakes) {}

    @Override
    public ObjectNode answer(Asked asked) {
        String family = asked.text("family", "page-oled");
        Interpreter interpreter = Interpreters.of(family)
                .filter(i -> i.begin(Panel.plain(family, 16, 2)).glass().isPresent())
                .orElseThrow(() -> new IllegalArgumentException(
                        "family is one of " + String.join(", ", families()) + ", not '" + family + "'."));
        boolean characters = family.contains("character");
        int columns = asked.number("columns", 1, 1024, characters ? 16 : 128);
        int rows = asked.number("rows", 1, 1024, characters ? 2 : 64);
        ObjectNode answer = JsonMapper.shared().createObjectNode();
        if (asked.has("compose")) {
            CommandTable.compose(asked, family, answer);
        }
        ArrayNode lines = answer.putArray("lines");
        ArrayNode differs = answer.putArray("differs");
        if (asked.has("bytes")) {
            Session session = interpreter.begin(Panel.plain(family, columns, rows));
            List<Line> explained = explain(asked.text("bytes", ""), interpreter, session, family, columns, rows);
            for (Line line : explained) {
                ObjectNode one = lines.addObject();
                one.put("bytes", ByteText.hex(line.bytes())).put("words", line.words());
                ArrayNode mistakes = one.putArray("mistakes");
                line.mistakes().forEach(mistakes::add);
            }
            differs(session.glass().orElseThrow()).forEach(differs::add);
        }
        return answer;
    }

    /** Families that show something. */
    public static TreeSet<String> families() {
        TreeSet<String> shown = new TreeSet<>();
        for (String family : Interpreters.families()) {
            if (Interpreters.of(family)
                    .orElseThrow()
                    .begin(Panel.plain(family, 16, 2))
                    .glass()
                    .isPresent()) {
                shown.add(family);
            }
        }
        return shown;
    }

    private static List<Line> explain(
            String text, Interpreter interpreter, Session session, String family, int columns, int rows) {
        List<Line> lines = new ArrayList<>();
        int count = 0;
        for (String part : text.split("\\R")) {
            if (part.isBlank() || !part.matches(".*[0-9A-Fa-f].*")) {
                continue;
            }
            List<Integer> bytes = ByteText.read(part);
            count += bytes.size();
            if (count > MOST) {
                throw new IllegalArgumentException("Up to " + MOST + " bytes are explained at once.");
            }
            int i = 0;
            while (i < bytes.size()) {
                Line line = line(bytes.subList(i, bytes.size()), interpreter, session, family, columns, rows);
                lines.add(line);
                i += line.bytes().size();
            }
        }
        if (lines.isEmpty()) {
            ByteText.read(text);
        }
        return lines;
    }

    /** The command that a list begins with, and as many of its bytes as belong to it. */
    private static Line line(
            List<Integer> bytes, Interpreter interpreter, Session session, String family, int columns, int rows) {
        int command = bytes.get(0);
        int wanted = interpreter.parameters(command);
        boolean known = wanted != -1;
        Said said = session.hear(write(command, false));
        int i = 1;
        if (wanted == Interpreter.AS_COMMANDS) {
            while (said.text().contains("…") && i < bytes.size()) {
                said = session.hear(write(bytes.get(i++), false));
            }
        } else {
            int last = known ? Math.min(bytes.size(), 1 + wanted) : bytes.size();
            while (i < last) {
                said = session.hear(write(bytes.get(i++), true));
            }
        }
        List<Integer> own = List.copyOf(bytes.subList(0, i));
        String words = said.text()
                + (known || i == 1
                        ? ""
                        : "; how many it has is not known here, so the rest of the line is taken for them");
        return new Line(own, words, mistakes(own, family, columns, rows));
    }

    private static CharacterTransfer write(int value, boolean data) {
        return new CharacterTransfer(0, 0, data, false, value, 0);
    }

    private static List<String> mistakes(List<Integer> bytes, String family, int columns, int rows) {
        List<String> mistakes = new ArrayList<>();
        int c = bytes.get(0);
        if (family.contains("character") && c == CLEAR_MISTAKEN) {
            mistakes.add("0x10 moves the cursor one place to the left; the display is cleared by 0x01.");
        }
        if (family.startsWith("page-oled") && bytes.size() == 3) {
            end(mistakes, c == 0x21, bytes.get(1), bytes.get(2), columns, "column");
            end(mistakes, c == 0x22, bytes.get(1), bytes.get(2), (rows + 7) / 8, "page");
        }
        if (family.equals("dcs") && bytes.size() == 5) {
            int first = bytes.get(1) << 8 | bytes.get(2);
            int last = bytes.get(3) << 8 | bytes.get(4);
            end(mistakes, c == 0x2A, first, last, columns, "column");
            end(mistakes, c == 0x2B, first, last, rows, "row");
        }
        if (family.startsWith("page-oled") && c == 0xDA && bytes.size() == 2) {
            int usual = rows == 32 ? 0x02 : 0x12;
            if (bytes.get(1) != usual) {
                mistakes.add(
                        "On a glass of " + rows + " rows the row wiring is usually " + String.format("0x%02X", usual)
                                + ": with another one every second row stays dark or rows are mixed.");
            }
        }
        return mistakes;
    }

    private static void end(List<String> mistakes, boolean it, int first, int last, int count, String what) {
        if (!it) {
            return;
        }
        if (last == count) {
            mistakes.add("The end is the last " + what + " itself, counted from 0: " + (count - 1)
                    + ", not the number of them.");
        } else if (last < first) {
            mistakes.add("The last " + what + " lies before the first: " + last
                    + " looks like a width; the end would be " + (first + last - 1) + ".");
        }
    }

    private static List<String> differs(Glass glass) {
        List<String> differs = new ArrayList<>();
        if (!glass.state().isEmpty()) {
            differs.add("After all of it the glass is " + glass.state() + ".");
        }
        glass.misfits().stream()
                .filter(m -> !glass.state().contains(m.what().replaceFirst("^is ", "")))
                .forEach(m -> differs.add("It " + m.what() + ". " + m.remedy()));
        return differs;
    }
}
