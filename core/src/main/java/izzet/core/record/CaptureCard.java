package izzet.core.record;

import izzet.core.calc.I2cMode;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Part;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How an instrument is set to capture a bus of a plan: where each channel goes, how fast, how long, on what it triggers, and what it will not
 * show.
 *
 * @param title the bus, or the display on lines of its own
 * @param channels what each goes to, in order; ground is not among them
 * @param rate to set, in words
 * @param threshold to set
 * @param trigger to set, with its mode
 * @param length of the record for a set-up and for a picture
 * @param base time a division of a scope's screen, in words; empty for a logic analyser
 * @param lost what this instrument cannot do here; empty where nothing is lost
 */
public record CaptureCard(
        String title,
        List<Channel> channels,
        String rate,
        String threshold,
        String trigger,
        List<String> length,
        String base,
        List<String> lost) {

    /** @param place on the board's header */
    public record Channel(String line, String place) {}

    /** To tell bits apart. Common practice. */
    private static final double SAMPLES_A_CLOCK = 4;

    /** To judge times. Common practice. */
    private static final double SAMPLES_TO_JUDGE = 10;

    /** Of the rise of a square wave, so that its third and fifth overtone are seen. Common practice. */
    private static final double BANDWIDTH_A_CLOCK = 5;

    private static final int SET_UP_BYTES = 40;
    private static final int DIVISIONS = 10;
    private static final double[] STEPS = {1, 2, 5, 10};

    /** A card for each bus of a plan that has lines on pins, and for each display on lines of its own. */
    public static List<CaptureCard> of(Circuit circuit, Instrument instrument) {
        List<CaptureCard> cards = new ArrayList<>();
        for (Bus bus : circuit.plan().buses()) {
            List<Unit> units = circuit.units().stream()
                    .filter(u -> circuit.busOf(u).filter(bus::equals).isPresent())
                    .toList();
            Map<String, String> lines = new LinkedHashMap<>();
            for (Unit unit : units) {
                lines(circuit, unit, units.size() > 1 && bus.kind() != BusKind.I2C, lines);
            }
            if (!lines.isEmpty()) {
                cards.add(card(circuit, bus.name(), bus.kind(), circuit.fastestOn(bus), units, lines, instrument));
            }
        }
        for (Unit unit : circuit.units()) {
            if (unit.part().glass() != null && circuit.busOf(unit).isEmpty()) {
                Map<String, String> lines = new LinkedHashMap<>();
                lines(circuit, unit, false, lines);
                if (!lines.isEmpty()) {
                    cards.add(card(circuit, unit.name(), null, strobes(unit), List.of(unit), lines, instrument));
                }
            }
        }
        return cards;
    }

    /** Strobes a second that a program of average speed makes on pins. Common practice. */
    private static int strobes(Unit unit) {
        Integer nanos = unit.variant().cycleNanos();
        return unit.part().glass().shows().equals("characters") || nanos == null
                ? 25_000
                : (int) Math.min(5e6, 1e9 / nanos);
    }

    private static void lines(Circuit circuit, Unit unit, boolean named, Map<String, String> lines) {
        for (Wire wire : circuit.wiresOf(unit)) {
            Role role = wire.role();
            boolean wanted = role.i2c()
                    || role.spi()
                    || role == Role.SELECT
                    || role == Role.DATA_COMMAND
                    || role == Role.ENABLE
                    || role == Role.DATA
                    || role == Role.CONTROL;
            if (!wanted) {
                continue;
            }
            Optional<Pin> pin = circuit.reach(wire.from()).map(r -> r.pin());
            boolean shared = role.i2c() || role.spi();
            pin.ifPresent(p -> lines.putIfAbsent(
                    p.label() + " (" + p.position() + ")",
                    (named && !shared ? unit.name() + " " : "") + wire.line().id()));
        }
    }

    private static CaptureCard card(
            Circuit circuit,
            String title,
            BusKind kind,
            int clock,
            List<Unit> units,
            Map<String, String> lines,
            Instrument instrument) {
        List<Channel> channels = new ArrayList<>();
        List<String> lost = new ArrayList<>();
        lines.forEach((place, line) -> {
            if (channels.size() < instrument.channels()) {
                channels.add(new Channel(line, place));
            } else {
                lost.add(line + " has no channel left: clock and data go first, and what stays away cannot be told.");
            }
        });
        double least = SAMPLES_A_CLOCK * clock;
        double wanted = Math.max(least, SAMPLES_TO_JUDGE * clock);
        double rate = Math.min(instrument.samplesASecond(), wanted);
        if (instrument.samplesASecond() < least) {
            lost.add("At most " + samples(instrument.samplesASecond())
                    + " are fewer than four a clock: nothing can be decoded. Run the bus at "
                    + Quantity.hertz(Math.floor(instrument.samplesASecond() / SAMPLES_A_CLOCK))
                    + " or slower to capture it.");
        } else if (instrument.samplesASecond() < wanted) {
            lost.add("Bytes can be read, times not judged: " + samples(instrument.samplesASecond())
                    + " tell them in steps of " + Quantity.seconds(1 / instrument.samplesASecond()) + ".");
        } else if (kind == BusKind.I2C) {
            double setUp = I2cMode.forClock(clock).times().dataSetUp();
            if (1 / rate > setUp) {
                lost.add("The set-up time of data (" + Quantity.seconds(setUp) + " at least) is shorter than a step of "
                        + Quantity.seconds(1 / rate) + ": take " + samples(2 / setUp)
                        + " to judge it, if the instrument can.");
            }
        }
        if (!instrument.scope()) {
            lost.add("Rise times and levels between: a logic analyser knows low and high only.");
        } else if (instrument.bandwidth() > 0 && instrument.bandwidth() < BANDWIDTH_A_CLOCK * clock) {
            lost.add("Edges look slower than they are: " + Quantity.hertz(instrument.bandwidth())
                    + " of bandwidth are under five times the clock.");
        }
        double volts = volts(circuit, units);
        double half = volts / 2;
        String threshold = "half of the swing of " + Quantity.volts(volts) + ": " + Quantity.volts(half);
        if (!instrument.scope() && instrument.threshold() > 0) {
            threshold = "fixed at " + Quantity.volts(instrument.threshold()) + "; half of the swing would be "
                    + Quantity.volts(half);
            if (Math.abs(instrument.threshold() - half) > 0.3 * volts) {
                lost.add("Its threshold of " + Quantity.volts(instrument.threshold()) + " lies far from the middle of "
                        + Quantity.volts(volts) + ": levels may be misread.");
            }
        }
        int bitsAByte = kind == BusKind.I2C ? 9 : kind == null ? 2 : 8;
        double setUp = SET_UP_BYTES * bitsAByte / (double) clock + waits(units);
        long picture = units.stream().mapToLong(CaptureCard::pictureBytes).max().orElse(0);
        List<String> length = new ArrayList<>();
        length.add(length("a set-up of some " + SET_UP_BYTES + " bytes with its waits", setUp, rate, instrument, lost));
        if (picture > 0) {
            length.add(length(
                    "one picture of " + picture + " bytes",
                    picture * bitsAByte / (double) clock,
                    rate,
                    instrument,
                    lost));
        }
        return new CaptureCard(
                title,
                channels,
                samples(rate) + " (" + Math.round(rate / clock) + " a clock of " + Quantity.hertz(clock) + ")",
                threshold,
                trigger(kind),
                length,
                instrument.scope() ? base(bitsAByte / (double) clock) : "",
                lost);
    }

    private static String trigger(BusKind kind) {
        if (kind == BusKind.I2C) {
            return "START: data falls while the clock is high. Where that cannot be set, the falling edge of data; single, then press reset";
        }
        return kind == BusKind.SPI
                ? "the falling edge of the select; single to freeze one burst, normal to see each"
                : "the rising edge of the strobe; single, then press reset";
    }

    private static String samples(double rate) {
        return Quantity.hertz(rate).toString().replace("Hz", "samples/s");
    }

    private static String length(String what, double seconds, double rate, Instrument instrument, List<String> lost) {
        double needed = Math.ceil(seconds * rate);
        if (instrument.memory() > 0 && needed > instrument.memory()) {
            lost.add("Of " + what + " it holds " + Quantity.seconds(instrument.memory() / rate) + " of "
                    + Quantity.seconds(seconds) + ": trigger later, or take fewer samples a second.");
        }
        return what + ": " + Quantity.seconds(seconds) + ", " + Math.round(needed) + " samples a channel";
    }

    private static String base(double byteSeconds) {
        return "one byte over the screen: " + Quantity.seconds(step(byteSeconds / DIVISIONS)) + " a division";
    }

    /** The next of 1, 2 and 5 in any decade. */
    private static double step(double seconds) {
        double decade = Math.pow(10, Math.floor(Math.log10(seconds)));
        for (double s : STEPS) {
            if (s * decade >= seconds * 0.999) {
                return s * decade;
            }
        }
        return 10 * decade;
    }

    private static double waits(List<Unit> units) {
        return units.stream()
                .map(u -> u.part().glass())
                .filter(g -> g != null)
                .mapToDouble(g -> ((g.resetMillis() == null ? 0 : g.resetMillis())
                                + (g.wakeMillis() == null ? 0 : g.wakeMillis()))
                        / 1000.0)
                .sum();
    }

    private static long pictureBytes(Unit unit) {
        Part.Glass g = unit.part().glass();
        if (g == null) {
            return 0;
        }
        return g.memoryBytes() != null ? g.memoryBytes() : (long) g.columns() * g.rows();
    }

    /** What a high line of these parts stands at: the highest supply of logic that is known of them, else the board's. */
    private static double volts(Circuit circuit, List<Unit> units) {
        double board = circuit.board().logicVolts();
        return units.stream()
                .flatMap(u -> circuit.wiresOf(u).stream()
                        .filter(w -> w.role().i2c())
                        .flatMap(w -> circuit.logicVolts(u, w.line()).stream()))
                .mapToDouble(Double::doubleValue)
                .max()
                .orElse(board);
    }
}
