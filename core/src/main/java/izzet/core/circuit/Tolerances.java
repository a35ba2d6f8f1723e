package izzet.core.circuit;

import izzet.core.catalog.First;
import izzet.core.catalog.Level;
import izzet.core.catalog.Rail;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What is left of levels when supplies stray from their voltage. Two that are made from one supply stray together, others each their own
 * way. Cells are judged fresh and at their end, not here.
 */
public final class Tolerances {

    /** USB 2.0 specification, section 7.2.2: 4.75 V to 5.25 V at a port that powers devices. From memory. */
    public static final double USB_SHARE = 0.05;

    /** Common practice for small linear regulators over load and temperature. */
    public static final double REGULATOR_SHARE = 0.03;

    /** Supplies of parts at and above it are USB banks and converters to 5 V. */
    private static final double FIVE_VOLTS = 4.5;

    private Tolerances() {}

    /**
     * A supply that may stray.
     *
     * @param id two uses of one supply have the same
     * @param share of its voltage, up and down
     */
    private record Supply(String id, double share) {}

    /**
     * A level that is read rightly at the usual voltages and not at the ends of the tolerances.
     *
     * @param high whether it is the high
     * @param gives in volts when the supplies stand worst, needs likewise
     * @param giver share by which the driver's supply strays, taker likewise of the receiver's
     * @param together whether one supply feeds both
     */
    public record Miss(
            Levels.Reading reading,
            boolean high,
            double gives,
            double needs,
            double giver,
            double taker,
            boolean together) {

        /** In volts; below 0. */
        public double margin() {
            return high ? gives - needs : needs - gives;
        }
    }

    /** In the order of the readings. Supplies of which nothing is known are taken to stand still. */
    public static List<Miss> misses(Circuit circuit) {
        List<Miss> misses = new ArrayList<>();
        for (Levels.Reading reading : circuit.levels().readings()) {
            if (reading.highMargin() != null && !reading.missesHigh() && near(reading, true)) {
                worst(circuit, reading, true).filter(m -> m.margin() < 0).ifPresent(misses::add);
            }
            if (reading.lowMargin() != null && !reading.missesLow() && near(reading, false)) {
                worst(circuit, reading, false).filter(m -> m.margin() < 0).ifPresent(misses::add);
            }
        }
        return misses;
    }

    /** Whether the margin is small enough for any supplies to take it away. */
    private static boolean near(Levels.Reading reading, boolean high) {
        Level needs = high
                ? reading.receiver().levels().vih()
                : reading.receiver().levels().vil();
        double given = high ? reading.high() : reading.low();
        double margin = high ? reading.highMargin() : reading.lowMargin();
        return margin <= USB_SHARE * (given + needs.ratio() * reading.receiver().supply());
    }

    private static Optional<Miss> worst(Circuit circuit, Levels.Reading reading, boolean high) {
        Level needs = high
                ? reading.receiver().levels().vih()
                : reading.receiver().levels().vil();
        double given = high ? reading.high() : reading.low();
        Supply giver = giver(circuit, reading);
        Supply taker = taker(circuit, reading);
        boolean together = giver.id().equals(taker.id());
        Miss worst = null;
        for (int way : new int[] {-1, 1}) {
            for (int other : together ? new int[] {way} : new int[] {-1, 1}) {
                Miss miss = new Miss(
                        reading,
                        high,
                        given * (1 + way * giver.share()),
                        needs.at(reading.receiver().supply() * (1 + other * taker.share())),
                        giver.share(),
                        taker.share(),
                        together);
                worst = worst == null || miss.margin() < worst.margin() ? miss : worst;
            }
        }
        return Optional.ofNullable(worst);
    }

    private static Supply giver(Circuit circuit, Levels.Reading reading) {
        String key = reading.driver().key();
        return switch (reading.driver().giver()) {
            case BOARD -> board(circuit);
            case PART -> part(circuit, circuit.wire(reading.output()).orElse(null));
            case RAIL ->
                First.of(circuit.rails(), r -> r.id().equals(key))
                        .map(r -> rail(circuit, r))
                        .orElse(still(key));
            // Pull-ups may go to several supplies; the lines stand between them.
            case BUS -> new Supply("bus " + key, reading.high() > FIVE_VOLTS ? USB_SHARE : REGULATOR_SHARE);
            case PASSIVE -> still(key);
        };
    }

    private static Supply taker(Circuit circuit, Levels.Reading reading) {
        return reading.receiver().owner().equals(Target.BOARD)
                ? board(circuit)
                : part(circuit, circuit.wire(reading.receiver().end()).orElse(null));
    }

    private static Supply board(Circuit circuit) {
        return First.of(
                        circuit.board().rails(),
                        r -> r.gives() && r.volts() == circuit.board().logicVolts())
                .map(r -> rail(circuit, r))
                .orElse(still(Target.BOARD));
    }

    /** What a line's levels are made from: the regulator on its module, or the rail it hangs on. */
    private static Supply part(Circuit circuit, Wire wire) {
        if (wire == null) {
            return still("");
        }
        return wire.unit().part().logicVolts() != null
                ? new Supply(wire.unit().id(), REGULATOR_SHARE)
                : circuit.logicRail(wire.unit(), wire.line())
                        .map(r -> rail(circuit, r))
                        .orElse(still(wire.unit().id()));
    }

    private static Supply rail(Circuit circuit, Rail rail) {
        if (!rail.ofPart()) {
            return switch (rail.fedBy() == null ? "" : rail.fedBy()) {
                case "usb" -> new Supply(rail.id(), USB_SHARE);
                case "regulator" -> new Supply(rail.id(), REGULATOR_SHARE);
                default -> still(rail.id());
            };
        }
        boolean cells = circuit.wire(Target.of(rail.id()))
                .filter(w -> w.line().emptyVolts() != null)
                .isPresent();
        return cells
                ? still(rail.id())
                : new Supply(rail.id(), rail.volts() >= FIVE_VOLTS ? USB_SHARE : REGULATOR_SHARE);
    }

    private static Supply still(String id) {
        return new Supply(id, 0);
    }
}
