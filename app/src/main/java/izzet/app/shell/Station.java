package izzet.app.shell;

import izzet.app.plan.StoredPlan;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.quantity.Counts;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A place in the work on a plan. Each is a bean in its own package, with its controller at {@code /plans/{id}/ID} and its templates in a
 * folder of its own; strip, keys, help and addresses read them here.
 */
public interface Station {

    /** As in addresses: lower case. */
    String id();

    String name();

    /** Where it stands in the order of the work; gaps are for stations to come. */
    int order();

    /** Whether a finding is mended here. */
    default boolean owns(Finding finding) {
        return false;
    }

    /** Its state in a word or two, for the strip. */
    default Glance glance(Seen seen) {
        return Glance.of(seen.report().findings().stream().filter(this::owns).toList());
    }

    /** The same where no strip stands round it: on a plan's card. */
    default String inList(Glance glance) {
        return glance.words();
    }

    /** Keys that do something here and nowhere else. */
    default List<Key> keys() {
        return List.of();
    }

    /** A plan as a page has it before it. */
    record Seen(StoredPlan stored, Circuit circuit, Report report) {}

    /**
     * @param keys as on the keyboard, in the order they are pressed
     * @param does in words
     */
    record Key(List<String> keys, String does) {}

    /**
     * A station's state.
     *
     * @param words "2 stops"; empty where there is nothing to say
     * @param mark stop, fix, or empty
     */
    record Glance(String words, String mark) {

        public static final Glance NOTHING = new Glance("", "");

        /** Counts the worst kind. */
        public static Glance of(List<Finding> findings) {
            long stops = count(findings, Severity.STOP);
            long fixes = count(findings, Severity.FIX);
            if (stops > 0) {
                return new Glance(Counts.of(stops, "stop"), "stop");
            }
            return fixes > 0 ? new Glance(fixes + (fixes == 1 ? " fix" : " fixes"), "fix") : NOTHING;
        }

        /** "3 to stop, 1 to fix" for what stands alone; nothing where nothing is amiss. */
        public static Glance toMend(List<Finding> findings) {
            long stops = count(findings, Severity.STOP);
            long fixes = count(findings, Severity.FIX);
            String words = Stream.of(stops > 0 ? stops + " to stop" : "", fixes > 0 ? fixes + " to fix" : "")
                    .filter(w -> !w.isEmpty())
                    .collect(Collectors.joining(", "));
            return words.isEmpty() ? NOTHING : new Glance(words, stops > 0 ? "stop" : "fix");
        }

        private static long count(List<Finding> findings, Severity severity) {
            return findings.stream().filter(f -> f.severity() == severity).count();
        }
    }
}
