package izzet.core.decode.serial;

import izzet.core.capture.TimeScale;
import izzet.core.decode.BusEvent;
import izzet.core.decode.Decoder;
import izzet.core.decode.SerialByte;
import izzet.core.decode.Settings;
import java.util.function.Consumer;

/** Reads each bit in its middle, counted from the falling edge of the start bit. */
final class SerialDecoder extends Decoder {

    private static final double FEMTOSECONDS = 1e15;

    private final int dataBits;
    private final boolean hasParity;
    private final int odd;
    private final int rest;
    private final long baud;
    private double bitTicks;

    /** The level since the change before. */
    private int level = UNKNOWN;

    private boolean inside;
    private long start;
    private int taken;
    private int bits;

    SerialDecoder(SerialProtocol protocol, Settings settings, Consumer<BusEvent> out) {
        super(protocol, settings, out);
        baud = settings.number("baud");
        dataBits = (int) settings.number("dataBits");
        hasParity = !settings.is("parity", "none");
        odd = settings.is("parity", "odd") ? 1 : 0;
        rest = settings.is("inverted", "yes") ? 0 : 1;
    }

    @Override
    protected void started(TimeScale scale) {
        bitTicks = FEMTOSECONDS / scale.femtoseconds() / baud;
    }

    @Override
    protected void levels(long ticks, long levels) {
        int next = level(levels, 0);
        if (next == level) {
            return;
        }
        advance(ticks);
        if (!inside && level == rest && next == (rest ^ 1)) {
            inside = true;
            start = ticks;
            taken = 0;
            bits = 0;
        }
        level = next;
    }

    /** Takes the bits whose middle lies before a moment, all of them at the level that stood until then. */
    private void advance(long until) {
        int all = 1 + dataBits + (hasParity ? 1 : 0) + 1;
        while (inside && start + (taken + 0.5) * bitTicks < until) {
            int bit = level == rest ? 1 : 0;
            if (taken == 0 && bit == 1) {
                // Shorter than half a bit: no start bit.
                inside = false;
                return;
            }
            bits |= bit << taken;
            taken++;
            if (taken == all) {
                whole();
            }
        }
    }

    private void whole() {
        inside = false;
        int value = bits >> 1 & (1 << dataBits) - 1;
        boolean framed = (bits >> taken - 1 & 1) == 1;
        boolean right = !hasParity || (Integer.bitCount(value) + (bits >> 1 + dataBits) & 1) == odd;
        long end = start + Math.round((taken - 0.5) * bitTicks);
        tell(new SerialByte(start, end, value, framed, right));
    }

    @Override
    protected void finish(long ticks) {
        advance(ticks);
    }
}
