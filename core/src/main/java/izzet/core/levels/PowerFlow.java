package izzet.core.levels;

import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Supplies;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.ToDoubleFunction;

/** Where the current goes: sources, what hangs on them, and what is behind regulators. In milliamperes, volts and watts. */
public final class PowerFlow {

    private PowerFlow() {}

    /**
     * A rail as a river.
     *
     * @param rail the board's, or the output of a part
     * @param typical that flows, most likewise, all behind it included
     * @param limit that it can give; null when not known
     * @param mouths what it feeds, in the order of the plan
     */
    public record Stream(Rail rail, double typical, double most, Double limit, List<Mouth> mouths) {

        /** What is left at the most that can flow; null when the limit is not known. */
        public Double headroom() {
            return limit == null ? null : (Double) (limit - most);
        }

        public boolean over() {
            return limit != null && most > limit;
        }
    }

    /**
     * Where a river ends, or narrows.
     *
     * @param typical of the thing itself and all behind it
     * @param behind rivers that come out of it; empty for what only takes
     * @param typicalWatts that stay in a regulator as heat, mostWatts likewise; null where it is none
     */
    public record Mouth(
            Unit unit,
            boolean lamp,
            boolean unknown,
            double typical,
            double most,
            List<Stream> behind,
            Double typicalWatts,
            Double mostWatts) {}

    /** Rails that something hangs on and that no part of the plan feeds, the board's first. */
    public static List<Stream> of(Circuit circuit) {
        List<Stream> streams = new ArrayList<>();
        for (Rail rail : circuit.rails()) {
            if (rail.gives() && !rail.ground() && !fedInPlan(circuit, rail)) {
                Stream stream = stream(circuit, rail, new HashSet<>());
                if (!stream.mouths().isEmpty()) {
                    streams.add(stream);
                }
            }
        }
        return streams;
    }

    /** Whether it comes out of a part that itself hangs on a rail: then it shows behind that one. */
    private static boolean fedInPlan(Circuit circuit, Rail rail) {
        return rail.ofPart()
                && circuit.wire(Target.of(rail.id()))
                        .map(Wire::unit)
                        .filter(u -> circuit.wiresOf(u).stream()
                                .anyMatch(w -> w.role() == Role.SUPPLY
                                        && circuit.rail(w.from())
                                                .filter(r -> !r.ground())
                                                .isPresent()))
                        .isPresent();
    }

    private static Stream stream(Circuit circuit, Rail rail, Set<String> above) {
        Supplies supplies = circuit.supplies();
        List<Mouth> mouths = new ArrayList<>();
        Set<String> path = new HashSet<>(above);
        if (path.add(rail.id())) {
            for (Supplies.Draw draw : supplies.draws(rail)) {
                List<Stream> behind = draw.behind().stream()
                        .filter(r -> !path.contains(r.id()))
                        .map(r -> stream(circuit, r, path))
                        .toList();
                double typical = draw.typical()
                        + behind.stream().mapToDouble(Stream::typical).sum();
                double most =
                        draw.most() + behind.stream().mapToDouble(Stream::most).sum();
                boolean regulator = behind.stream().anyMatch(b -> b.rail().volts() < rail.volts());
                mouths.add(new Mouth(
                        draw.unit(),
                        draw.lamp(),
                        draw.unknown(),
                        typical,
                        most,
                        behind,
                        regulator ? heat(rail, typical, behind, Stream::typical) : null,
                        regulator ? heat(rail, most, behind, Stream::most) : null));
            }
        }
        return new Stream(
                rail,
                supplies.typicalMilliamps(rail),
                supplies.mostMilliamps(rail),
                rail.limitMilliamps(),
                List.copyOf(mouths));
    }

    /** What stays in a regulator: all that goes in less what comes out, in watts. */
    private static Double heat(Rail in, double milliamps, List<Stream> behind, ToDoubleFunction<Stream> flow) {
        double out = behind.stream()
                .mapToDouble(b -> b.rail().volts() * flow.applyAsDouble(b))
                .sum();
        return Math.max(0, in.volts() * milliamps - out) / 1000;
    }
}
