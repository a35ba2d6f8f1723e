package izzet.core.assign;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class MatchingTest {

    /** As many wishes are served as brute force can serve; no option twice; only options that were wished. */
    @Test
    void servesAsManyAsPossible() {
        Random random = new Random(3);
        for (int round = 0; round < 400; round++) {
            int optionCount = 1 + random.nextInt(6);
            List<int[]> wishes = new ArrayList<>();
            for (int w = 0; w < 1 + random.nextInt(6); w++) {
                wishes.add(random.ints(0, optionCount)
                        .distinct()
                        .limit(random.nextInt(Math.min(3, optionCount)) + 1)
                        .toArray());
            }
            int[] given = Matching.of(wishes, optionCount);
            Set<Integer> used = new HashSet<>();
            int served = 0;
            for (int w = 0; w < given.length; w++) {
                if (given[w] >= 0) {
                    int option = given[w];
                    assertThat(wishes.get(w)).contains(option);
                    assertThat(used.add(option)).isTrue();
                    served++;
                }
            }
            assertThat(served).isEqualTo(most(wishes, 0, new HashSet<>()));
        }
    }

    private static int most(List<int[]> wishes, int at, Set<Integer> used) {
        if (at == wishes.size()) {
            return 0;
        }
        int best = most(wishes, at + 1, used);
        for (int option : wishes.get(at)) {
            if (used.add(option)) {
                best = Math.max(best, 1 + most(wishes, at + 1, used));
                used.remove(option);
            }
        }
        return best;
    }
}
