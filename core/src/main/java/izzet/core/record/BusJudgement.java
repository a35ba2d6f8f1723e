package izzet.core.record;

import izzet.core.calc.I2cMode;
import izzet.core.check.Figure;
import izzet.core.check.Severity;
import izzet.core.quantity.Counts;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;

/** The two lines of an I2C bus against its mode: times (T4, T11), a clock held low (T5), swapped lines (T6), a stuck bus (T9), pulses (T10). */
public final class BusJudgement {

    /** A low time so much longer than usual is no clock of the controller's own. Common practice. */
    private static final double HELD = 8;

    private static final double LEAST_HELD_SECONDS = 20e-6;
    private static final double SAMPLES_A_CLOCK = 4;

    /** A low line that stays so long is stuck: several bytes at the slowest usual clock. Common practice. */
    private static final double STUCK_SECONDS = 1e-3;

    private BusJudgement() {}

    /**
     * @param mode that the bus is to keep to
     * @param filtered whether the decoder takes short pulses off
     * @param events transfers that were decoded
     */
    public static List<Remark> of(I2cTiming timing, I2cMode mode, long lastTick, boolean filtered, int events) {
        List<Remark> remarks = new ArrayList<>();
        double hertz = timing.hertz();
        boolean coarse = hertz > 0 && timing.stepSeconds() * SAMPLES_A_CLOCK > 1 / hertz;
        if (coarse) {
            remarks.add(Remark.of(
                            "T11",
                            Severity.FIX,
                            "The record tells time in steps of " + seconds(timing.stepSeconds())
                                    + ", which is fewer than four samples in a clock of "
                                    + Quantity.hertz(Math.rint(hertz)) + ".",
                            "Take at least " + Quantity.hertz(SAMPLES_A_CLOCK * Math.rint(hertz))
                                    + " samples a second; times cannot be judged here.")
                    .with(
                            List.of(Figure.compared(
                                    "step",
                                    Quantity.seconds(timing.stepSeconds()),
                                    Quantity.seconds(1 / hertz / SAMPLES_A_CLOCK),
                                    Quantity.seconds(1 / hertz / SAMPLES_A_CLOCK - timing.stepSeconds()),
                                    null)),
                            null));
        } else {
            times(timing, mode, remarks);
        }
        held(timing, remarks);
        stuck(timing, lastTick, remarks);
        if (timing.glitches() > 0) {
            remarks.add(
                    Remark.of(
                                    "T10",
                                    filtered ? Severity.NOTE : Severity.ADVISE,
                                    Counts.of(timing.glitches(), "pulse") + " under 50 ns on clock or data"
                                            + (filtered ? ", taken off before decoding." : "."),
                                    filtered
                                            ? "Look for their cause: long wires, no common ground, a fast neighbour."
                                            : "Ignore pulses below 50 ns with the lines of this bus, as inputs of Fast-mode parts do.")
                            .at(timing.glitchAt())
                            .with(
                                    List.of(),
                                    "I2C-bus specification UM10204, table 10, pulses that input filters suppress; from memory"));
        }
        if (events == 0 && timing.starts() > 2) {
            remarks.add(Remark.of(
                    "T6",
                    Severity.FIX,
                    "There are " + timing.starts()
                            + " STARTs and not one whole transfer: clock and data may be the wrong way round.",
                    "Exchange clock and data of this bus."));
        }
        return remarks;
    }

    private static void times(I2cTiming timing, I2cMode mode, List<Remark> remarks) {
        for (I2cTiming.Row row : timing.rows(mode)) {
            if (Boolean.FALSE.equals(row.verdict())) {
                remarks.add(Remark.of(
                                "T4",
                                Severity.FIX,
                                row.kind().words() + ": " + seconds(row.least()) + " at the worst, where "
                                        + mode.label() + " asks for " + seconds(row.limit()) + ".",
                                row.kind() == I2cTiming.Kind.LOW || row.kind() == I2cTiming.Kind.HIGH
                                        ? "Slow the clock down in the program."
                                        : "Slow the clock down, or look at the pull-ups: a slow rise eats this time.")
                        .at(row.worstAt())
                        .with(
                                List.of(Figure.compared(
                                        row.kind().words(),
                                        Quantity.seconds(row.least()),
                                        Quantity.seconds(row.limit()),
                                        Quantity.seconds(row.least() - row.limit()),
                                        I2cMode.SOURCE)),
                                I2cMode.SOURCE));
            }
        }
    }

    private static void held(I2cTiming timing, List<Remark> remarks) {
        double held = timing.heldLowSeconds();
        if (held > LEAST_HELD_SECONDS && held > HELD * timing.usualLowSeconds()) {
            remarks.add(Remark.of(
                            "T5",
                            Severity.NOTE,
                            "Within a transfer the clock was low for " + seconds(held) + ", usually for "
                                    + seconds(timing.usualLowSeconds())
                                    + ": a part held it, or the controller paused; both look alike.",
                            "Where transfers fail here, let the controller wait longer, or choose a part that does not stretch the clock.")
                    .at(timing.heldAt()));
        }
    }

    private static void stuck(I2cTiming timing, long lastTick, List<Remark> remarks) {
        for (boolean clock : new boolean[] {true, false}) {
            double low = timing.lowAtEnd(clock, lastTick);
            if (low > STUCK_SECONDS) {
                remarks.add(Remark.of(
                        "T9",
                        Severity.STOP,
                        (clock ? "The clock" : "Data") + " is low for the last " + seconds(low)
                                + " of the record: the bus is stuck.",
                        clock
                                ? "Something holds the clock: a part without supply, a short, a program that stopped in the middle."
                                : "A part waits for clocks: send nine of them, or switch its supply off and on."));
                return;
            }
        }
        if (timing.starts() > 1 && timing.stops() == 0) {
            remarks.add(Remark.of(
                    "T9",
                    Severity.FIX,
                    "There are " + timing.starts() + " STARTs and never a STOP.",
                    "Record for longer, or look where the program forgets to end its transfers."));
        }
    }

    private static String seconds(double seconds) {
        return Quantity.seconds(seconds).toString();
    }
}
