package izzet.app.sharing;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.Map;

/** How many requests each asker has left: so many in a minute, saved up for a minute at most. Remembers a bounded number of askers. */
final class Rates {

    private static final int MOST_ASKERS = 2000;
    private static final double MINUTE = 60_000;

    private final Clock clock;
    private final double perMinute;
    private final Map<String, Left> askers = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Left> eldest) {
            return size() > MOST_ASKERS;
        }
    };

    private static final class Left {
        private double requests;
        private long at;
    }

    Rates(Clock clock, int perMinute) {
        this.clock = clock;
        this.perMinute = perMinute;
    }

    /** Takes one; false when none is left. */
    synchronized boolean take(String asker) {
        long now = clock.millis();
        Left left = askers.get(asker);
        if (left == null) {
            left = new Left();
            left.requests = perMinute;
            left.at = now;
            askers.put(asker, left);
        }
        left.requests = Math.min(perMinute, left.requests + Math.max(0, now - left.at) * perMinute / MINUTE);
        left.at = now;
        if (left.requests < 1) {
            return false;
        }
        left.requests--;
        return true;
    }
}
