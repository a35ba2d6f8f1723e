package izzet.core.repair;

import izzet.core.plan.PlanEdit;
import java.util.List;
import java.util.stream.Stream;

/**
 * An edit worth trying.
 *
 * @param key tells it from others of the same strategy and finding; fit for a URL
 * @param title what it does, in one sentence
 * @param buy parts to get, in words
 * @param limits what it rules out or slows down
 * @param code what changes in the program
 */
public record Candidate(
        String key, String title, PlanEdit edit, List<String> buy, List<String> limits, List<String> code) {

    public Candidate {
        buy = List.copyOf(buy);
        limits = List.copyOf(limits);
        code = List.copyOf(code);
    }

    /** One that needs nothing bought, rules nothing out and leaves the program as it is. */
    public static Candidate plain(String key, String title, PlanEdit edit) {
        return new Candidate(key, title, edit, List.of(), List.of(), List.of());
    }

    public static Candidate coded(String key, String title, PlanEdit edit, String code) {
        return new Candidate(key, title, edit, List.of(), List.of(), List.of(code));
    }

    /** This change and one more, made after it by another strategy. */
    Candidate then(String strategy, Candidate next) {
        String both = PlanEdit.together(List.of(title, next.title()));
        return new Candidate(
                key + "-then-" + strategy + (next.key().isEmpty() ? "" : "-" + next.key()),
                both,
                new PlanEdit.Together(both, List.of(edit, next.edit())),
                joined(buy, next.buy()),
                joined(limits, next.limits()).stream().distinct().toList(),
                joined(code, next.code()));
    }

    private static List<String> joined(List<String> one, List<String> other) {
        return Stream.concat(one.stream(), other.stream()).toList();
    }

    /** The same with the title as the name of the whole edit, so that the history reads well. */
    public PlanEdit titledEdit() {
        return new PlanEdit.Together("repair: " + title, List.of(edit));
    }
}
