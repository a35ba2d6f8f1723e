package izzet.app.shell;

import izzet.app.plan.StoredPlan;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import java.util.List;

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
            long stops =
                    findings.stream().filter(f -> f.severity() == Severity.STOP).count();
            long fixes =
                    findings.stream().filter(f -> f.severity() == Severity.FIX).count();
            if (stops > 0) {
                return new Glance(stops + (stops == 1 ? " stop" : " stops"), "stop");
            }
            return fixes > 0 ? new Glance(fixes + (fixes == 1 ? " fix" : " fixes"), "fix") : NOTHING;
        }
    }
}
