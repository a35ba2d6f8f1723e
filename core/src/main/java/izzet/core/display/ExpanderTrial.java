package izzet.core.display;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Finds by trial which bit of an expander drives which line of the character display behind it: the bit that falls while all others stay is
 * the strobe, and the others lie so that the set-up reads 3, 3, 3, 2, then a function set for 4 bits.
 */
public final class ExpanderTrial {

    private static final int BITS = 8;
    private static final int DATA = 4;
    private static final int TWO_LINES = 8;
    private static final int LEAST_STROBES = 8;
    private static final int[] WAKE_UP = {3, 3, 3, 2};

    private ExpanderTrial() {}

    /**
     * @param port values that were written one after the other, from a set-up on
     * @return empty when no order reads like a set-up
     */
    public static Optional<ExpanderBits> find(List<Integer> port) {
        int strobe = -1;
        int most = LEAST_STROBES - 1;
        for (int bit = 0; bit < BITS; bit++) {
            int falls = strobes(port, bit).size();
            if (falls > most) {
                most = falls;
                strobe = bit;
            }
        }
        if (strobe < 0) {
            return Optional.empty();
        }
        List<Integer> strobes = strobes(port, strobe);
        // Nearly every program sets two lines; only where no order reads so, the others are tried.
        ExpanderBits usual = order(strobes, port, strobe, new int[DATA + 1], 0, TWO_LINES);
        return Optional.ofNullable(usual != null ? usual : order(strobes, port, strobe, new int[DATA + 1], 0, 0));
    }

    /** Values at the falls of a bit with which nothing else changes. */
    private static List<Integer> strobes(List<Integer> port, int bit) {
        List<Integer> strobes = new ArrayList<>();
        for (int i = 1; i < port.size(); i++) {
            if ((port.get(i - 1) ^ port.get(i)) == 1 << bit && (port.get(i) >> bit & 1) == 0) {
                strobes.add(port.get(i - 1));
            }
        }
        return strobes;
    }

    /** RS first, then the data lines from the lowest. */
    private static ExpanderBits order(
            List<Integer> strobes, List<Integer> port, int strobe, int[] chosen, int placed, int lines) {
        if (placed == chosen.length) {
            return reads(strobes, chosen, lines) && othersStay(strobes, strobe, chosen)
                    ? bits(port, strobe, chosen)
                    : null;
        }
        for (int bit = 0; bit < BITS; bit++) {
            boolean taken = bit == strobe;
            for (int i = 0; i < placed; i++) {
                taken |= chosen[i] == bit;
            }
            if (!taken) {
                chosen[placed] = bit;
                ExpanderBits found = order(strobes, port, strobe, chosen, placed + 1, lines);
                if (found != null) {
                    return found;
                }
            }
        }
        return null;
    }

    private static boolean reads(List<Integer> strobes, int[] chosen, int lines) {
        for (int i = 0; i < WAKE_UP.length; i++) {
            if ((strobes.get(i) >> chosen[0] & 1) != 0 || half(strobes.get(i), chosen) != WAKE_UP[i]) {
                return false;
            }
        }
        int function = half(strobes.get(4), chosen) << 4 | half(strobes.get(5), chosen);
        int next = half(strobes.get(6), chosen) << 4 | half(strobes.get(7), chosen);
        for (int i = WAKE_UP.length; i < LEAST_STROBES; i++) {
            if ((strobes.get(i) >> chosen[0] & 1) != 0) {
                return false;
            }
        }
        boolean text = strobes.stream().anyMatch(s -> (s >> chosen[0] & 1) == 1);
        return (function & 0xF3) == 0x20
                && (function & lines) == lines
                && next > 0
                && next < 0x10
                && (text || strobes.size() < 2 * LEAST_STROBES);
    }

    /** The light and R/W have no part in what is said: they stay as they are. */
    private static boolean othersStay(List<Integer> strobes, int strobe, int[] chosen) {
        int used = 1 << strobe;
        for (int bit : chosen) {
            used |= 1 << bit;
        }
        int others = ~used & 0xFF;
        return strobes.stream().allMatch(s -> (s & others) == (strobes.get(0) & others));
    }

    private static int half(int value, int[] chosen) {
        int half = 0;
        for (int i = 1; i < chosen.length; i++) {
            half |= (value >> chosen[i] & 1) << (i - 1);
        }
        return half;
    }

    /** Of the two bits that are left, the one that is ever high is the light; the other is R/W, which is low for writing. */
    private static ExpanderBits bits(List<Integer> port, int strobe, int[] chosen) {
        int[] rest = {-1, -1};
        int n = 0;
        for (int bit = 0; bit < BITS; bit++) {
            boolean taken = bit == strobe;
            for (int c : chosen) {
                taken |= c == bit;
            }
            if (!taken) {
                rest[n++] = bit;
            }
        }
        boolean firstIsLight = port.stream().anyMatch(p -> (p >> rest[0] & 1) == 1);
        return new ExpanderBits(
                chosen[0],
                rest[firstIsLight ? 1 : 0],
                strobe,
                rest[firstIsLight ? 0 : 1],
                chosen[1],
                chosen[2],
                chosen[3],
                chosen[4]);
    }
}
