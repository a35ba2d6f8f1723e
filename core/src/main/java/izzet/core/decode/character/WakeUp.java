package izzet.core.decode.character;

import izzet.core.decode.Behaviour;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Finds the order of a 4-bit port by trial: every order in which the set-up reads 3, 3, 3, 2, then a function set and three other
 * commands, is a right one as far as the record can tell.
 */
final class WakeUp {

    private static final int LINES = 5;
    private static final int[] BEGINNING = {3, 3, 3, 2};

    private WakeUp() {}

    /** @return lines by role, or null when no order reads like a set-up */
    static Map<String, Integer> order(Behaviour b, int e, List<Long> strobes) {
        List<Integer> rest = new ArrayList<>(b.free());
        rest.remove((Integer) e);
        rest.removeIf(i -> b.edges(i) == 0);
        if (rest.size() < LINES || rest.size() > LINES + 3 || strobes.size() < BEGINNING.length + 4) {
            return null;
        }
        int[] chosen = new int[LINES];
        return trial(b, e, strobes, rest, chosen, 0);
    }

    /** RS first, then the four data lines from the lowest. */
    private static Map<String, Integer> trial(
            Behaviour b, int e, List<Long> strobes, List<Integer> rest, int[] chosen, int placed) {
        if (placed == LINES) {
            return reads(strobes, chosen) ? lines(e, chosen) : null;
        }
        for (int line : rest) {
            boolean taken = false;
            for (int i = 0; i < placed; i++) {
                taken |= chosen[i] == line;
            }
            if (!taken) {
                chosen[placed] = line;
                Map<String, Integer> found = trial(b, e, strobes, rest, chosen, placed + 1);
                if (found != null) {
                    return found;
                }
            }
        }
        return null;
    }

    private static Map<String, Integer> lines(int e, int[] chosen) {
        Map<String, Integer> lines = new LinkedHashMap<>();
        lines.put("e", e);
        lines.put("rs", chosen[0]);
        for (int i = 1; i < LINES; i++) {
            lines.put("d" + (3 + i), chosen[i]);
        }
        return lines;
    }

    private static boolean reads(List<Long> strobes, int[] chosen) {
        for (int i = 0; i < BEGINNING.length; i++) {
            if (Behaviour.level(strobes.get(i), chosen[0]) != 0 || half(strobes.get(i), chosen) != BEGINNING[i]) {
                return false;
            }
        }
        int at = BEGINNING.length;
        int function = half(strobes.get(at), chosen) << 4 | half(strobes.get(at + 1), chosen);
        int next = half(strobes.get(at + 2), chosen) << 4 | half(strobes.get(at + 3), chosen);
        // 4 bits, one line or two, small letters or large; then a command that only sets something up, or clears.
        return (function & 0xF0) == 0x20 && (function & 3) == 0 && next > 0 && next < 0x10;
    }

    private static int half(long strobe, int[] chosen) {
        int value = 0;
        for (int i = 1; i < LINES; i++) {
            value |= (Behaviour.level(strobe, chosen[i]) & 1) << (i - 1);
        }
        return value;
    }
}
