package izzet.core.decode.parallel;

import izzet.core.decode.BusEvent;
import izzet.core.decode.Decoder;
import izzet.core.decode.ParallelTransfer;
import izzet.core.decode.Settings;
import java.util.function.Consumer;

/** Turns strobes into words: one with each rising edge of the write or the read strobe while the select is low. */
final class ParallelDecoder extends Decoder {

    private static final int BYTE = 8;

    private final boolean hasSelect;
    private final boolean hasDc;
    private final int width;
    private long state = ~0L;
    private boolean begun;
    private final long[] fell = new long[2];

    ParallelDecoder(ParallelProtocol protocol, Settings settings, Consumer<BusEvent> out) {
        super(protocol, settings, out);
        hasSelect = settings.has("cs");
        hasDc = settings.has("dc");
        width = settings.has("d" + BYTE) ? ParallelProtocol.MOST_DATA : BYTE;
    }

    @Override
    protected void levels(long ticks, long next) {
        long before = state;
        state = next;
        if (!begun) {
            begun = true;
            fell[0] = ticks;
            fell[1] = ticks;
            return;
        }
        if (((before ^ next) & 0xF) == 0) {
            return;
        }
        for (int strobe = ParallelProtocol.WR; strobe <= ParallelProtocol.RD; strobe++) {
            int was = level(before, strobe);
            int now = level(next, strobe);
            if (was == now) {
                continue;
            }
            if (now == 0) {
                fell[strobe] = ticks;
            } else if (was == 0 && now == 1 && (!hasSelect || level(before, ParallelProtocol.CS) == 0)) {
                word(ticks, before, strobe);
            }
        }
    }

    /** What stood on the bus until the edge: it may be taken away together with it. */
    private void word(long ticks, long levels, int strobe) {
        int value = number(levels, ParallelProtocol.D0, width);
        int dc = hasDc ? level(levels, ParallelProtocol.DC) & 1 : -1;
        tell(new ParallelTransfer(fell[strobe], ticks, dc, value, strobe == ParallelProtocol.RD));
    }

    @Override
    protected void finish(long ticks) {
        // A strobe that is still low when the record ends has not said anything.
    }
}
