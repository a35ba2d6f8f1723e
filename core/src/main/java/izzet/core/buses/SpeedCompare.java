package izzet.core.buses;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Controller;
import izzet.core.catalog.Part;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.PictureTime;
import izzet.core.circuit.Unit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Stream;

/**
 * The same picture over every interface that a display or its kin and this board know.
 *
 * @param ways the fastest first
 */
public record SpeedCompare(Unit unit, List<Way> ways) {

    /**
     * @param hertz of the bus, or of the writes of parallel lines
     * @param now whether it is how the plan does it, at its clock of now
     */
    public record Way(Part part, Part.Interface variant, double seconds, double hertz, String formula, boolean now) {}

    /** Displays with pixels that keep their picture, in the order of the plan. */
    public static List<SpeedCompare> of(Circuit circuit) {
        return circuit.units().stream()
                .map(u -> new SpeedCompare(u, ways(circuit, u)))
                .filter(c -> !c.ways().isEmpty())
                .toList();
    }

    private static List<Way> ways(Circuit circuit, Unit unit) {
        List<Way> ways = new ArrayList<>();
        circuit.busOf(unit)
                .map(b -> (double) circuit.clockOf(unit, b))
                .or(() -> Optional.of(0.0))
                .flatMap(hertz -> PictureTime.of(circuit.board(), unit.part(), unit.variant(), hertz))
                .ifPresent(
                        t -> ways.add(new Way(unit.part(), unit.variant(), t.seconds(), t.hertz(), t.formula(), true)));
        Stream<Part> kin = unit.part().kin().values().stream()
                .distinct()
                .map(id -> circuit.catalog().part(id).orElse(null))
                .filter(Objects::nonNull);
        Set<BusKind> own = new HashSet<>();
        unit.part().interfaces().forEach(i -> own.add(i.bus()));
        Stream.concat(Stream.of(unit.part()), kin).forEach(part -> part.interfaces().stream()
                // Kin over the same kind of bus are other modules, not another way.
                .filter(v -> part == unit.part() || !own.contains(v.bus()))
                .forEach(variant -> fastest(circuit, part, variant)
                        .filter(t -> ways.stream().noneMatch(w -> same(w, part, variant, t)))
                        .ifPresent(t -> ways.add(new Way(part, variant, t.seconds(), t.hertz(), t.formula(), false)))));
        ways.sort(Comparator.comparingDouble(Way::seconds));
        return ways;
    }

    private static boolean same(Way way, Part part, Part.Interface variant, PictureTime time) {
        return way.part().id().equals(part.id())
                && (way.variant().id().equals(variant.id()) || !way.now())
                && Math.abs(way.seconds() - time.seconds()) < 1e-9;
    }

    /** At the fastest clock that both the part and one of the board's controllers take; nothing where the board has none. */
    private static Optional<PictureTime> fastest(Circuit circuit, Part part, Part.Interface variant) {
        if (variant.bus() == null) {
            return PictureTime.of(circuit.board(), part, variant, 0);
        }
        int most = variant.bus() == BusKind.I2C
                ? part.i2c() == null ? 0 : part.i2c().maxHz()
                : part.spi() == null ? 0 : part.spi().maxWriteHz();
        OptionalInt board = circuit.board().controllersOf(variant.bus()).stream()
                .map(Controller::maxHz)
                .filter(Objects::nonNull)
                .mapToInt(Integer::intValue)
                .max();
        if (most == 0 || board.isEmpty()) {
            return Optional.empty();
        }
        return PictureTime.of(circuit.board(), part, variant, Math.min(most, board.getAsInt()));
    }
}
