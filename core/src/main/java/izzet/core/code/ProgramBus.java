package izzet.core.code;

import java.util.List;

/**
 * A bus as programs call it.
 *
 * @param planned id of the plan's bus; null for parallel lines, which are a part's own
 * @param controller null where the program makes it itself on plain pins
 * @param number of the controller, from the end of its name; of a bus that the program makes, counted from 0
 * @param data pin of the 2-wire data or of the serial data from the board; {@code clock} its clock, or the write strobe of parallel lines;
 *     {@code answer} the data to the board; null where not connected
 * @param lines parallel data lines, the lowest first
 */
public record ProgramBus(
        String name,
        String planned,
        String controller,
        int number,
        int hertz,
        ProgramPin data,
        ProgramPin clock,
        ProgramPin answer,
        Kind kind,
        List<ProgramPin> lines) {

    /** What its lines are. */
    public enum Kind {
        TWO_WIRE("2-wire"),
        SERIAL("serial"),
        PARALLEL("parallel");

        private final String word;

        Kind(String word) {
            this.word = word;
        }

        /** As the head of a template names it. */
        public String word() {
            return word;
        }
    }

    public ProgramBus {
        lines = List.copyOf(lines);
    }

    public boolean serial() {
        return kind == Kind.SERIAL;
    }

    public boolean twoWire() {
        return kind == Kind.TWO_WIRE;
    }

    public boolean parallel() {
        return kind == Kind.PARALLEL;
    }

    /** Whether the program makes it on plain pins. */
    public boolean made() {
        return controller == null;
    }

    /** In kilohertz. */
    public int kilohertz() {
        return hertz / 1000;
    }

    /** Half a period of its clock, in whole microseconds that are not too short. */
    public int pause() {
        return pause(hertz);
    }

    static int pause(int hertz) {
        return (500_000 + hertz - 1) / hertz;
    }

    /** As frameworks number their buses: nothing for the first. */
    public String index() {
        return number == 0 ? "" : String.valueOf(number);
    }

    /** A name of its own in programs: {@code two_wire_0}, {@code made_serial_0}. */
    public String id() {
        return (made() && !parallel() ? "made_" : "")
                + kind.word().replace("2", "two").replace('-', '_') + "_" + number;
    }
}
