package izzet.core.record;

import izzet.core.calc.I2cMode;
import izzet.core.capture.TimeScale;
import izzet.core.decode.GlitchFilter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Measures the times of a 2-wire bus from the changes of its two lines: how long the clock is low and high, how long data stands before
 * it, and so on. Not thread-safe; one per record.
 */
public final class I2cTiming {

    /** Samples of one time that are kept for its median. */
    private static final int KEPT = 20_000;

    private static final int UNKNOWN = 2;
    private static final double GLITCH_SECONDS = 50e-9;

    /** A step that is so small a part of a limit is the record's own exactness. */
    private static final int FINE = 50;

    /** A time with its limit. */
    public enum Kind {
        LOW("clock low"),
        HIGH("clock high"),
        DATA_SET_UP("data before the clock rises"),
        START_HOLD("START before the clock falls"),
        START_SET_UP("clock high before a repeated START"),
        STOP_SET_UP("clock high before STOP"),
        FREE("between STOP and START");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        double limit(I2cMode mode) {
            I2cMode.Times t = mode.times();
            return switch (this) {
                case LOW -> t.low();
                case HIGH -> t.high();
                case DATA_SET_UP -> t.dataSetUp();
                case START_HOLD -> t.startHold();
                case START_SET_UP -> t.startSetUp();
                case STOP_SET_UP -> t.stopSetUp();
                case FREE -> t.free();
            };
        }
    }

    /**
     * A row of the table of times, in seconds.
     *
     * @param worstAt tick where the shortest was
     * @param verdict {@code true} kept, {@code false} passed, null where the record is too coarse to tell
     */
    public record Row(
            Kind kind,
            int count,
            double least,
            double median,
            double most,
            double limit,
            long worstAt,
            Boolean verdict) {}

    private static final class Sample {
        private final long[] kept = new long[KEPT];
        private int count;
        private long least = Long.MAX_VALUE;
        private long most;
        private long leastAt;
        private long mostAt;

        void add(long ticks, long at) {
            kept[count % KEPT] = ticks;
            count++;
            if (ticks < least) {
                least = ticks;
                leastAt = at;
            }
            if (ticks > most) {
                most = ticks;
                mostAt = at;
            }
        }

        long median() {
            long[] sorted = Arrays.copyOf(kept, Math.min(count, KEPT));
            Arrays.sort(sorted);
            return sorted.length == 0 ? 0 : sorted[sorted.length / 2];
        }
    }

    private final TimeScale scale;
    private final Sample[] samples = new Sample[Kind.values().length];
    private final long glitch;
    private final GlitchFilter filter;
    private int rawScl = UNKNOWN;
    private int rawSda = UNKNOWN;
    private long rawSclSince;
    private long rawSdaSince;
    private int scl = UNKNOWN;
    private int sda = UNKNOWN;
    private long sclSince;
    private long sdaSince;
    private long firstKnown = -1;
    private boolean inside;
    private boolean startFresh;
    private long startAt;
    private long stopAt = -1;
    private int starts;
    private int stops;
    private int glitches;
    private long glitchAt = -1;
    private long step;
    private long lastTick = -1;
    private long heldLow;
    private long heldAt;

    public I2cTiming(TimeScale scale) {
        this.scale = scale;
        for (int i = 0; i < samples.length; i++) {
            samples[i] = new Sample();
        }
        glitch = scale.ticksIn((long) (GLITCH_SECONDS * 1e9));
        filter = new GlitchFilter(glitch, 2, (tick, levels) -> filtered(tick, (int) levels & 3, (int) (levels >> 2)));
    }

    /** Both levels at a moment: 0, 1 or 2 for unknown. */
    public void levels(long tick, int newScl, int newSda) {
        if (lastTick >= 0) {
            step = gcd(step, tick - lastTick);
        }
        lastTick = tick;
        if (newScl != rawScl) {
            pulse(tick, tick - rawSclSince, rawScl);
            rawScl = newScl;
            rawSclSince = tick;
        }
        if (newSda != rawSda) {
            pulse(tick, tick - rawSdaSince, rawSda);
            rawSda = newSda;
            rawSdaSince = tick;
        }
        filter.levels(tick, newScl | newSda << 2);
    }

    /** The record ends. */
    public void end() {
        filter.end();
    }

