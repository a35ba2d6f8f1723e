package izzet.core.record;

import izzet.core.check.Severity;
import izzet.core.decode.BusEvent;
import java.util.Iterator;
import java.util.Map;
import java.util.OptionalLong;

/** T8: the select of one part is active while another part on the same lines is spoken to. */
public final class SelectOverlap {

    private static final String SELECT = "select";

    private SelectOverlap() {}

    /**
     * Whether it can happen: both have a select, not the same one, and share another line. Two readings of one select are one part.
     *
     * @param one lines by role
     * @param other likewise
     */
    public static boolean concerns(Map<String, Integer> one, Map<String, Integer> other) {
        Integer select = one.get(SELECT);
        return select != null
                && other.get(SELECT) != null
                && !select.equals(other.get(SELECT))
                && one.entrySet().stream()
                        .anyMatch(
                                e -> !e.getKey().equals(SELECT) && e.getValue().equals(other.get(e.getKey())));
    }

    /**
     * The first moment at which both are spoken to.
     *
     * @param one in the order of time, none inside another
     * @param other likewise
     * @param most of each that are looked at
     */
    public static OptionalLong first(Iterator<? extends BusEvent> one, Iterator<? extends BusEvent> other, int most) {
        BusEvent a = null;
        BusEvent b = null;
        int ofOne = 0;
        int ofOther = 0;
        while (true) {
            if (a == null || b != null && a.end() <= b.start()) {
                if (!one.hasNext() || ofOne++ == most) {
                    return OptionalLong.empty();
                }
                a = one.next();
            } else if (b == null || b.end() <= a.start()) {
                if (!other.hasNext() || ofOther++ == most) {
                    return OptionalLong.empty();
                }
                b = other.next();
            } else {
                return OptionalLong.of(Math.max(a.start(), b.start()));
            }
        }
    }

    /**
     * @param one name of its select
     * @param other likewise
     * @param time in words
     */
    public static Remark remark(String one, String other, long tick, String time) {
        return Remark.of(
                        "T8",
                        Severity.STOP,
                        "The selects " + one + " and " + other + " are low at the same time, from " + time
                                + ": both parts hear, and both may answer.",
                        "Let the program raise one select before it lowers the other.")
                .at(tick);
    }
}
