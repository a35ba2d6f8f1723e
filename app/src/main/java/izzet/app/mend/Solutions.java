package izzet.app.mend;

import izzet.app.shell.Turns;
import izzet.core.catalog.Catalog;
import izzet.core.check.Checker;
import izzet.core.mend.Mender;
import izzet.core.mend.Solution;
import izzet.core.mend.Wish;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.repair.Repairs;
import java.time.Duration;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Service;

/** Searches for ways to mend a whole plan, taking turns; the latest are remembered, so that just what was shown is taken. */
@Service
public class Solutions {

    private static final Duration TIME = Duration.ofSeconds(1);
    private static final int REMEMBERED = 20;

    /** The catalogue, since plans with parts of the same id can come with other files of them. */
    private record Asked(Plan plan, Catalog catalog, Set<Wish> wishes) {}

    private final Mender mender;
    private final Turns turns;
    private final Map<Asked, List<Solution>> known = Collections.synchronizedMap(new LinkedHashMap<>());

    Solutions(Checker checker, Repairs repairs, Turns turns) {
        this.turns = turns;
        this.mender = new Mender(checker, repairs);
    }

    /** Wishes by their names in addresses: {@code buy-nothing}. */
    public static Set<Wish> wishes(List<String> names) {
        Set<Wish> wishes = EnumSet.noneOf(Wish.class);
        for (String name : names) {
            wishes.add(Arrays.stream(Wish.values())
                    .filter(w -> name(w).equals(name))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("'" + name + "' is no wish; "
                            + String.join(
                                    ", ",
                                    Arrays.stream(Wish.values())
                                            .map(Solutions::name)
                                            .toList()) + " are.")));
        }
        return wishes;
    }

    public static String name(Wish wish) {
        return wish.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Within a second, and the wait for those that came before. */
    public List<Solution> of(Plan plan, Catalog catalog, Set<Wish> wishes) {
        Asked asked = new Asked(plan, catalog, Set.copyOf(wishes));
        List<Solution> there = known.get(asked);
        if (there != null) {
            return there;
        }
        List<Solution> found = turns.take(() -> mender.solve(plan, catalog, wishes, Mender.Limits.of(TIME)));
        synchronized (known) {
            known.put(asked, found);
            if (known.size() > REMEMBERED) {
                known.remove(known.keySet().iterator().next());
            }
        }
        return found;
    }

    /**
     * One of them.
     *
     * @throws PlanEdit.EditRefused when it is not found again
     */
    public Solution one(Plan plan, Catalog catalog, Set<Wish> wishes, String id) {
        return of(plan, catalog, wishes).stream()
                .filter(s -> s.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new PlanEdit.EditRefused(
                        "The way '" + id + "' was not found again; look at the ways once more."));
    }
}
