package izzet.core.circuit;

import izzet.core.catalog.Role;

/** Which lines may lie on one pin. */
public final class Sharing {

    private Sharing() {}

    public static boolean may(Wire a, Wire b) {
        // Halves of a gate take one clock, and selects that move together are judged by what can still be chosen: rules
        // I6 and I7.
        boolean halves =
                a.role() == Role.GATE_CLOCK && a.unit().id().equals(b.unit().id());
        if (a.role() == b.role() && (halves || a.role() == Role.GATE_SELECT)) {
            return true;
        }
        boolean sameBus = a.unit().placed().bus() != null
                && a.unit().placed().bus().equals(b.unit().placed().bus());
        if (clock(a) && clock(b) || a.role().bus() && a.busSignal().equals(b.busSignal())) {
            return sameBus;
        }
        // Chip selects on one pin are rule S1's business, whatever the bus.
        if (a.role() == Role.SELECT && b.role() == Role.SELECT) {
            return true;
        }
        if (passive(a) || passive(b)) {
            return true;
        }
        if (a.role() != b.role() || !a.role().shareable()) {
            return false;
        }
        return a.unit().id().equals(b.unit().id()) ? together(a, b) : alike(a, b);
    }

    /** Lamps may be lit by one pin, from either lead; the loose end of a button or dial takes part in what it is tied to. */
    private static boolean passive(Wire wire) {
        return wire.role() == Role.TERMINAL || wire.role() == Role.RETURN;
    }

    /** Two lines of one part: lamps, and enables with one sense; register select and read/write, or two data lines, say different things. */
    private static boolean together(Wire a, Wire b) {
        return a.role() == Role.LAMP
                || a.role() == Role.CONTROL
                        && a.line().active() != null
                        && a.line().active() == b.line().active();
    }

    /** Lines of two parts: of twins the same line; of other parts what may go along, or has the same name. */
    private static boolean alike(Wire a, Wire b) {
        boolean same = a.line().id().equals(b.line().id());
        if (a.unit().part().id().equals(b.unit().part().id())) {
            return same || a.role() == Role.LAMP;
        }
        boolean optional = !a.line().required() && !b.line().required();
        return a.role() != Role.CONTROL || same || optional;
    }

    private static boolean clock(Wire wire) {
        return wire.role() == Role.I2C_SCL || wire.role() == Role.GATE_CLOCK;
    }
}
