package izzet.core.kernel;

import izzet.core.catalog.Part;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;
import java.util.Map;
import java.util.Optional;

/**
 * What a settings line says of a panel without memory: its picture, the blanking round it, and how many bits a colour gets.
 *
 * @param colours bits of red, green and blue: {@code 565}, {@code 666}, {@code 888}
 */
record PanelTimes(Part part, String colours) {

    private static final Map<Integer, String> COLOURS = Map.of(16, "565", 18, "666", 24, "888");

    /** Of the panel on the bus; empty where there is none, or where its times are not told. */
    static Optional<PanelTimes> of(Circuit circuit, Bus bus) {
        return circuit.units().stream()
                .filter(u -> bus.id().equals(u.placed().bus()))
                .filter(u -> u.part().pixelBus() != null && u.part().pixelBus().timed())
                .findFirst()
                .flatMap(PanelTimes::of);
    }

    private static Optional<PanelTimes> of(Unit unit) {
        Integer bits = unit.variant().bits();
        return Optional.ofNullable(bits == null ? null : COLOURS.get(bits))
                .filter(c -> unit.part().glass() != null)
                .map(c -> new PanelTimes(unit.part(), c));
    }

    /** @param line with names in braces */
    String into(String line) {
        Part.PixelBus bus = part.pixelBus();
        return line.replace("{colours}", colours)
                .replace("{columns}", String.valueOf(part.glass().columns()))
                .replace("{rows}", String.valueOf(part.glass().rows()))
                .replace("{frontColumns}", String.valueOf(bus.frontColumns()))
                .replace("{syncColumns}", String.valueOf(bus.syncColumns()))
                .replace("{backColumns}", String.valueOf(bus.backColumns(part.glass())))
                .replace("{frontRows}", String.valueOf(bus.frontRows()))
                .replace("{syncRows}", String.valueOf(bus.syncRows()))
                .replace("{backRows}", String.valueOf(bus.backRows(part.glass())));
    }
}
