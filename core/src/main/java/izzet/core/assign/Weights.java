package izzet.core.assign;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;

/** How much each criterion counts: 0 not at all, 1 as usual, 10 at most. Immutable. */
public record Weights(Map<Criterion, Integer> of) {

    public static final int MOST = 10;
    public static final Weights USUAL = new Weights(Map.of());

    public Weights {
        Map<Criterion, Integer> all = new EnumMap<>(Criterion.class);
        for (Criterion c : Criterion.values()) {
            int weight = of.getOrDefault(c, 1);
            if (weight < 0 || weight > MOST) {
                throw new IllegalArgumentException(
                        "The weight of '" + c.label() + "' is " + weight + "; 0 to " + MOST + " are possible.");
            }
            all.put(c, weight);
        }
        of = Collections.unmodifiableMap(all);
    }

    public int of(Criterion criterion) {
        return of.get(criterion);
    }

    /** The price of points. */
    public int price(Map<Criterion, Integer> points) {
        return points.entrySet().stream()
                .mapToInt(e -> e.getValue() * of(e.getKey()))
                .sum();
    }
}
