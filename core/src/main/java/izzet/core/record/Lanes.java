package izzet.core.record;

import izzet.core.decode.BusEvent;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A whole record at a glance: for each partner when it was spoken to, how much, and where something went wrong. Not thread-safe. */
public final class Lanes {

    private static final int MOST_LANES = 24;

    /**
     * @param partner as the conversation names it
     * @param known whether the plan has it
     * @param cells one a column: 0 nothing, 1 spoken to, 2 trouble
     * @param events how many
     * @param busyTicks time that they took
     */
    public record Lane(String partner, boolean known, byte[] cells, int events, long busyTicks) {}

    private static final class Open {
        private final byte[] cells;
        private boolean known;
        private int events;
        private long busy;

        Open(int columns) {
            cells = new byte[columns];
        }
    }

    private final long first;
    private final double columnsATick;
    private final int columns;
    private final Map<String, Open> open = new LinkedHashMap<>();
    private long busy;
    private long busyUntil = Long.MIN_VALUE;
    private long lastEnd = -1;
    private long longestGap;
    private long gapFrom = -1;

    public Lanes(long first, long last, int columns) {
        this.first = first;
        this.columns = columns;
        columnsATick = columns / (double) Math.max(1, last - first);
    }

    public void add(BusEvent event, String partner, boolean known, boolean heard) {
        if (lastEnd >= 0 && event.start() - lastEnd > longestGap) {
            longestGap = event.start() - lastEnd;
            gapFrom = lastEnd;
        }
        lastEnd = Math.max(lastEnd, event.end());
        busy += Math.max(0, event.end() - Math.max(event.start(), busyUntil));
        busyUntil = Math.max(busyUntil, event.end());
        String key = open.containsKey(partner) || open.size() < MOST_LANES ? partner : "all others";
        Open lane = open.computeIfAbsent(key, k -> new Open(columns));
        lane.known |= known;
        lane.events++;
        lane.busy += event.end() - event.start();
        int from = column(event.start());
        int to = column(event.end());
        for (int c = from; c <= to; c++) {
            lane.cells[c] = (byte) Math.max(lane.cells[c], heard ? 1 : 2);
        }
    }

    private int column(long tick) {
        return (int) Math.max(0, Math.min(columns - 1, (tick - first) * columnsATick));
    }

    public List<Lane> lanes() {
        List<Lane> lanes = new ArrayList<>();
        open.forEach((partner, o) -> lanes.add(new Lane(partner, o.known, o.cells, o.events, o.busy)));
        return lanes;
    }

    /** Ticks in which the bus said something. */
    public long busyTicks() {
        return busy;
    }

    /** Longest silence between two events in ticks; 0 where there are fewer than two. */
    public long longestGap() {
        return longestGap;
    }

    /** Tick where the longest silence begins; -1 where there is none. */
    public long gapFrom() {
        return gapFrom;
    }
}
