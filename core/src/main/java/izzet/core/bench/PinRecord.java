package izzet.core.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What a capture device on some pins sees, as a value change dump (IEEE 1364). It looks at its lines so many times a second: what is
 * shorter than a step is lost or moved to the next one. Not thread-safe.
 */
public final class PinRecord {

    private static final int FIRST_MARK = '!';
    private static final int MOST = 4_000_000;

    private final Map<String, Integer> lines = new LinkedHashMap<>();
    private final StringBuilder text = new StringBuilder();
    private final long step;
    private final int[] level;
    private final int[] told;
    private long now = -1;
    private boolean full;

    /**
     * @param pins labels of the pins that it is clipped to
     * @param stepNanos between two looks
     */
    public PinRecord(List<String> pins, long stepNanos) {
        step = Math.max(1, stepNanos);
        text.append("$timescale 1 ns $end\n$scope module bench $end\n");
        for (String pin : pins) {
            if (lines.putIfAbsent(pin, lines.size()) == null) {
                text.append("$var wire 1 ")
                        .append((char) (FIRST_MARK + lines.size() - 1))
                        .append(' ')
                        .append(pin.replaceAll("[^A-Za-z0-9_]", "_"))
                        .append(" $end\n");
            }
        }
        text.append("$upscope $end\n$enddefinitions $end\n");
        level = new int[lines.size()];
        told = new int[lines.size()];
        java.util.Arrays.fill(level, 1);
        java.util.Arrays.fill(told, -1);
    }

    void change(long tick, String pin, int to) {
        Integer line = lines.get(pin);
        if (line != null && !full) {
            long look = (tick + step - 1) / step * step;
            if (look != now) {
                tell();
                now = look;
            }
            level[line] = to;
        }
    }

    private void tell() {
        List<Integer> changed = new ArrayList<>();
        for (int i = 0; i < level.length; i++) {
            if (level[i] != told[i]) {
                changed.add(i);
            }
        }
        if (!changed.isEmpty()) {
            text.append('#').append(Math.max(0, now)).append('\n');
            changed.forEach(i -> {
                text.append(level[i]).append((char) (FIRST_MARK + i)).append('\n');
                told[i] = level[i];
            });
        }
        full = text.length() > MOST;
    }

    void end(long tick) {
        tell();
        if (!full) {
            text.append('#').append(Math.max(now + step, tick)).append('\n');
        }
    }

    /** Whether its memory was full before the end. */
    public boolean full() {
        return full;
    }

    public String text() {
        return text.toString();
    }
}
