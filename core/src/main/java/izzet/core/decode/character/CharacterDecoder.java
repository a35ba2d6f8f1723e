package izzet.core.decode.character;

import izzet.core.decode.BusEvent;
import izzet.core.decode.CharacterTransfer;
import izzet.core.decode.Decoder;
import izzet.core.decode.Settings;
import java.util.function.Consumer;

/** Turns the lines of a character display into writes and reads: one with each falling edge of the enable line. */
final class CharacterDecoder extends Decoder {

    static final int E = 0;
    static final int RS = 1;
    static final int RW = 2;
    static final int D0 = 3;
    static final int D4 = 7;

    private final boolean eight;
    private final Halves halves = new Halves(this::value);
    private long state = ~0L;
    private boolean begun;
    private long rise;

    CharacterDecoder(CharacterProtocol protocol, Settings settings, Consumer<BusEvent> out) {
        super(protocol, settings, out);
        eight = CharacterProtocol.eightBits(settings);
    }

    @Override
    protected void levels(long ticks, long next) {
        long before = state;
        state = next;
        if (!begun) {
            begun = true;
            rise = ticks;
            return;
        }
        int was = level(before, E);
        int now = level(next, E);
        if (was == now) {
            return;
        }
        if (now == 1) {
            rise = ticks;
        } else if (was == 1 && now == 0) {
            // What stood on the bus until the edge: it may be taken away together with it.
            boolean data = level(before, RS) == 1;
            boolean read = level(before, RW) == 1;
            if (eight) {
                value(rise, ticks, data, read, number(before, D0, 8), 0);
            } else {
                halves.half(rise, ticks, data, read, number(before, D4, 4));
            }
        }
    }

    private void value(long start, long end, boolean data, boolean read, int value, int nibbles) {
        tell(new CharacterTransfer(start, end, data, read, value, nibbles));
    }

    @Override
    protected void finish(long ticks) {
        // A half that waits for its other is not said: nobody knows what it would have been.
    }
}
