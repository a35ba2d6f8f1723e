package izzet.core.assign;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Gives each of several wishes one of its options, no option twice, as many wishes as can be. Augmenting paths after H. W. Kuhn, "The
 * Hungarian method for the assignment problem", 1955 (the unweighted part). Options are tried in the order given, so cheap ones should
 * come first; what has been given moves on only when another wish would go without.
 */
final class Matching {

    private Matching() {}

    /**
     * @param options per wish, the indexes of its options, best first
     * @return per wish the option given, or -1; as many are given as is possible at all
     */
    static int[] of(List<int[]> options, int optionCount) {
        int[] wishOf = new int[optionCount];
        Arrays.fill(wishOf, -1);
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < options.size(); i++) {
            order.add(i);
        }
        order.sort((a, b) -> Integer.compare(options.get(a).length, options.get(b).length));
        for (int wish : order) {
            if (!takeFree(options.get(wish), wish, wishOf)) {
                augment(options, wish, wishOf, new boolean[optionCount]);
            }
        }
        int[] given = new int[options.size()];
        Arrays.fill(given, -1);
        for (int option = 0; option < optionCount; option++) {
            if (wishOf[option] >= 0) {
                given[wishOf[option]] = option;
            }
        }
        return given;
    }

    private static boolean takeFree(int[] options, int wish, int[] wishOf) {
        for (int option : options) {
            if (wishOf[option] < 0) {
                wishOf[option] = wish;
                return true;
            }
        }
        return false;
    }

    private static boolean augment(List<int[]> options, int wish, int[] wishOf, boolean[] tried) {
        for (int option : options.get(wish)) {
            if (!tried[option]) {
                tried[option] = true;
                if (wishOf[option] < 0 || augment(options, wishOf[option], wishOf, tried)) {
                    wishOf[option] = wish;
                    return true;
                }
            }
        }
        return false;
    }
}
