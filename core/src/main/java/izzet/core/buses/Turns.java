package izzet.core.buses;

import izzet.core.catalog.BusKind;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.PictureTime;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * One bus on which displays take turns: a whole picture for each, one after the other, and for one with a memory card the reading of the
 * same picture from it.
 *
 * @param seconds of one round
 */
public record Turns(Bus bus, List<Turn> turns, double seconds) {

    /** Bits a pixel that a colour panel of this command family takes packed, beside its usual ones. MIPI DCS, set_pixel_format. */
    private static final int PACKED_BITS = 12;

    private static final String PACKED_FAMILY = "dcs";

    /**
     * @param card whether it is the reading of the picture from the card
     * @param packedSeconds with fewer colours; null where the panel has no such format
     */
    public record Turn(Unit unit, boolean card, double seconds, String formula, Double packedSeconds) {}

    /** Buses with at least one display, in the order of the plan; parallel displays have no bus to share. */
    public static List<Turns> of(Circuit circuit) {
        List<Turns> all = new ArrayList<>();
        for (Bus bus : circuit.plan().buses()) {
            if (bus.kind() != BusKind.RGB) {
                Turns turns = of(circuit, bus, bus.clockHz());
                if (!turns.turns().isEmpty()) {
                    all.add(turns);
                }
            }
        }
        return all;
    }

    /** At another clock than the plan's; parts with a clock of their own keep it. */
    public static Turns of(Circuit circuit, Bus bus, double busHertz) {
        List<Turn> turns = new ArrayList<>();
        for (Unit unit : circuit.units()) {
            if (!bus.id().equals(unit.placed().bus())) {
                continue;
            }
            double hertz = own(bus, unit) ? unit.placed().clockHz() : busHertz;
            Optional<PictureTime> time = PictureTime.of(circuit.board(), unit.part(), unit.variant(), hertz);
            if (time.isEmpty()) {
                continue;
            }
            double seconds = time.get().seconds();
            int bits = unit.part().glass().bitsPerPixel();
            boolean packs = bus.kind() == BusKind.SPI
                    && PACKED_FAMILY.equals(unit.part().glass().family())
                    && bits > PACKED_BITS;
            turns.add(new Turn(
                    unit,
                    false,
                    seconds,
                    time.get().formula(),
                    packs ? (Double) (seconds * PACKED_BITS / bits) : null));
            if (unit.part().hasCard() && usesCard(circuit, unit)) {
                double read = unit.part().spi().maxReadHz() == null
                        ? hertz
                        : Math.min(hertz, unit.part().spi().maxReadHz());
                turns.add(new Turn(
                        unit, true, seconds * hertz / read, "the same bytes at " + Quantity.hertz(read), null));
            }
        }
        return new Turns(bus, turns, turns.stream().mapToDouble(Turn::seconds).sum());
    }

    private static boolean own(Bus bus, Unit unit) {
        return bus.kind() == BusKind.SPI && unit.placed().clockHz() != null;
    }

    private static boolean usesCard(Circuit circuit, Unit unit) {
        return circuit.wiresOf(unit).stream()
                .anyMatch(w -> "card".equals(w.line().levels()) && w.net().isPresent());
    }

    /** The fastest clock that all its displays take for writing, in hertz; those with a clock of their own have no say. */
    public double mostHertz() {
        return turns.stream()
                .filter(t -> !own(bus, t.unit()))
                .map(t -> t.unit().part())
                .mapToDouble(p ->
                        bus.kind() == BusKind.I2C ? p.i2c().maxHz() : p.spi().maxWriteHz())
                .min()
                .orElse(bus.clockHz());
    }

    /** Pictures a second that each display gets when they take turns. */
    public double perSecond() {
        return 1 / seconds;
    }

    /** With fewer colours where panels take them. */
    public double packedSeconds() {
        return turns.stream()
                .mapToDouble(t -> t.packedSeconds() == null ? t.seconds() : t.packedSeconds())
                .sum();
    }
}
