package izzet.app.mend;

import izzet.app.fault.Busy;
import izzet.app.shell.Turns;
import izzet.core.catalog.Catalog;
import izzet.core.check.Checker;
import izzet.core.mend.Mender;
import izzet.core.mend.Solution;
import izzet.core.mend.Wish;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.repair.Repairs;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import org.springframework.stereotype.Service;

/** Searches for ways to mend a whole plan, taking turns; the latest are remembered, so that just what was shown is taken. */
@Service
public class Solutions {

    private static final Duration TIME = Duration.ofSeconds(1);

    /** Of a search that is asked for beyond that. */
    private static final Duration FURTHER = Duration.ofSeconds(10);

    /** Such searches that wait or run at once. */
    private static final int MOST_FURTHER = 8;

    private static final int REMEMBERED = 20;

    /** The catalogue, since plans with parts of the same id can come with other files of them. */
    private record Asked(Plan plan, Catalog catalog, Set<Wish> wishes) {}

    private final Mender mender;
    private final Turns turns;
    private final Map<Asked, List<Solution>> known = Collections.synchronizedMap(new LinkedHashMap<>());
    private final Map<Asked, AtomicBoolean> running = new ConcurrentHashMap<>();
    private final ExecutorService runner = Executors.newSingleThreadExecutor(task -> {
        Thread thread = new Thread(task, "mender");
        thread.setDaemon(true);
        return thread;
    });

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
        remember(asked, found);
        return found;
    }

    private void remember(Asked asked, List<Solution> found) {
        synchronized (known) {
            known.put(asked, found);
            if (known.size() > REMEMBERED) {
                known.remove(known.keySet().iterator().next());
            }
        }
    }

    /**
     * Looks on in the background; what is found shows beside the others as it comes.
     *
     * @throws Busy when too many such searches wait already
     */
    public void further(Plan plan, Catalog catalog, Set<Wish> wishes) {
        Asked asked = new Asked(plan, catalog, Set.copyOf(wishes));
        List<Solution> before = of(plan, catalog, wishes);
        if (running.size() >= MOST_FURTHER) {
            throw new Busy("Other searches are on their way; try again in a minute.");
        }
        AtomicBoolean stop = new AtomicBoolean();
        if (running.putIfAbsent(asked, stop) == null) {
            runner.execute(() -> {
                try {
                    List<Solution> all = mender.solve(
                            plan,
                            catalog,
                            wishes,
                            new Mender.Limits(FURTHER, stop::get, s -> remember(asked, with(known.get(asked), s))));
                    remember(asked, all.isEmpty() || stop.get() ? merged(before, all) : all);
                } finally {
                    running.remove(asked);
                }
            });
        }
    }

    private static List<Solution> merged(List<Solution> some, List<Solution> more) {
        List<Solution> all = some;
        for (Solution s : more) {
            all = with(all, s);
        }
        return all;
    }

    /** What takes everything away is worth more than what only comes far. */
    private static List<Solution> with(List<Solution> before, Solution more) {
        List<Solution> all = new ArrayList<>(before == null ? List.of() : before);
        all.removeIf(s -> s.id().equals(more.id()) || more.whole() && !s.whole());
        all.add(more);
        return List.copyOf(all);
    }

    public boolean searching(Plan plan, Catalog catalog, Set<Wish> wishes) {
        return running.containsKey(new Asked(plan, catalog, Set.copyOf(wishes)));
    }

    /** Ends such a search with what it has found. */
    public void stop(Plan plan, Catalog catalog, Set<Wish> wishes) {
        AtomicBoolean stop = running.get(new Asked(plan, catalog, Set.copyOf(wishes)));
        if (stop != null) {
            stop.set(true);
        }
    }

    @PreDestroy
    void close() {
        running.values().forEach(stop -> stop.set(true));
        runner.shutdownNow();
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
