package izzet.app.mend;

import izzet.app.fault.MemoryShort;
import izzet.app.jobs.Job;
import izzet.app.jobs.Jobs;
import izzet.core.catalog.Catalog;
import izzet.core.check.Checker;
import izzet.core.mend.Mender;
import izzet.core.mend.Solution;
import izzet.core.mend.Wish;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.repair.Repairs;
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
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/** Searches for ways to mend a whole plan, taking turns; the latest are remembered, so that just what was shown is taken. */
@Service
public class Solutions {

    private static final Duration TIME = Duration.ofSeconds(1);

    /** Of a search that is asked for beyond that. */
    private static final Duration FURTHER = Duration.ofSeconds(10);

    private static final int REMEMBERED = 20;

    /** The catalogue, since plans with parts of the same id can come with other files of them. */
    private record Asked(Plan plan, Catalog catalog, Set<Wish> wishes) {}

    private final Mender mender;
    private final Jobs jobs;
    private final Map<Asked, List<Solution>> known = Collections.synchronizedMap(new LinkedHashMap<>());
    private final Map<Asked, Job<List<Solution>>> running = new ConcurrentHashMap<>();

    Solutions(Checker checker, Repairs repairs, Jobs jobs) {
        this.jobs = jobs;
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
    public List<Solution> of(long id, Plan plan, Catalog catalog, Set<Wish> wishes) {
        Asked asked = new Asked(plan, catalog, Set.copyOf(wishes));
        List<Solution> there = known.get(asked);
        if (there != null) {
            return there;
        }
        return jobs.take(id, "Ways to mend " + plan.name(), job -> {
            AtomicInteger ways = new AtomicInteger();
            List<Solution> found = mender.solve(
                    plan,
                    catalog,
                    wishes,
                    new Mender.Limits(TIME, job::stopped, s -> job.say(ways.incrementAndGet() + " found so far.")));
            if (!job.stopped()) {
                remember(asked, found);
            }
            return found;
        });
    }

    @EventListener(MemoryShort.class)
    void letGo() {
        known.clear();
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
     * @throws izzet.app.fault.Busy when too many searches wait already
     */
    public void further(long id, Plan plan, Catalog catalog, Set<Wish> wishes) {
        Asked asked = new Asked(plan, catalog, Set.copyOf(wishes));
        List<Solution> before = of(id, plan, catalog, wishes);
        running.computeIfAbsent(
                asked,
                a -> jobs.of(id, new Object(), "Further ways to mend " + plan.name(), address(id, wishes), job -> {
                    try {
                        return search(asked, before, job);
                    } finally {
                        running.remove(asked);
                    }
                }));
    }

    private List<Solution> search(Asked asked, List<Solution> before, Job<List<Solution>> job) {
        List<Solution> all = mender.solve(
                asked.plan(),
                asked.catalog(),
                asked.wishes(),
                new Mender.Limits(FURTHER, job::stopped, s -> remember(asked, with(known.get(asked), s))));
        List<Solution> found = all.isEmpty() || job.stopped() ? merged(before, all) : all;
        remember(asked, found);
        return found;
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
        Job<List<Solution>> job = running.get(new Asked(plan, catalog, Set.copyOf(wishes)));
        if (job != null) {
            job.stop();
        }
    }

    /** Of the page that shows them. */
    static String address(long id, Set<Wish> wishes) {
        String asked = wishes.stream().map(w -> "wish=" + name(w)).collect(Collectors.joining("&"));
        return "/plans/" + id + "/mend" + (asked.isEmpty() ? "" : "?" + asked);
    }

    /**
     * One of them.
     *
     * @throws PlanEdit.EditRefused when it is not found again
     */
    public Solution one(long id, Plan plan, Catalog catalog, Set<Wish> wishes, String solution) {
        return of(id, plan, catalog, wishes).stream()
                .filter(s -> s.id().equals(solution))
                .findFirst()
                .orElseThrow(() -> new PlanEdit.EditRefused(
                        "The way '" + solution + "' was not found again; look at the ways once more."));
    }
}
