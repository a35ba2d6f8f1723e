package izzet.core.decode.spi;

import izzet.core.capture.TimeScale;
import izzet.core.decode.BusEvent;
import izzet.core.decode.Decoder;
import izzet.core.decode.Settings;
import izzet.core.decode.SpiTransfer;
import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;
import java.util.function.Consumer;

/** Turns clock, data and select into transfers: a bit with each sampling edge while the select is active. */
final class SpiDecoder extends Decoder {

    private static final int CLOCK = 0;
    private static final int MOSI = 1;
    private static final int MISO = 2;
    private static final int SELECT = 3;
    private static final int DC = 4;

    /** Words of one event; a longer transfer goes on in the next. */
    private static final int MOST_WORDS = 1 << 19;

    private static final int FIRST = 256;

    private final boolean hasMosi;
    private final boolean hasMiso;
    private final boolean hasDc;
    private final boolean selected;
    private final int activeLevel;
    private final int samplingLevel;
    private final int wordBits;
    private final boolean msbFirst;
    private final boolean dcInside;
    private final int turnAfter;
    private final int dummyClocks;
    private final Set<Integer> reads = new HashSet<>();
    private final long gapNanos;
    private long gapTicks;

    private long state = ~0L;
    private boolean begun;
    private boolean active;
    private boolean continues;
    private long start;
    private long lastClock = -1;
    private int bits;
    private int out;
    private int in;
    private int inside = -1;
    private int dummies;
    private int size;
    private int[] mosi = new int[FIRST];
    private int[] miso = new int[FIRST];
    private byte[] dc = new byte[FIRST];
    private long[] ends = new long[FIRST];

    SpiDecoder(SpiProtocol protocol, Settings settings, Consumer<BusEvent> out) {
        super(protocol, settings, out);
        hasMosi = settings.has("mosi");
        hasMiso = settings.has("miso");
        hasDc = settings.has("dc");
        selected = settings.has("select");
        activeLevel = settings.is("selectActive", "high") ? 1 : 0;
        long mode = settings.number("mode");
        samplingLevel = mode == 0 || mode == 3 ? 1 : 0;
        wordBits = (int) settings.number("wordBits");
        msbFirst = settings.is("bitOrder", "msb");
        dcInside = settings.is("dcInside", "yes");
        turnAfter = (int) settings.number("turnAfter");
        dummyClocks = (int) settings.number("dummyClocks");
        gapNanos = settings.number("gapNs");
        for (String read : settings.text("turnOn").split(" ")) {
            if (!read.isEmpty()) {
                reads.add(Integer.parseInt(read, 16));
            }
        }
    }

    @Override
    protected void started(TimeScale scale) {
        gapTicks = gapNanos == 0 ? Long.MAX_VALUE : scale.ticksIn(gapNanos);
    }

    @Override
    protected void levels(long ticks, long next) {
        long before = state;
        state = next;
        if (!begun) {
            begun = true;
            before = next & ~(3L << (SELECT << 1)) | (long) UNKNOWN << (SELECT << 1);
            if (!selected) {
                open(ticks);
            }
        }
        // Both at once: the clock was at the other known level, and is at the sampling level now.
        int clock = (int) (next >> (CLOCK << 1)) & 3;
        if (((int) (before >> (CLOCK << 1)) & 3) == (clock ^ 1) && clock == samplingLevel && active) {
            sample(ticks, next);
        }
        if (selected && (before ^ next) >> (SELECT << 1) != 0) {
            select(ticks, level(next, SELECT) == activeLevel);
        }
    }

    private void select(long ticks, boolean now) {
        if (now == active) {
            return;
        }
        if (now) {
            open(ticks);
        } else {
            close(ticks, false);
        }
    }

    private void open(long ticks) {
        active = true;
        start = ticks;
        size = 0;
        restart();
        dummies = 0;
    }

    private void restart() {
        bits = 0;
        out = 0;
        in = 0;
    }

    private void sample(long ticks, long levels) {
        if (lastClock >= 0 && ticks - lastClock > gapTicks) {
            restart();
            if (!selected) {
                close(lastClock, false);
                open(ticks);
            }
        }
        lastClock = ticks;
        int sent = level(levels, MOSI) & 1;
        if (dcInside && bits == 0 && inside < 0) {
            inside = sent;
            return;
        }
        boolean turned = turned();
        if (turned && dummies < dummyClocks) {
            dummies++;
            return;
        }
        int came = (turned && !hasMiso ? sent : level(levels, MISO)) & 1;
        if (msbFirst) {
            out = out << 1 | sent;
            in = in << 1 | came;
        } else {
            out |= sent << bits;
            in |= came << bits;
        }
        if (++bits == wordBits) {
            take(ticks, levels);
        }
    }

    private boolean turned() {
        return turnAfter > 0 && size >= turnAfter && reads.contains(mosi[0]);
    }

    private void take(long ticks, long levels) {
        if (size == ends.length) {
            int more = size * 2;
            mosi = Arrays.copyOf(mosi, more);
            miso = Arrays.copyOf(miso, more);
            dc = Arrays.copyOf(dc, more);
            ends = Arrays.copyOf(ends, more);
        }
        mosi[size] = out;
        miso[size] = in;
        dc[size] = (byte) (dcInside ? inside : level(levels, DC));
        ends[size++] = ticks;
        restart();
        inside = dcInside ? -1 : 0;
        if (size == MOST_WORDS) {
            close(ticks, true);
            open(ticks);
        }
    }

    private void close(long ticks, boolean goesOn) {
        active = false;
        inside = dcInside ? -1 : 0;
        if (!selected && size == 0) {
            return;
        }
        int turn = turnAfter > 0 && size > turnAfter && reads.contains(mosi[0]) ? turnAfter : size;
        boolean threeWire = turn < size && !hasMiso;
        tell(new SpiTransfer(
                start,
                ticks,
                hasMosi ? Arrays.copyOf(mosi, threeWire ? turn : size) : null,
                threeWire ? Arrays.copyOfRange(miso, turn, size) : hasMiso ? Arrays.copyOf(miso, size) : null,
                hasDc || dcInside ? Arrays.copyOf(dc, size) : null,
                Arrays.copyOf(ends, size),
                goesOn));
    }

    @Override
    protected void finish(long ticks) {
        if (active) {
            close(ticks, false);
        }
    }
}
