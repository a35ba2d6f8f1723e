package izzet.core.decode;

import java.util.Arrays;

/**
 * What was sent while a select was active. Immutable; the arrays are handed over, not copied.
 *
 * @param mosi words that the controller sent; null without such a line
 * @param miso words that came back; null without such a line
 * @param dc level of the data/command line with each word: 0, 1, or 2 where it was not known; null without such a line
 * @param ends tick at which each word was whole
 * @param continues whether it was so long that the next event goes on with it
 */
public record SpiTransfer(long start, long end, int[] mosi, int[] miso, byte[] dc, long[] ends, boolean continues)
        implements BusEvent {

    /** Clocked words. */
    public int size() {
        return ends.length;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof SpiTransfer t
                && start == t.start
                && end == t.end
                && continues == t.continues
                && Arrays.equals(mosi, t.mosi)
                && Arrays.equals(miso, t.miso)
                && Arrays.equals(dc, t.dc)
                && Arrays.equals(ends, t.ends);
    }

    @Override
    public int hashCode() {
        return Long.hashCode(start) * 31 + ends.length;
    }

    @Override
    public String toString() {
        return "SpiTransfer[" + start + " to " + end + ", " + ends.length + " words]";
    }
}
