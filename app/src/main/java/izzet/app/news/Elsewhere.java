package izzet.app.news;

import izzet.app.fault.NoSuchThing;
import izzet.app.plan.MeasurementStore;
import izzet.app.plan.PlanStore;
import izzet.app.plan.TickStore;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BiConsumer;
import java.util.function.LongConsumer;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** What other programs on the same database did to plans, found by looking: the version, the ticks, what was measured. */
@Component
class Elsewhere {

    private final PlanStore plans;
    private final TickStore ticks;
    private final MeasurementStore measurements;
    private final Map<Long, Seen> seen = new HashMap<>();

    Elsewhere(PlanStore plans, TickStore ticks, MeasurementStore measurements) {
        this.plans = plans;
        this.ticks = ticks;
        this.measurements = measurements;
    }

    private record Seen(long version, Set<String> ticks, Map<String, String> measured) {}

    /**
     * Compares with the last look; a plan that is looked at for the first time has no news.
     *
     * @param edited takes the plan
     * @param ticked takes the plan and the key of the step or check
     */
    synchronized void look(Set<Long> watched, LongConsumer edited, BiConsumer<Long, String> ticked) {
        seen.keySet().retainAll(watched);
        for (long plan : watched) {
            Seen now;
            try {
                now = see(plan);
            } catch (NoSuchThing gone) {
                continue;
            }
            Seen before = seen.put(plan, now);
            if (before == null) {
                continue;
            }
            if (before.version() != now.version()) {
                edited.accept(plan);
            }
            changed(before, now).forEach(key -> ticked.accept(plan, key));
        }
    }

    private Seen see(long plan) {
        return new Seen(
                plans.head(plan).version(),
                ticks.of(plan),
                measurements.of(plan).entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue()
                        .told())));
    }

    /** Keys that are in one only, or measured differently. */
    private static Set<String> changed(Seen before, Seen now) {
        Set<String> keys = new TreeSet<>(before.ticks());
        keys.addAll(now.ticks());
        keys.removeIf(k -> before.ticks().contains(k) && now.ticks().contains(k));
        Set<String> checks = new TreeSet<>(before.measured().keySet());
        checks.addAll(now.measured().keySet());
        checks.stream()
                .filter(k -> !String.valueOf(before.measured().get(k))
                        .equals(String.valueOf(now.measured().get(k))))
                .forEach(keys::add);
        return keys;
    }
}
