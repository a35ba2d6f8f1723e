package izzet.core.assign;

import izzet.core.catalog.Catalog;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;

/** Finds the best places for all lines of a plan that are not locked, or proves that there are none. Safe to share. */
public interface Assigner {

    /**
     * @param time for the search for one answer
     * @param stop asked now and then; true ends the search with what was found
     * @param progress told the price of each better assignment as it is found
     * @param answers wanted at most
     */
    record Limits(Duration time, BooleanSupplier stop, IntConsumer progress, int answers) {

        public static final Duration USUAL = Duration.ofSeconds(2);

        /** Answers shown beside each other at most. */
        public static final int MOST_ANSWERS = 3;

        public static Limits usual() {
            return of(USUAL);
        }

        public static Limits of(Duration time) {
            return new Limits(time, () -> false, price -> {}, MOST_ANSWERS);
        }

        /** When one answer will do, without others that are as good. */
        public Limits forOne() {
            return new Limits(time, stop, progress, 1);
        }
    }

    /** What a search came to. */
    enum Outcome {
        /** Nothing is cheaper; that is proven. */
        BEST("proven best"),
        /** The cheapest found in the time given. */
        FOUND("best found in the time given"),
        /** There is none; that is proven. */
        NONE("no assignment is possible"),
        /** Neither one nor a proof was found in time. */
        UNDECIDED("nothing found in the time given");

        private final String wording;

        Outcome(String wording) {
            this.wording = wording;
        }

        public String wording() {
            return wording;
        }
    }

    /**
     * One way to assign.
     *
     * @param edit makes it of the plan asked about
     * @param points by criterion, before weights
     * @param price the weighted sum
     */
    record Assignment(PlanEdit edit, Map<Criterion, Integer> points, int price) {}

    /**
     * @param assignments as good as the first, and different from each other; empty when there is none
     * @param conflict why there is none; null otherwise
     * @param nodes of the search, for people who wonder
     */
    record Answer(Outcome outcome, List<Assignment> assignments, Conflict conflict, long nodes) {
        public Answer {
            assignments = List.copyOf(assignments);
        }
    }

    /**
     * Wishes that cannot hold together; any one taken away, the others can.
     *
     * @param wishes in words
     * @param reason what the board has for them, in words
     */
    record Conflict(List<String> wishes, String reason) {
        public Conflict {
            wishes = List.copyOf(wishes);
        }
    }

    /** Of a plan whose own wires are what is wired now. */
    default Answer assign(Plan plan, Catalog catalog, Weights weights, Limits limits) {
        return assign(plan, plan, catalog, weights, limits);
    }

    /** @param present what is wired now: a line that it connects elsewhere counts as moved */
    Answer assign(Plan plan, Plan present, Catalog catalog, Weights weights, Limits limits);
}
