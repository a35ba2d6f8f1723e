package izzet.core.decode.onewire;

import izzet.core.capture.TimeScale;
import izzet.core.decode.BusEvent;
import izzet.core.decode.Decoder;
import izzet.core.decode.Settings;
import izzet.core.decode.SingleWireFrame;
import java.util.Arrays;
import java.util.function.Consumer;

/** Times the pulses of the line. */
final class SingleWireDecoder extends Decoder {

    private static final int BITS = 40;
    private static final int BYTE = 8;

    /** The controller pulls for a millisecond or more; a shorter low is a bit's. */
    private static final long LONG_PULL = 500_000;

    /** Between the 26 µs of a 0 and the 70 µs of a 1. */
    private static final long ONE = 48_000;

    /** Longer than any pulse of an answer. */
    private static final long SILENCE = 200_000;

    private long longPull;
    private long one;
    private long silence;
    private int level = UNKNOWN;
    private long since;
    private boolean inside;
    private boolean answered;
    private long start;
    private int bits;
    private final byte[] bytes = new byte[BITS / BYTE];

    SingleWireDecoder(SingleWireProtocol protocol, Settings settings, Consumer<BusEvent> out) {
        super(protocol, settings, out);
    }

    @Override
    protected void started(TimeScale scale) {
        longPull = scale.ticksIn(LONG_PULL);
        one = scale.ticksIn(ONE);
        silence = scale.ticksIn(SILENCE);
    }

    @Override
    protected void levels(long ticks, long levels) {
        int next = level(levels, 0);
        if (next == level) {
            return;
        }
        pulse(ticks, ticks - since);
        level = next;
        since = ticks;
    }

    private void pulse(long ticks, long length) {
        if (level == 0 && length >= longPull) {
            close(since);
            inside = true;
            answered = false;
            start = since;
            bits = 0;
            Arrays.fill(bytes, (byte) 0);
        } else if (inside && level == 1) {
            if (length > silence) {
                close(since);
            } else if (answered) {
                bit(ticks, length);
            }
        } else if (inside && level == 0 && !answered && length > one) {
            // The 80 µs with which the sensor answers; its 80 µs high are no bit.
            answered = true;
            skip = true;
        }
    }

    private boolean skip;

    private void bit(long ticks, long length) {
        if (skip) {
            skip = false;
            return;
        }
        if (length > one) {
            bytes[bits / BYTE] |= (byte) (0x80 >> bits % BYTE);
        }
        bits++;
        if (bits == BITS) {
            close(ticks);
        }
    }

    private void close(long ticks) {
        if (inside) {
            inside = false;
            byte[] whole = Arrays.copyOf(bytes, bits / BYTE);
            tell(new SingleWireFrame(start, ticks, bits, whole));
        }
    }

    @Override
    protected void finish(long ticks) {
        close(ticks);
    }
}
