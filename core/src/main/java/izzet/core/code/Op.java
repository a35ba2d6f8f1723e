package izzet.core.code;

import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;

/** One thing that a program does to bring a plan up, whatever its language. */
public sealed interface Op {

    /** Pins that it moves besides those of a bus. */
    default Stream<ProgramPin> pins() {
        return Stream.empty();
    }

    /** Said in a comment. */
    record Note(String words) implements Op {}

    /** A pin becomes an output at a level. */
    record Output(ProgramPin pin, boolean high) implements Op {
        @Override
        public Stream<ProgramPin> pins() {
            return Stream.of(pin);
        }
    }

    record Level(ProgramPin pin, boolean high) implements Op {
        @Override
        public Stream<ProgramPin> pins() {
            return Stream.of(pin);
        }
    }

    record Wait(long micros) implements Op {}

    /** A pin becomes an input without a pull of its own. */
    record Input(ProgramPin pin) implements Op {
        @Override
        public Stream<ProgramPin> pins() {
            return Stream.of(pin);
        }
    }

    /**
     * What a part tells by a line of its own is waited for.
     *
     * @param high the level that ends it
     * @param usual milliseconds that it takes as a rule
     * @param most milliseconds after which the program goes on all the same
     */
    record Await(ProgramPin pin, boolean high, long usual, long most) implements Op {
        @Override
        public Stream<ProgramPin> pins() {
            return Stream.of(pin);
        }
    }

    /** One transfer on a 2-wire bus. */
    record TwoWire(ProgramBus bus, int address, List<Integer> bytes) implements Op {}

    /**
     * Data in pieces of {@link #PIECE}, each behind a control byte.
     *
     * @param pairs count and value in turn
     */
    record TwoWireRun(ProgramBus bus, int address, int control, List<Integer> pairs) implements Op {
        /** What the smallest buffers of platforms take beside address and control byte. */
        public static final int PIECE = 16;
    }

    /** What comes next is for this bus, in this mode and at this clock. */
    record Begin(ProgramBus bus, int mode, int hertz) implements Op {}

    /** Bytes on a serial bus, or words on parallel lines; selects are levels of their own. */
    record Send(ProgramBus bus, List<Integer> bytes) implements Op {}

    /** @param pairs count and byte in turn */
    record SendRun(ProgramBus bus, List<Integer> pairs) implements Op {}

    /** A filled rectangle on a colour panel, in its memory's columns and rows, both ends included; a colour of 16 bits. */
    record Rectangle(int x0, int y0, int x1, int y1, int colour) {}

    /** Rectangles one after the other. */
    record Rectangles(ProgramBus bus, ProgramPin select, ProgramPin dataCommand, List<Rectangle> rectangles)
            implements Op {
        @Override
        public Stream<ProgramPin> pins() {
            return Stream.of(select, dataCommand).filter(Objects::nonNull);
        }
    }

    /**
     * A value is put on data lines and taken by the enable strobe.
     *
     * @param lines lowest first
     * @param micros to wait afterwards
     */
    record Strobe(List<ProgramPin> lines, ProgramPin enable, int value, long micros) implements Op {
        @Override
        public Stream<ProgramPin> pins() {
            return Stream.concat(lines.stream(), Stream.of(enable));
        }
    }
}
