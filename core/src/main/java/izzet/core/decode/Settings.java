package izzet.core.decode;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;

/**
 * How a decoder is set: the names of its lines by role, and its options. Immutable.
 *
 * @param lines names or paths of lines of the record by the id of their role
 * @param options by id; each there
 */
public record Settings(Map<String, String> lines, Map<String, String> options) {

    public Settings {
        lines = Map.copyOf(lines);
        options = Map.copyOf(options);
    }

    /**
     * @param given text by the name of a role or an option; null or blank where it is not set
     * @throws IllegalArgumentException when a line that is needed is missing, one line has two roles, or an option is not allowed
     */
    public static Settings of(Protocol protocol, Function<String, String> given) {
        Map<String, String> lines = new LinkedHashMap<>();
        for (LineRole role : protocol.roles()) {
            String line = text(given, role);
            if (line != null) {
                String taken = lines.put(role.id(), line);
                assert taken == null;
            } else if (role.required()) {
                throw new IllegalArgumentException(
                        "The " + protocol.name() + " decoder needs the line " + role.id() + " (" + role.name() + ").");
            }
        }
        if (Set.copyOf(lines.values()).size() < lines.size()) {
            throw new IllegalArgumentException(
                    "One line of the record has two roles; choose a different line for each.");
        }
        Map<String, String> options = new LinkedHashMap<>();
        for (Option option : protocol.options()) {
            String value = given.apply(option.id());
            options.put(option.id(), value == null || value.isBlank() ? option.usual() : option.checked(value.strip()));
        }
        Settings settings = new Settings(lines, options);
        protocol.check(settings);
        return settings;
    }

    private static String text(Function<String, String> given, LineRole role) {
        String own = given.apply(role.id());
        if (own != null && !own.isBlank()) {
            return own;
        }
        for (String other : role.also()) {
            String value = given.apply(other);
            if (value != null && !value.isBlank()) {
                return value;
            }
        }
        return null;
    }

    public boolean has(String role) {
        return lines.containsKey(role);
    }

    public String text(String option) {
        return options.get(option);
    }

    public long number(String option) {
        return Long.parseLong(options.get(option));
    }

    public boolean is(String option, String value) {
        return value.equals(options.get(option));
    }
}
