package izzet.core.bench;

import izzet.core.catalog.OpenLine;
import izzet.core.catalog.Pin;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Net;
import izzet.core.circuit.Wire;
import izzet.core.plan.Target;
import java.util.stream.Stream;

/**
 * What gives a line of a part its level.
 *
 * @param pin label of the pin of the board that does; null where none does
 * @param level that it has while that pin does not drive, or without one: 0, 1, or {@value #UNKNOWN} where nothing holds it
 */
record Source(String pin, int level) {

    static final int UNKNOWN = 2;

    static Source of(Circuit built, Wire wire) {
        Net net = built.netOf(wire.from()).orElse(null);
        int open = open(wire.line().open());
        if (net == null) {
            return new Source(null, open);
        }
        if (!net.rails().isEmpty()) {
            return new Source(null, net.rails().get(0).ground() ? 0 : 1);
        }
        // A resistor is the same whether it stands in the wire or beside it.
        Stream<Integer> beside = net.resistors().stream().map(r -> pulled(built, net, r.from(), r.to()));
        Stream<Integer> inWires = built.connections().stream()
                .filter(c -> c.seriesOhms() != null)
                .map(c -> pulled(built, net, c.from(), c.to()));
        int pulled = Stream.concat(beside, inWires)
                .filter(l -> l != UNKNOWN)
                .findFirst()
                .orElse(open);
        return new Source(net.pins().stream().findFirst().map(Pin::label).orElse(null), pulled);
    }

    private static int pulled(Circuit built, Net net, Target one, Target end) {
        boolean from = net.ends().contains(one);
        if (from == net.ends().contains(end)) {
            return UNKNOWN;
        }
        Target other = from ? end : one;
        return built.rail(other).map(rail -> rail.ground() ? 0 : 1).orElse(UNKNOWN);
    }

    private static int open(OpenLine open) {
        return open == OpenLine.PULLED_UP ? 1 : open == OpenLine.PULLED_DOWN ? 0 : UNKNOWN;
    }

    boolean floats() {
        return pin == null && level == UNKNOWN;
    }
}
