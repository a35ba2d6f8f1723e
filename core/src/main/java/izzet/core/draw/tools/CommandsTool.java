package izzet.core.draw.tools;

import izzet.core.decode.BusEvent;
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
import java.util.SortedSet;
import java.util.TreeSet;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A pasted set-up explained line by line, and a command put together from its switches. */
public final class CommandsTool implements Tool {

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
        Panel usual = interpreter.usual(family);
        int columns = asked.number("columns", 1, 1024, usual.columns());
        int rows = asked.number("rows", 1, 1024, usual.rows());
        ObjectNode answer = JsonMapper.shared().createObjectNode();
        if (asked.has("compose")) {
            CommandTable.compose(asked, family, answer);
        }
        ArrayNode lines = answer.putArray("lines");
        ArrayNode differs = answer.putArray("differs");
        if (asked.has("bytes")) {
            Explaining explaining = new Explaining(interpreter, Panel.plain(family, columns, rows));
            for (Line line : explaining.all(asked.text("bytes", ""))) {
                ObjectNode one = lines.addObject();
                one.put("bytes", ByteText.hex(line.bytes())).put("words", line.words());
                ArrayNode mistakes = one.putArray("mistakes");
                line.mistakes().forEach(mistakes::add);
            }
            differs(explaining.session.glass().orElseThrow()).forEach(differs::add);
        }
        return answer;
    }

    /** Families that show something. */
    public static SortedSet<String> families() {
        SortedSet<String> shown = new TreeSet<>();
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

    /** Commands one after the other, as one part understands them. */
    private static final class Explaining {
        private final Interpreter interpreter;
        private final Panel panel;
        private final Session session;

        Explaining(Interpreter interpreter, Panel panel) {
            this.interpreter = interpreter;
            this.panel = panel;
            this.session = interpreter.begin(panel);
        }

        List<Line> all(String text) {
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
                    Line line = first(bytes.subList(i, bytes.size()));
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
        private Line first(List<Integer> bytes) {
            int wanted = interpreter.parameters(panel.family(), bytes.get(0));
            int size = wanted < 0 ? bytes.size() : Math.min(bytes.size(), 1 + wanted);
            List<Integer> own = List.copyOf(bytes.subList(0, size));
            List<String> told = new ArrayList<>();
            for (BusEvent event : interpreter.sent(panel.family(), own)) {
                Said said = session.hear(event);
                if (wanted != Interpreter.PICTURE || told.isEmpty()) {
                    told.clear();
                    told.add(said.text());
                }
            }
            String words = told.get(0);
            if (wanted == Interpreter.PICTURE && size > 1) {
                words += (words.isEmpty() ? "" : ", ") + (size - 1) + (size == 2 ? " byte of them" : " bytes of them");
            }
            if (wanted == Interpreter.NOT_KNOWN && size > 1) {
                words += "; how many it has is not known here, so the rest of the line is taken for them";
            }
            List<String> mistakes = new ArrayList<>();
            if (size < 1 + wanted) {
                mistakes.add("It takes " + wanted + (wanted == 1 ? " byte more; " : " bytes more; ")
                        + (size == 1 ? "none is here." : (size - 1) + (size == 2 ? " is here." : " are here.")));
            } else {
                mistakes.addAll(interpreter.slips(own, panel));
            }
            return new Line(own, words, mistakes);
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