    /** Without the pulses that inputs do not see: those are told on their own. */
    private void filtered(long tick, int newScl, int newSda) {
        boolean sclMoves = newScl != scl;
        boolean sdaMoves = newSda != sda;
        boolean known = scl != UNKNOWN && newScl != UNKNOWN && sda != UNKNOWN && newSda != UNKNOWN;
        if (known && firstKnown < 0) {
            firstKnown = tick;
        }
        if (known && sclMoves) {
            clock(tick, newScl, newSda, sdaMoves);
        } else if (known && sdaMoves) {
            data(tick, newSda);
        }
        if (sclMoves) {
            scl = newScl;
            sclSince = tick;
        }
        if (sdaMoves) {
            sda = newSda;
            sdaSince = tick;
        }
    }

    private void pulse(long tick, long length, int level) {
        if (level != UNKNOWN && firstKnown >= 0 && length > 0 && length < glitch) {
            glitches++;
            glitchAt = glitchAt < 0 ? tick - length : glitchAt;
        }
    }

    private void clock(long tick, int next, int nextSda, boolean sdaMoves) {
        if (next == 1) {
            if (inside) {
                add(Kind.LOW, tick - sclSince, sclSince);
                if (tick - sclSince > heldLow) {
                    heldLow = tick - sclSince;
                    heldAt = sclSince;
                }
                add(Kind.DATA_SET_UP, sdaMoves ? 0 : tick - sdaSince, tick);
            }
        } else {
            if (startFresh) {
                add(Kind.START_HOLD, tick - startAt, startAt);
                startFresh = false;
            } else if (inside) {
                add(Kind.HIGH, tick - sclSince, sclSince);
            }
        }
    }

    private void data(long tick, int next) {
        if (scl != 1) {
            return;
        }
        if (next == 0) {
            if (inside) {
                add(Kind.START_SET_UP, tick - sclSince, tick);
            } else if (stopAt >= 0) {
                add(Kind.FREE, tick - stopAt, stopAt);
            }
            inside = true;
            startFresh = true;
            startAt = tick;
            starts++;
        } else {
            if (inside) {
                add(Kind.STOP_SET_UP, tick - sclSince, tick);
            }
            inside = false;
            startFresh = false;
            stopAt = tick;
            stops++;
        }
    }

    private void add(Kind kind, long ticks, long at) {
        samples[kind.ordinal()].add(ticks, at);
    }

    private static long gcd(long a, long b) {
        long x = a;
        long y = b;
        while (y != 0) {
            long r = x % y;
            x = y;
            y = r;
        }
        return x;
    }

    /** The times against a mode; those that came at least once. */
    public List<Row> rows(I2cMode mode) {
        List<Row> rows = new ArrayList<>();
        for (Kind kind : Kind.values()) {
            Sample s = samples[kind.ordinal()];
            if (s.count > 0) {
                double limit = kind.limit(mode);
                double least = scale.seconds(s.least);
                Boolean verdict = verdict(least, limit);
                rows.add(new Row(
                        kind,
                        s.count,
                        least,
                        scale.seconds(s.median()),
                        scale.seconds(s.most),
                        limit,
                        s.leastAt,
                        verdict));
            }
        }
        return rows;
    }

    /** Each edge was seen up to one step late, so a time may be one step longer or shorter than it looks. */
    private Boolean verdict(double least, double limit) {
        double coarse = stepSeconds();
        if (least + coarse < limit) {
            return false;
        }
        return least >= limit && (least - coarse >= limit || coarse <= limit / FINE) ? Boolean.TRUE : null;
    }

    /** Clock of the bus in hertz, from the middle low and high time; 0 where it was not seen. */
    public double hertz() {
        long period = samples[Kind.LOW.ordinal()].median() + samples[Kind.HIGH.ordinal()].median();
        return samples[Kind.HIGH.ordinal()].count == 0 ? 0 : 1 / scale.seconds(period);
    }

    /** The step in which the record tells time, in seconds: a sample, or a tick. */
    public double stepSeconds() {
        return scale.seconds(Math.max(1, step));
    }

    public int starts() {
        return starts;
    }

    public int stops() {
        return stops;
    }

    /** Pulses under 50 ns, which inputs of Fast-mode parts do not see. */
    public int glitches() {
        return glitches;
    }

    public long glitchAt() {
        return glitchAt;
    }

    /** The longest time for which the clock was low within a transfer, in seconds. */
    public double heldLowSeconds() {
        return scale.seconds(heldLow);
    }

    public long heldAt() {
        return heldAt;
    }

    /** The usual time for which it is low, in seconds. */
    public double usualLowSeconds() {
        return scale.seconds(samples[Kind.LOW.ordinal()].median());
    }

    /** How long a line has been low when the record ends, in seconds; 0 where it is not. */
    public double lowAtEnd(boolean clock, long end) {
        boolean low = clock ? scl == 0 : sda == 0;
        return low ? scale.seconds(end - (clock ? sclSince : sdaSince)) : 0;
    }
}
