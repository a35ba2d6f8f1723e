package izzet.app.traffic;

import izzet.core.catalog.BusKind;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import java.util.List;
import java.util.Locale;

/** Which part of a plan a bus of a record belongs to, where no address tells. */
final class Partners {

    private Partners() {}

    /** Parts that could speak so; none where addresses tell. */
    static List<Unit> of(Circuit circuit, String protocol) {
        return switch (protocol) {
            case "i2c", "serial" -> List.of();
            case "spi" ->
                circuit.units().stream()
                        .filter(u -> u.variant().bus() == BusKind.SPI)
                        .toList();
            case "single-wire" ->
                circuit.units().stream()
                        .filter(u -> u.part().id().contains("single-wire"))
                        .toList();
            default ->
                circuit.units().stream()
                        .filter(u -> u.part().glass() != null && u.variant().bus() == null)
                        .toList();
        };
    }

    /** The part that was chosen; else the only one that could be, or the one whose name a line of the bus has. Null where none is. */
    static Unit of(Circuit circuit, StoredRecord record, StoredRecord.Bus bus) {
        List<Unit> all = of(circuit, bus.protocol().id());
        for (Unit unit : all) {
            if (unit.id().equals(bus.partId())) {
                return unit;
            }
        }
        if (all.size() == 1) {
            return all.get(0);
        }
        for (Unit unit : all) {
            boolean named = bus.lines().values().stream()
                    .map(record::nameOf)
                    .map(n -> n.toLowerCase(Locale.ROOT))
                    .anyMatch(n -> n.contains(unit.id().toLowerCase(Locale.ROOT)));
            if (named) {
                return unit;
            }
        }
        return null;
    }
}
