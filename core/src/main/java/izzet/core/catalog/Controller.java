package izzet.core.catalog;

import java.util.List;
import java.util.Map;

/**
 * A bus controller inside the board's chip.
 *
 * @param maxHz fastest clock; null when not known
 * @param waitsForClock whether it lets a part hold the clock low; null when not known or not applicable
 * @param mixesPinSets whether its lines may come from different alternative sets
 * @param anyPin whether its signals can be led to any pin; those that name it are then only its usual ones
 * @param usual pin by signal, where libraries expect it; empty where there is no choice, or the pins that name an any-pin controller say it
 * @param modes of a serial controller; empty for all four
 * @param wordBits longest word of a serial controller; null where any
 * @param needs what must be done before its pins work, for people; may be null
 * @param divider how its clock is made; null where not known
 * @param source key into the sources of the file
 */
public record Controller(
        String id,
        BusKind kind,
        String name,
        Integer maxHz,
        Boolean waitsForClock,
        boolean mixesPinSets,
        Boolean anyPin,
        Map<String, String> usual,
        List<Integer> modes,
        Integer wordBits,
        Divider divider,
        String needs,
        String source) {

    /**
     * A clock made by dividing a faster one.
     *
     * @param steps {@code powers-of-two}, {@code even} or {@code whole}
     */
    public record Divider(int baseHz, String steps, int least, int most, String source) {

        /** The fastest clock that is not above the one asked for; where none is so slow, the slowest. */
        public double hertz(double asked) {
            double wanted = Math.max(least, baseHz / asked);
            double divisor =
                    switch (steps) {
                        case "powers-of-two" -> Math.pow(2, Math.ceil(Math.log(wanted) / Math.log(2) - HAIR));
                        case "even" -> 2 * Math.ceil(wanted / 2 - HAIR);
                        default -> Math.ceil(wanted - HAIR);
                    };
            return baseHz / Math.min(divisor, most);
        }

        private static final double HAIR = 1e-9;
    }

    public Controller {
        anyPin = Boolean.TRUE.equals(anyPin);
        usual = usual == null ? Map.of() : Map.copyOf(usual);
        modes = modes == null ? List.of() : List.copyOf(modes);
    }

    /** Whether a serial controller knows a clock mode. */
    public boolean knows(int mode) {
        return modes.isEmpty() || modes.contains(mode);
    }
}
