package izzet.core.check;

import izzet.core.quantity.Quantity;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The outcome of a check.
 *
 * @param findings worst first, then by rule and place, so that reruns compare
 * @param undecided what could not be told, and what is missing to tell
 * @param clean the rules that found nothing wrong: what they compared, by id
 */
public record Report(List<Finding> findings, List<Undecided> undecided, Map<String, Fine> clean) {

    /**
     * What a rule compared and found fine.
     *
     * @param count of comparisons
     * @param tightest margin; null where the rule has none
     * @param where it is; null likewise
     */
    public record Fine(String subject, int count, Quantity tightest, String where) {

        /** "12 compared, tightest 640 mV at pin 4". */
        public String detail() {
            return count + " looked at" + (tightest == null ? "" : ", tightest margin " + tightest + " at " + where);
        }
    }

    public record Undecided(String rule, Place place, String missing) {}

    public Report {
        findings = List.copyOf(findings);
        undecided = List.copyOf(undecided);
    }

    public long count(Severity severity) {
        return findings.stream().filter(f -> f.severity() == severity).count();
    }

    public Optional<Finding> finding(String id) {
        return findings.stream().filter(f -> f.id().equals(id)).findFirst();
    }

    public List<Finding> of(String rule) {
        return findings.stream().filter(f -> f.rule().equals(rule)).toList();
    }

    public List<Finding> about(String kind, String id) {
        return findings.stream().filter(f -> f.about(kind, id)).toList();
    }

    /** Fewer stops, then fewer fixes, then fewer advises; and no stop that the other does not have. */
    public boolean betterThan(Report other) {
        boolean newStop = findings.stream()
                .filter(f -> f.severity() == Severity.STOP)
                .anyMatch(f -> other.finding(f.id())
                        .filter(o -> o.severity() == Severity.STOP)
                        .isEmpty());
        if (newStop) {
            return false;
        }
        for (Severity severity : List.of(Severity.STOP, Severity.FIX, Severity.ADVISE)) {
            int difference = Long.compare(count(severity), other.count(severity));
            if (difference != 0) {
                return difference < 0;
            }
        }
        return false;
    }
}
