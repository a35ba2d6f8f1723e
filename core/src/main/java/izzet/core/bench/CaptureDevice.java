package izzet.core.bench;

/**
 * How a capture device is set.
 *
 * @param stepNanos between two looks at its lines
 * @param samples of its memory for each line
 * @param trigger label of the pin that starts it; null to start at once
 * @param rising whether that pin has to go up, else down
 * @param thresholdVolts above which a line reads high
 * @param noiseVolts that its input adds, as the root of its mean square; 0 for none
 * @param jitterNanos by which a look may come early or late, likewise
 * @param analog whether it keeps volts, as a table, else levels
 */
public record CaptureDevice(
        long stepNanos,
        int samples,
        String trigger,
        boolean rising,
        double thresholdVolts,
        double noiseVolts,
        double jitterNanos,
        boolean analog) {

    public static final int MOST_SAMPLES = 4_000_000;

    /** Rows of a table are long. */
    public static final int MOST_ANALOG = 200_000;

    private static final double MOST_VOLTS = 30;
    private static final double MOST_JITTER = 1_000_000;

    /** @throws IllegalArgumentException naming the setting, its value and what may stand there */
    public CaptureDevice {
        int most = analog ? MOST_ANALOG : MOST_SAMPLES;
        if (stepNanos < 1) {
            throw new IllegalArgumentException("The rate lies above 0 and up to 1000 million samples a second.");
        }
        if (samples < 1 || samples > most) {
            throw new IllegalArgumentException(
                    "The memory holds 1 to " + most + " samples of each line, not " + samples + ".");
        }
        if (!(thresholdVolts > 0 && thresholdVolts <= MOST_VOLTS)) {
            throw new IllegalArgumentException("The threshold lies above 0 V and up to 30 V.");
        }
        if (!(noiseVolts >= 0 && noiseVolts <= MOST_VOLTS)) {
            throw new IllegalArgumentException("The noise lies from 0 mV to 30 000 mV.");
        }
        if (!(jitterNanos >= 0 && jitterNanos <= MOST_JITTER)) {
            throw new IllegalArgumentException("The jitter lies from 0 ns to 1 000 000 ns.");
        }
    }

    /** Levels from the beginning, as many as it holds, without noise. */
    public static CaptureDevice plain(long stepNanos) {
        return new CaptureDevice(Math.max(1, stepNanos), MOST_SAMPLES, null, true, 1, 0, 0, false);
    }
}
