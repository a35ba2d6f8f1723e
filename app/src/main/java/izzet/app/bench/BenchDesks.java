package izzet.app.bench;

import izzet.app.catalog.Shelf;
import izzet.app.fault.MemoryShort;
import izzet.app.fault.NoSuchThing;
import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.bench.Faults;
import izzet.core.bench.Practice;
import izzet.core.bench.Stories;
import izzet.core.catalog.Pin;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Net;
import izzet.core.plan.Plan;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.util.MultiValueMap;

/** The desks that are asked for: with faults that somebody put there, or with that of a task. */
@Component
class BenchDesks {

    private static final int MOST_FAULTS = 4;

    static final int MOST_PROGRAM = 2000;

    private static final int MOST_KEPT = 20;

    private final Shelf shelf;
    private Stories stories;

    /** Tasks by plan: making them runs the program on many desks. */
    private final Map<Plan, List<Practice.Task>> made =
            Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
                @Override
                protected boolean removeEldestEntry(Map.Entry<Plan, List<Practice.Task>> eldest) {
                    return size() > MOST_KEPT;
                }
            });

    BenchDesks(Shelf shelf) {
        this.shelf = shelf;
    }

    @EventListener(MemoryShort.class)
    void letGo() {
        made.clear();
    }

    /** @param told as {@code fault@place} */
    public record FaultView(String told, String name, String place) {}

    /** What somebody asks of the bench; each may be null. */
    record Asked(
            List<String> fault,
            Integer task,
            Integer story,
            String look,
            Integer steps,
            Integer hurt,
            Integer spent,
            String meter,
            String guess,
            String red,
            String black,
            String program) {

        /** A fault has commas, at which a list would be parted. */
        Asked with(MultiValueMap<String, String> all) {
            return new Asked(
                    all.get("fault"), task, story, look, steps, hurt, spent, meter, guess, red, black, program);
        }

        /** Whether this look is one with power on; an ohmmeter wants none. */
        boolean powered() {
            return "scan".equals(look)
                    || "checks".equals(look)
                    || program != null && !program.isBlank()
                    || red != null && !red.isBlank() && !"ohms".equals(meter);
        }

        int hurtDone() {
            return hurt == null ? 0 : Math.max(0, Math.min(999, hurt));
        }

        int spentDone() {
            return spent == null ? 0 : Math.max(0, Math.min(999, spent));
        }

        int stepsDone() {
            return steps == null ? 0 : Math.max(0, Math.min(999, steps));
        }
    }

    /** @throws IllegalArgumentException when it is longer than an address of a page can be */
    static String bounded(String program) {
        if (program.length() > MOST_PROGRAM) {
            throw new IllegalArgumentException(
                    "A typed program has up to " + MOST_PROGRAM + " characters, not " + program.length() + ".");
        }
        return program;
    }

    /** The stories that ship with the program, read when somebody first asks. */
    synchronized Stories stories() {
        if (stories == null) {
            stories = Stories.shipped(shelf.catalog());
        }
        return stories;
    }

    /** The plan of a story as the store keeps it. */
    Plan planOf(Stories.Story story) {
        return shelf.pinned(story.plan());
    }

    /** @throws NoSuchThing when there is none with this number */
    Stories.Story story(int number) {
        return stories()
                .number(number)
                .orElseThrow(() -> new NoSuchThing(
                        "There are stories from 1 to " + stories().all().size() + "."));
    }

    /** The task or the story that is asked for; null for neither. */
    Practice.Task task(Circuit planned, Asked asked) {
        if (asked.story() == null) {
            return asked.task() == null ? null : task(tasks(planned), asked.task());
        }
        Stories.Story story = story(asked.story());
        if (!planOf(story).equals(planned.plan())) {
            throw new NoSuchThing("This plan is not the desk of story " + asked.story()
                    + ", or was changed since. Begin the story under Practice: it brings its own desk.");
        }
        return story.task();
    }

    /** The desk with the faults, the task or the story that is asked for. */
    Desk desk(Circuit planned, Asked asked) {
        Practice.Task task = task(planned, asked);
        return task == null ? desk(planned, asked.fault()) : task.desk(planned);
    }

    List<Practice.Task> tasks(Circuit planned) {
        List<Practice.Task> known = made.get(planned.plan());
        if (known == null) {
            known = Practice.of(planned);
            made.put(planned.plan(), known);
        }
        return known;
    }

    static Practice.Task task(List<Practice.Task> tasks, int number) {
        return tasks.stream()
                .filter(t -> t.number() == number)
                .findFirst()
                .orElseThrow(() -> new NoSuchThing("This plan has tasks from 1 to " + tasks.size() + "."));
    }

    private static Desk desk(Circuit planned, List<String> faults) {
        Desk desk = Desk.of(planned);
        if (faults != null) {
            if (faults.size() > MOST_FAULTS) {
                throw new IllegalArgumentException("Up to " + MOST_FAULTS + " faults lie on the desk at once.");
            }
            for (String told : faults) {
                if (!told.isBlank()) {
                    desk = Faults.put(desk, told);
                }
            }
        }
        return desk;
    }

    static String told(Fault fault, Fault.Place place) {
        return fault.id() + "@" + place.key();
    }

    static List<FaultView> choices(Circuit planned) {
        List<FaultView> all = new ArrayList<>();
        for (Fault fault : Faults.of(planned)) {
            fault.places(planned).forEach(p -> all.add(new FaultView(told(fault, p), fault.name(), p.words())));
        }
        return all;
    }

    static List<FaultView> put(Circuit planned, List<String> faults) {
        return faults == null
                ? List.of()
                : choices(planned).stream()
                        .filter(c -> faults.contains(c.told()))
                        .toList();
    }

    static Set<String> pins(Circuit planned) {
        return planned.nets().stream()
                .map(Net::pins)
                .flatMap(List::stream)
                .map(Pin::label)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }
}
