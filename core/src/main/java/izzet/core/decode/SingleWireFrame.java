package izzet.core.decode;

import java.util.Arrays;

/**
 * The answer of a single-wire humidity sensor. Immutable; the array is handed over, not copied.
 *
 * @param start where the controller pulls the line low
 * @param bits that came; 40 where it is whole
 * @param bytes whole ones of them
 */
public record SingleWireFrame(long start, long end, int bits, byte[] bytes) implements BusEvent {

    private static final int WHOLE = 5;

    /** Whether all five bytes came and the last is the sum of the others. */
    public boolean sumRight() {
        return bytes.length == WHOLE && (bytes[0] + bytes[1] + bytes[2] + bytes[3] & 0xFF) == (bytes[4] & 0xFF);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof SingleWireFrame f
                && start == f.start
                && end == f.end
                && bits == f.bits
                && Arrays.equals(bytes, f.bytes);
    }

    @Override
    public int hashCode() {
        return Long.hashCode(start) * 31 + bits;
    }

    @Override
    public String toString() {
        return "SingleWireFrame[" + start + ", " + bits + " bits]";
    }
}
