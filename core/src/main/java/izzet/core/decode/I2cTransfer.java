package izzet.core.decode;

import java.util.Arrays;

/**
 * What was said from one START or repeated START to the next STOP or repeated START. Times in ticks of the record. Immutable; the
 * arrays are handed over, not copied.
 *
 * @param address without the read/write bit
 * @param ack whether the address was acknowledged; both bytes of a 10-bit one
 * @param data bytes after the address
 * @param acks whether each byte was acknowledged
 */
public record I2cTransfer(
        long start,
        long end,
        Begin begin,
        End ending,
        int address,
        int addressBits,
        boolean read,
        boolean ack,
        byte[] data,
        boolean[] acks)
        implements BusEvent {

    /** A write that was heard, without times. */
    public static I2cTransfer written(int address, byte[] data) {
        boolean[] acks = new boolean[data.length];
        Arrays.fill(acks, true);
        return new I2cTransfer(0, 0, Begin.START, End.STOP, address, 7, false, true, data, acks);
    }

    public enum Begin {
        START("start"),
        REPEATED_START("repeated-start");

        private final String text;

        Begin(String text) {
            this.text = text;
        }

        public String text() {
            return text;
        }
    }

    public enum End {
        STOP("stop"),
        REPEATED_START("repeated-start"),
        CUT_OFF("cut-off");

        private final String text;

        End(String text) {
            this.text = text;
        }

        public String text() {
            return text;
        }
    }

    public int size() {
        return data.length;
    }

    public int value(int i) {
        return data[i] & 0xFF;
    }

    /** How many of its bytes lie before a moment, when they are taken to follow evenly. */
    public int sizeUntil(long tick) {
        if (tick >= end || end == start) {
            return data.length;
        }
        double share = (tick - start) / (double) (end - start);
        return (int) Math.max(0, Math.min(data.length, share * (data.length + 1) - 1));
    }

    public boolean allAcknowledged() {
        for (boolean a : acks) {
            if (!a) {
                return false;
            }
        }
        return ack;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof I2cTransfer t
                && start == t.start
                && end == t.end
                && sameWords(t)
                && begin == t.begin
                && ending == t.ending;
    }

    /** Whether it says the same as another, whenever it was said. */
    public boolean sameWords(I2cTransfer t) {
        return address == t.address
                && addressBits == t.addressBits
                && read == t.read
                && ack == t.ack
                && Arrays.equals(data, t.data)
                && Arrays.equals(acks, t.acks);
    }

    @Override
    public int hashCode() {
        return Long.hashCode(start) * 31 + address;
    }

    @Override
    public String toString() {
        return "I2cTransfer[" + start + " to " + end + ", address " + address + ", " + data.length + " bytes]";
    }
}
