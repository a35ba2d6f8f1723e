package izzet.core.author;

import izzet.core.author.Column.Kind;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The text of a field as a value of the file, and back. */
final class Cells {

    private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;
    private static final String DUTIES = " | ";
    private static final Pattern DUTY = Pattern.compile(
            "([a-z-]+)(?: (high|low))?(?: \\(([a-z-]+)\\))?(?: (\\d{1,7}(?:\\.\\d{1,6})?))?(?::\\s*(.*?))?(?:\\s*\\[([^\\[\\]]*)])?");

    private Cells() {}

    /** A text that its kind cannot read. */
    static final class NotReadable extends Exception {
        private static final long serialVersionUID = 1L;

        NotReadable(String text, String expected) {
            super("'" + text + "' cannot be read; write " + expected + ".");
        }
    }

    static JsonNode read(String text, Kind kind) throws NotReadable {
        return switch (kind) {
            case TEXT, CHOICE -> MAKE.stringNode(text);
            case INTEGER -> integer(text);
            case HEX ->
                Hex.parse(text)
                        .<JsonNode>map(MAKE::numberNode)
                        .orElseThrow(() -> new NotReadable(text, "a number such as 0x3C"));
            case NUMBER -> number(text);
            case YES_NO -> yesNo(text);
            case WORDS -> words(text);
            case INTEGERS -> integers(text);
            case PAIRS -> pairs(text);
            case LEVEL -> level(text);
            case DUTIES -> duties(text);
        };
    }

    private static JsonNode integer(String text) throws NotReadable {
        try {
            return MAKE.numberNode(Integer.parseInt(text.replace(" ", "")));
        } catch (NumberFormatException e) {
            throw new NotReadable(text, "a whole number");
        }
    }

    private static JsonNode number(String text) throws NotReadable {
        try {
            double value = Double.parseDouble(text.replace(',', '.'));
            if (!Double.isFinite(value)) {
                throw new NotReadable(text, "a number such as 3.3");
            }
            return value == Math.rint(value) && Math.abs(value) < 1e9
                    ? MAKE.numberNode((int) value)
                    : MAKE.numberNode(value);
        } catch (NumberFormatException e) {
            throw new NotReadable(text, "a number such as 3.3");
        }
    }

    private static JsonNode yesNo(String text) throws NotReadable {
        return switch (text.toLowerCase(java.util.Locale.ROOT)) {
            case "yes", "y", "true", "1" -> MAKE.booleanNode(true);
            case "no", "n", "false", "0" -> MAKE.booleanNode(false);
            default -> throw new NotReadable(text, "yes or no");
        };
    }

    private static ArrayNode words(String text) {
        ArrayNode list = MAKE.arrayNode();
        for (String word : text.split("[\\s,;]+")) {
            if (!word.isEmpty()) {
                list.add(word);
            }
        }
        return list;
    }

    private static ArrayNode integers(String text) throws NotReadable {
        ArrayNode list = MAKE.arrayNode();
        for (JsonNode word : words(text)) {
            list.add(integer(word.asString()));
        }
        return list;
    }

    private static ObjectNode pairs(String text) throws NotReadable {
        ObjectNode map = MAKE.objectNode();
        for (JsonNode word : words(text)) {
            String[] pair = word.asString().split("=", 2);
            if (pair.length < 2) {
                throw new NotReadable(word.asString(), "pairs such as BL=pwm");
            }
            map.put(pair[0], pair[1]);
        }
        return map;
    }

    private static ObjectNode level(String text) throws NotReadable {
        var level = LevelText.parse(text)
                .orElseThrow(() -> new NotReadable(text, "volts such as 2.0, or 0.7 supply, or supply + 0.3"));
        ObjectNode node = MAKE.objectNode();
        node.put("ratio", level.ratio());
        node.put("volts", level.volts());
        return node;
    }

    private static ArrayNode duties(String text) throws NotReadable {
        ArrayNode list = MAKE.arrayNode();
        for (String one : text.split(Pattern.quote("|"))) {
            if (one.isBlank()) {
                continue;
            }
            Matcher m = DUTY.matcher(one.strip());
            if (!m.matches() || m.group(5) == null || m.group(6) == null) {
                throw new NotReadable(
                        one.strip(),
                        "kind, level if any, a note and the source's key: boot low: starts the loader [own]");
            }
            ObjectNode duty = list.addObject();
            duty.put("kind", m.group(1));
            if (m.group(2) != null) {
                duty.put("level", m.group(2));
            }
            if (m.group(3) != null) {
                duty.put("grade", m.group(3));
            }
            if (m.group(4) != null) {
                duty.set("ohms", number(m.group(4)));
            }
            duty.put("note", m.group(5));
            duty.put("source", m.group(6));
        }
        return list;
    }

    static String write(JsonNode node, Kind kind) {
        return switch (kind) {
            case HEX -> Hex.of(node.asInt());
            case YES_NO -> node.asBoolean() ? "yes" : "no";
            case WORDS, INTEGERS -> String.join(" ", texts(node));
            case PAIRS ->
                String.join(
                        " ",
                        node.properties().stream()
                                .map(e -> e.getKey() + "=" + e.getValue().asString())
                                .toList());
            case LEVEL ->
                LevelText.of(node.path("ratio").asDouble(), node.path("volts").asDouble());
            case DUTIES -> {
                List<String> all = new ArrayList<>();
                node.forEach(d -> all.add(duty(d)));
                yield String.join(DUTIES, all);
            }
            case NUMBER -> plain(node);
            case TEXT, CHOICE, INTEGER -> node.asString();
        };
    }

    private static String duty(JsonNode d) {
        return d.path("kind").asString()
                + Optional.of(d.path("level").asString(""))
                        .filter(l -> !l.isEmpty())
                        .map(l -> " " + l)
                        .orElse("")
                + (d.has("grade") ? " (" + d.get("grade").asString() + ")" : "")
                + (d.has("ohms") ? " " + plain(d.get("ohms")) : "")
                + ": " + d.path("note").asString() + " [" + d.path("source").asString() + "]";
    }

    private static List<String> texts(JsonNode list) {
        List<String> texts = new ArrayList<>();
        list.forEach(n -> texts.add(n.asString()));
        return texts;
    }

    private static String plain(JsonNode number) {
        return new java.math.BigDecimal(number.asString()).stripTrailingZeros().toPlainString();
    }
}
