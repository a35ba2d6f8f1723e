package izzet.core.record;

import izzet.core.check.Severity;
import izzet.core.decode.BusEvent;
import java.util.Iterator;
import java.util.Map;
import java.util.OptionalLong;
import java.util.function.IntFunction;

/** T8: the select of one part is active while another part on the same lines is spoken to. */
public final class SelectOverlap {

    private SelectOverlap() {}

    /**
     * Whether it can do harm: both have a select, not the same one, and one clock. Two readings of one select are one part, a part with a clock of
     * its own hears nothing, and two with data lines of their own do not hear each other's.
     *
     * @param one lines by role
     * @param other likewise
     */
    public static boolean concerns(Map<String, Integer> one, Map<String, Integer> other) {
        return differ(one, other, "select")
                && same(one, other, "clock")
                && (same(one, other, "miso") || !differ(one, other, "mosi"));
    }

    private static boolean same(Map<String, Integer> one, Map<String, Integer> other, String role) {
        return one.get(role) != null && one.get(role).equals(other.get(role));
    }

    private static boolean differ(Map<String, Integer> one, Map<String, Integer> other, String role) {
        return one.get(role) != null
                && other.get(role) != null
                && !one.get(role).equals(other.get(role));
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
     * @param one lines by role
     * @param other likewise
     * @param name of a line
     * @param time in words
     */
    public static Remark remark(
            Map<String, Integer> one, Map<String, Integer> other, IntFunction<String> name, long tick, String time) {
        String low = "The selects " + name.apply(one.get("select")) + " and " + name.apply(other.get("select"))
                + " are low at the same time, from " + time + ": ";
        // Without a line back nothing drives against anything, and two signs may be meant to show the same.
        return (same(one, other, "miso")
                        ? Remark.of(
                                "T8",
                                Severity.STOP,
                                low + "both parts hear, and both may answer.",
                                "Let the program raise one select before it lowers the other.")
                        : Remark.of(
                                "T8",
                                Severity.FIX,
                                low + "both parts hear what is sent to either.",
                                "Let the program raise one select before it lowers the other, unless both are to hear the same."))
                .at(tick);
    }
}
