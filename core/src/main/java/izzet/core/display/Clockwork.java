package izzet.core.display;

import izzet.core.capture.TimeScale;
import java.util.function.LongConsumer;

/** Lets the time of a record go on for a glass that moves by itself. Not thread-safe; one per glass. */
public final class Clockwork {

    /** Steps shown between two events at most; where there are more, several go at once. */
    private static final long MOST_STEPS = 2_000;

    private final TimeScale scale;
    private long now;
    private boolean running;

    public Clockwork(TimeScale scale) {
        this.scale = scale;
    }

    /**
     * Goes on to a tick; ticks that lie behind are none.
     *
     * @param moved gets the tick after each step of the glass
     */
    public void until(long tick, Glass glass, LongConsumer moved) {
        double step = glass.stepSeconds();
        if (running && step > 0 && tick > now) {
            long ticks = Math.max((long) Math.ceil(step / scale.seconds(1)), (tick - now) / MOST_STEPS);
            while (tick - now > ticks) {
                now += ticks;
                glass.pass(scale.seconds(ticks));
                moved.accept(now);
            }
            glass.pass(scale.seconds(tick - now));
        }
        now = running ? Math.max(now, tick) : tick;
        running = true;
    }
}
