package izzet.core.bench;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.function.ToDoubleFunction;

/**
 * What a capture device on some pins sees: a value change dump (IEEE 1364) of levels, or a table of volts. It looks at its lines so many times
 * a second: what is shorter than a step is lost or moved to the next look. Edges are upright: neither rise time nor ringing is drawn. The same
 * run gives the same record, noise and all. Not thread-safe.
 */
public final class PinRecord {

    private static final int FIRST_MARK = '!';

    /** Longest text, so that one press makes no file that nobody can open. */
    private static final int MOST_TEXT = 4_000_000;

    private static final int MOST_CHANGES = 2_000_000;

    /** Of the memory, kept from before the trigger. */
    private static final double BEFORE = 0.1;

    private static final long SEED = 20_261;
    private static final double NANO = 1e-9;

    private final CaptureDevice device;
    private final Map<String, Integer> lines = new LinkedHashMap<>();
    private final int[] first;
    private final Map<String, Double> high = new LinkedHashMap<>();

    /** Changes as they came: tick, line and level in one number. */
    private long[] changes = new long[1024];

    private int count;
    private long triggered = -1;
    private long ended;
    private boolean full;

    /** @param pins labels of the pins that it is clipped to; {@code stepNanos} between two looks */
    public PinRecord(List<String> pins, long stepNanos) {
        this(pins, CaptureDevice.plain(stepNanos));
    }

    public PinRecord(List<String> pins, CaptureDevice device) {
        this.device = device;
        pins.forEach(pin -> lines.putIfAbsent(pin, lines.size()));
        first = new int[lines.size()];
        Arrays.fill(first, 1);
        triggered = device.trigger() == null ? 0 : -1;
    }

    /** Told before the first change: the volts of each line while it is high. */
    void highs(ToDoubleFunction<String> volts) {
        lines.keySet().forEach(pin -> high.put(pin, volts.applyAsDouble(pin)));
    }

    void change(long tick, String pin, int to) {
        if (triggered < 0 && pin.equals(device.trigger()) && to == (device.rising() ? 1 : 0)) {
            triggered = tick;
        }
        Integer line = lines.get(pin);
        if (line == null || triggered >= 0 && tick > lastTick()) {
            return;
        }
        if (count == MOST_CHANGES) {
            if (triggered >= 0) {
                full = true;
                return;
            }
            forget();
        }
        if (count == changes.length) {
            changes = Arrays.copyOf(changes, 2 * count);
        }
        changes[count++] = tick << 8 | line << 1 | to;
    }

    /** Of what came long before a trigger that has not come, the older half. */
    private void forget() {
        int half = count / 2;
        for (int i = 0; i < half; i++) {
            first[line(changes[i])] = level(changes[i]);
        }
        System.arraycopy(changes, half, changes, 0, count - half);
        count -= half;
    }

    private static int line(long change) {
        return (int) (change >> 1 & 0x7F);
    }

    private static int level(long change) {
        return (int) (change & 1);
    }

    private long firstTick() {
        long before = device.trigger() == null ? 0 : Math.round(device.samples() * BEFORE) * device.stepNanos();
        return Math.max(0, triggered - before);
    }

    private long lastTick() {
        return firstTick() + device.samples() * device.stepNanos();
    }

    void end(long tick) {
        ended = tick;
        full |= triggered >= 0 && tick > lastTick();
    }

    /** Whether its memory was full before the end. */
    public boolean full() {
        return full;
    }

    /** Whether what it waited for came; true where it waited for nothing. */
    public boolean triggered() {
        return triggered >= 0;
    }

    public CaptureDevice device() {
        return device;
    }

    public String text() {
        return device.analog() ? table() : dump();
    }

    /** Steps through the looks of the memory, with the levels as they are at each. */
    private interface Look {
        /** @return whether to go on */
        boolean at(long tick, int[] level);
    }

    private void looks(boolean each, Look look) {
        int[] level = first.clone();
        Random jitter = new Random(SEED);
        long step = device.stepNanos();
        long last = Math.min(lastTick(), ended);
        int next = 0;
        for (long tick = firstTick(); tick <= last; tick += step) {
            long now =
                    tick + (device.jitterNanos() == 0 ? 0 : Math.round(jitter.nextGaussian() * device.jitterNanos()));
            while (next < count && changes[next] >> 8 <= now) {
                level[line(changes[next])] = level(changes[next]);
                next++;
            }
            if (!look.at(tick - firstTick(), level)) {
                full = true;
                return;
            }
            if (!each && next < count) {
                // Nothing happens until the next change: go to the look before it.
                long ahead = ((changes[next] >> 8) - tick - 1) / step;
                tick += Math.max(0, ahead - 1 - Math.round(4 * device.jitterNanos() / step)) * step;
            } else if (!each) {
                return;
            }
        }
    }

    private String[] names() {
        return lines.keySet().stream()
                .map(pin -> pin.replaceAll("[^A-Za-z0-9_]", "_"))
                .toArray(String[]::new);
    }

    private double[] highVolts() {
        return lines.keySet().stream()
                .mapToDouble(pin -> high.getOrDefault(pin, device.thresholdVolts() * 2))
                .toArray();
    }

    private String dump() {
        StringBuilder text = new StringBuilder("$timescale 1 ns $end\n$scope module bench $end\n");
        String[] names = names();
        for (int i = 0; i < names.length; i++) {
            text.append("$var wire 1 ")
                    .append((char) (FIRST_MARK + i))
                    .append(' ')
                    .append(names[i])
                    .append(" $end\n");
        }
        text.append("$upscope $end\n$enddefinitions $end\n");
        double[] volts = highVolts();
        int[] told = new int[names.length];
        Arrays.fill(told, -1);
        Random noise = new Random(SEED + 1);
        boolean noisy = device.noiseVolts() > 0;
        looks(noisy, (tick, level) -> {
            boolean stamped = false;
            for (int i = 0; i < level.length; i++) {
                double seen = level[i] * volts[i] + (noisy ? noise.nextGaussian() * device.noiseVolts() : 0);
                int reads = seen > device.thresholdVolts() ? 1 : 0;
                if (reads != told[i]) {
                    if (!stamped) {
                        text.append('#').append(tick).append('\n');
                        stamped = true;
                    }
                    text.append(reads).append((char) (FIRST_MARK + i)).append('\n');
                    told[i] = reads;
                }
            }
            return text.length() < MOST_TEXT;
        });
        long end = Math.max(0, Math.min(lastTick(), ended) - firstTick());
        if (text.length() < MOST_TEXT) {
            text.append('#').append(end).append('\n');
        }
        return text.toString();
    }

    private String table() {
        StringBuilder text = new StringBuilder("time_s");
        for (String name : names()) {
            text.append(',').append(name);
        }
        text.append('\n');
        double[] volts = highVolts();
        Random noise = new Random(SEED + 1);
        looks(true, (tick, level) -> {
            text.append(String.format(Locale.ROOT, "%.9f", tick * NANO));
            for (int i = 0; i < level.length; i++) {
                double seen = level[i] * volts[i] + noise.nextGaussian() * device.noiseVolts();
                text.append(',').append(Math.round(seen * 1000) / 1000.0);
            }
            text.append('\n');
            return text.length() < 4 * MOST_TEXT;
        });
        return text.toString();
    }
}
