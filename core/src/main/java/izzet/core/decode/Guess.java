package izzet.core.decode;

import java.util.Map;

/**
 * Which lines of a record seem to speak in some way.
 *
 * @param protocol its id
 * @param lines numbers of lines by role
 * @param options that differ from the usual ones
 * @param score from 0, chance, to 1, certain
 * @param why for people
 */
public record Guess(
        String protocol, Map<String, Integer> lines, Map<String, String> options, double score, String why) {

    public Guess {
        lines = Map.copyOf(lines);
        options = Map.copyOf(options);
    }
}
