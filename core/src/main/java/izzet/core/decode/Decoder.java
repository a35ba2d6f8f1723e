package izzet.core.decode;

import izzet.core.capture.ChangeSink;
import izzet.core.capture.Moments;
import izzet.core.capture.RecordHeader;
import izzet.core.capture.Signal;
import izzet.core.capture.TimeScale;
import java.util.List;
import java.util.function.Consumer;

/**
 * Turns the changes of some lines into events. A stream: changes in, events out. Not thread-safe; one per record.
 *
 * <p>What is common to all: the levels of the lines are kept as two bits each, by the number of the line's role, and pulses that are too
 * short to count are taken off.
 */
public abstract class Decoder implements ChangeSink {

    protected static final int UNKNOWN = Levels.UNKNOWN;

    private static final int MOST_ROLES = 32;

    private final List<LineRole> roles;
    private final Settings settings;
    private final long glitchNanos;
    private final Consumer<BusEvent> out;

    /** Null when no pulse is to be taken off. */
    private GlitchFilter filter;

    private TimeScale timeScale;
    private Words words;
    private long raw;

    /** Takes words with their places, for labels on a wave. */
    public interface Words {

        /**
         * @param from tick where the word begins
         * @param to tick where it is whole
         * @param text of it, short
         * @param heard whether it was acknowledged, or needs no acknowledge
         */
        void at(long from, long to, String text, boolean heard);
    }

    protected Decoder(Protocol protocol, Settings settings, Consumer<BusEvent> out) {
        this.roles = protocol.roles();
        if (roles.size() > MOST_ROLES) {
            throw new IllegalStateException(protocol.id() + " has more roles than there is place for.");
        }
        this.settings = settings;
        this.glitchNanos = settings.number(GLITCH.id());
        this.out = out;
        for (int i = 0; i < roles.size(); i++) {
            raw |= (long) UNKNOWN << (i << 1);
        }
    }

    /** Pulses shorter than this are taken as not there. */
    public static final Option GLITCH = Option.number("glitchNs", "ignore pulses below", "ns", 0, 1_000_000, 0);

    @Override
    public final Signal[] header(RecordHeader header) {
        Signal[] lines = new Signal[roles.size()];
        for (int i = 0; i < lines.length; i++) {
            String name = settings.lines().get(roles.get(i).id());
            lines[i] = name == null ? null : header.find(name);
        }
        begin(header.timeScale());
        return lines;
    }

    /** For lines that do not come from a file. */
    public final void begin(TimeScale scale) {
        timeScale = scale;
        filter = glitchNanos == 0 ? null : new GlitchFilter(scale.ticksIn(glitchNanos), roles.size(), this::levels);
        started(scale);
    }

    /** The record's time scale is known. */
    protected void started(TimeScale scale) {}

    /** Tells of each word, too. */
    public final void eachWord(Words sink) {
        words = sink;
    }

    protected final boolean tellsWords() {
        return words != null;
    }

    protected final void word(long from, long to, String text, boolean heard) {
        if (words != null) {
            words.at(from, to, text, heard);
        }
    }

    protected final void tell(BusEvent event) {
        out.accept(event);
    }

    /** Known once the record's declarations have been read. */
    public final TimeScale timeScale() {
        return timeScale;
    }

    @Override
    public final void change(int index, int level) {
        // Two bits a line, set without asking which line it is: that cannot be foretold.
        int place = index << 1;
        raw = raw & ~(3L << place) | (long) level << place;
    }

    @Override
    public final void moment(long ticks) {
        if (filter == null) {
            levels(ticks, raw);
        } else {
            filter.levels(ticks, raw);
        }
    }

    @Override
    public final void moments(long now, Moments many) {
        if (filter != null) {
            ChangeSink.super.moments(now, many);
            return;
        }
        int count = many.count();
        long ticks = now;
        long lines = many.after(0, raw);
        for (int entry = 1; entry < count; entry++) {
            levels(ticks, lines);
            ticks = many.tick(entry);
            lines = many.after(entry, lines);
        }
        raw = lines;
    }

    @Override
    public final void end(long ticks) {
        if (filter != null) {
            filter.end();
        }
        finish(ticks);
    }

    /**
     * The lines at a moment; something may have changed, or nothing.
     *
     * @param levels two bits a role: 0, 1 or {@link #UNKNOWN}
     */
    protected abstract void levels(long ticks, long levels);

    /** The record ends. */
    protected abstract void finish(long ticks);

    protected static int level(long levels, int role) {
        return (int) (levels >> (role << 1)) & 3;
    }

    /** Bits of neighbouring roles as a number, the first of them the lowest; unknown ones are 0. */
    protected static int number(long levels, int firstRole, int count) {
        // The lower bit of each pair moves to its place: pairs are joined to fours, those to eights, and so on.
        long bits = levels >>> (firstRole << 1) & 0x5555_5555_5555_5555L;
        bits = (bits | bits >>> 1) & 0x3333_3333_3333_3333L;
        bits = (bits | bits >>> 2) & 0x0F0F_0F0F_0F0F_0F0FL;
        bits = (bits | bits >>> 4) & 0x00FF_00FF_00FF_00FFL;
        bits = (bits | bits >>> 8) & 0x0000_FFFF_0000_FFFFL;
        return (int) (bits | bits >>> 16) & (1 << count) - 1;
    }
}
