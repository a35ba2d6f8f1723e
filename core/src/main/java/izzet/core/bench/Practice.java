package izzet.core.bench;

import izzet.core.circuit.Circuit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * Tasks for practice, made from a plan: each a desk with one hidden fault, easier ones first. The same plan has the same tasks, so a plan
 * that is given away gives its tasks with it.
 */
public final class Practice {

    /** Tasks of a plan at most. */
    public static final int MOST = 20;

    /** What a hint costs, in looks. */
    public static final int HINT = 3;

    private Practice() {}

    /**
     * A task.
     *
     * @param number from 1
     * @param told what somebody sees who comes to the desk
     */
    public record Task(int number, Fault fault, Fault.Place place, String told) {

        public Desk desk(Circuit planned) {
            return fault.at(Desk.of(planned), place.key());
        }
    }

    /** Faults that nobody would notice are no tasks. */
    public static List<Task> of(Circuit planned) {
        Map<String, List<DeskRun.Shown>> right = new TreeMap<>();
        right.put("", DeskRun.of(Desk.of(planned)));
        Map<Integer, List<Found>> byRank = new TreeMap<>();
        for (Fault fault : Faults.of(planned)) {
            // One place of each part at first: otherwise the wires of one display would be all tasks.
            List<Fault.Place> places = new ArrayList<>(fault.places(planned));
            places.sort(Comparator.comparingInt(p -> spread(fault.id() + p.key())));
            for (Fault.Place place : places.subList(0, Math.min(4, places.size()))) {
                String told = told(right.get(""), DeskRun.of(fault.at(Desk.of(planned), place.key())));
                if (!told.isEmpty()) {
                    byRank.computeIfAbsent(fault.rank(), k -> new ArrayList<>()).add(new Found(fault, place, told));
                }
            }
        }
        List<Found> all = new ArrayList<>();
        for (List<Found> rank : byRank.values()) {
            all.addAll(rank);
        }
        // Where there are too many, every so many is left out, so that hard ones stay.
        List<Task> tasks = new ArrayList<>();
        int count = Math.min(MOST, all.size());
        for (int i = 0; i < count; i++) {
            Found f = all.get(i * all.size() / count);
            tasks.add(new Task(i + 1, f.fault(), f.place(), f.told()));
        }
        return tasks;
    }

    private record Found(Fault fault, Fault.Place place, String told) {}

    /** In an order that says nothing about the place. */
    private static int spread(String key) {
        return key.hashCode() * 0x9E3779B1 >>> 1;
    }

    private static String told(List<DeskRun.Shown> right, List<DeskRun.Shown> seen) {
        return seen.stream()
                .filter(s -> right.stream()
                        .noneMatch(r -> r.unit().id().equals(s.unit().id()) && s.looksLike(r)))
                .map(s -> s.unit().name() + (s.blank() ? " is blank" : " shows something wrong"))
                .collect(Collectors.joining("; "));
    }
}
