package izzet.core.decode.character;

/**
 * Puts half bytes together as the controller of a character display does: alone while it still takes 8 bits at once, in pairs from the
 * function set that says 4 bits. Source: data sheet of the character display controller (HD44780U), interface to a 4-bit processor;
 * from memory.
 */
public final class Halves {

    private static final int FUNCTION_SET = 0x20;
    private static final int EIGHT_BITS = 0x10;
    private static final int WAKE_UP = 0x30;

    /** Takes what was put together. */
    public interface Out {
        void value(long start, long end, boolean data, boolean read, int value, int nibbles);
    }

    private final Out out;
    private boolean begun;
    private boolean pairs;

    /** Whether the switch to 4 bits was seen; else the step of the pairs is guessed. */
    private boolean switched;

    private int upper = -1;
    private long upperStart;
    private long upperEnd;
    private boolean upperData;
    private boolean upperRead;

    public Halves(Out out) {
        this.out = out;
    }

    /**
     * A strobe.
     *
     * @param half upper four bits of the bus, from 0 to 15
     */
    public void half(long start, long end, boolean data, boolean read, int half) {
        if (!begun) {
            begun = true;
            // A display that was just switched on is woken by 3 or told 2; anything else is said to one that runs
            // already.
            pairs = data || read || half != WAKE_UP >> 4 && half != FUNCTION_SET >> 4;
        }
        if (!pairs) {
            out.value(start, end, data, read, half << 4, 1);
            if (!data && !read && half == FUNCTION_SET >> 4) {
                pairs = true;
                switched = true;
            }
            return;
        }
        if (upper >= 0 && !switched && (upperData != data || upperRead != read)) {
            // The record began between the halves.
            out.value(upperStart, upperEnd, upperData, upperRead, upper << 4, 1);
            upper = -1;
        }
        if (upper < 0) {
            upper = half;
            upperStart = start;
            upperEnd = end;
            upperData = data;
            upperRead = read;
            return;
        }
        int value = upper << 4 | half;
        upper = -1;
        out.value(upperStart, end, data, read, value, 2);
        if (!data && !read && (value & 0xE0) == FUNCTION_SET) {
            pairs = (value & EIGHT_BITS) == 0;
            switched = true;
        }
    }
}
