package izzet.core.record;

import izzet.core.quantity.Quantity;

/**
 * What a maker captures with.
 *
 * @param scope whether it shows volts; else it knows levels only
 * @param channels that it has
 * @param samplesASecond at most, with all channels in use
 * @param memory samples that it holds for each channel; 0 where it sends them on as they come
 * @param bandwidth of a scope in hertz; 0 where it is not known
 * @param threshold of a logic analyser that cannot be set, in volts; 0 where it can be
 */
public record Instrument(
        String name,
        boolean scope,
        int channels,
        double samplesASecond,
        double memory,
        double bandwidth,
        double threshold) {

    /** A small USB logic analyser, which most makers have. Values are common practice. */
    public static final Instrument SMALL = new Instrument("8-channel USB logic analyser", false, 8, 24e6, 0, 0, 1.5);

    private static final double MOST = 1e12;

    /** @throws IllegalArgumentException when a value is outside of what there is; the message says which */
    public Instrument {
        if (name.isBlank() || name.length() > 60) {
            throw new IllegalArgumentException("name: say what it is, in up to 60 characters.");
        }
        need(channels >= 1 && channels <= 64, "channels", "between 1 and 64");
        need(samplesASecond >= 1000 && samplesASecond <= MOST, "samples a second", "between 1000 and 1e12");
        need(memory >= 0 && memory <= MOST, "memory", "between 0 and 1e12 samples");
        need(bandwidth >= 0 && bandwidth <= MOST, "bandwidth", "between 0 and 1e12 Hz");
        need(threshold >= 0 && threshold <= 50, "threshold", "between 0 and 50 V");
    }

    private static void need(boolean right, String what, String limits) {
        if (!right) {
            throw new IllegalArgumentException(what + " lies " + limits + ".");
        }
    }

    /** As it is kept: fields with semicolons between. */
    public String text() {
        return String.join(
                ";",
                name.replace(';', ','),
                scope ? "scope" : "logic",
                Integer.toString(channels),
                Double.toString(samplesASecond),
                Double.toString(memory),
                Double.toString(bandwidth),
                Double.toString(threshold));
    }

    /** @throws IllegalArgumentException when the text is none that {@link #text} made */
    public static Instrument of(String text) {
        String[] f = text.split(";");
        if (f.length != 7) {
            throw new IllegalArgumentException("The instrument that was kept cannot be read.");
        }
        return new Instrument(
                f[0],
                f[1].equals("scope"),
                Integer.parseInt(f[2]),
                Double.parseDouble(f[3]),
                Double.parseDouble(f[4]),
                Double.parseDouble(f[5]),
                Double.parseDouble(f[6]));
    }

    public String inWords() {
        return (scope ? "oscilloscope" : "logic analyser") + ", " + channels
                + (channels == 1 ? " channel" : " channels") + ", "
                + Quantity.hertz(samplesASecond).toString().replace("Hz", "samples a second")
                + (memory > 0 ? ", " + Math.round(memory) + " samples a channel" : ", as long as the disk holds");
    }
}
