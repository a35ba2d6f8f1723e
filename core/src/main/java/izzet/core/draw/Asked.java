package izzet.core.draw;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;

/** What a tool is asked, read with its limits. Numbers may be given as text, as forms send them, and hexadecimal with 0x. */
public record Asked(JsonNode json) {

    private static final int MOST_TEXT = 200_000;

    public boolean has(String name) {
        JsonNode value = json.path(name);
        return !value.isMissingNode()
                && !value.isNull()
                && !(value.isString() && value.asString().isBlank());
    }

    /** @throws IllegalArgumentException when it is no number or outside the limits */
    public int number(String name, int least, int most, int otherwise) {
        if (!has(name)) {
            return otherwise;
        }
        JsonNode value = json.path(name);
        String text = value.isString() ? value.asString().strip() : value.toString();
        try {
            boolean hexadecimal = text.startsWith("0x") || text.startsWith("0X");
            long number = hexadecimal ? Long.parseLong(text.substring(2), 16) : Math.round(Double.parseDouble(text));
            if (number >= least && number <= most) {
                return (int) number;
            }
        } catch (NumberFormatException e) {
            // Told below, like a number outside the limits.
        }
        throw new IllegalArgumentException(
                name + " lies between " + least + " and " + most + ", not '" + cut(text) + "'.");
    }

    public String text(String name, String otherwise) {
        if (!has(name)) {
            return otherwise;
        }
        JsonNode value = json.path(name);
        String text = value.isString() ? value.asString() : value.toString();
        if (text.length() > MOST_TEXT) {
            throw new IllegalArgumentException(name + " is longer than " + MOST_TEXT + " characters.");
        }
        return text;
    }

    public boolean flag(String name) {
        String text = text(name, "");
        return text.equals("true") || text.equals("on") || text.equals("yes") || text.equals("1");
    }

    /** @throws IllegalArgumentException when it is none of the choices */
    public String choice(String name, String otherwise, String... choices) {
        String text = text(name, otherwise);
        if (List.of(choices).contains(text)) {
            return text;
        }
        throw new IllegalArgumentException(
                name + " is one of " + String.join(", ", choices) + ", not '" + cut(text) + "'.");
    }

    /** The objects of a list; empty where there is none. */
    public List<Asked> list(String name) {
        List<Asked> all = new ArrayList<>();
        json.path(name).forEach(one -> all.add(new Asked(one)));
        return all;
    }

    private static String cut(String text) {
        return text.length() > 40 ? text.substring(0, 40) + "…" : text;
    }
}
