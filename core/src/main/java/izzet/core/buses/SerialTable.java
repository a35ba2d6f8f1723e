package izzet.core.buses;

import izzet.core.catalog.BitOrder;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Controller;
import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Who shares a serial bus.
 *
 * @param realHz what the board's divider makes of the clock asked for; null where its file does not tell
 */
public record SerialTable(Bus bus, Double realHz, List<Row> rows) {

    /**
     * One part.
     *
     * @param clockHz that it is spoken to at, realHz what the board's divider makes of it; null where its file does not tell
     * @param selects where its select lines go, in words of the board; empty for none
     * @param reads whether its data output is connected
     * @param releases whether it lets go of it; null when not known, or when it has none
     */
    public record Row(
            Unit unit,
            int clockHz,
            Double realHz,
            List<String> selects,
            List<Integer> modes,
            int wordBits,
            BitOrder bitOrder,
            int maxWriteHz,
            Integer maxReadHz,
            boolean reads,
            Boolean releases,
            boolean tooFast) {

        /** Whether the plan gives it a clock of its own. */
        public boolean own() {
            return unit.placed().clockHz() != null;
        }

        /** Whether others cannot be heard beside it. */
        public boolean blocks(boolean alone) {
            return !alone && reads && Boolean.FALSE.equals(releases);
        }
    }

    public static List<SerialTable> of(Circuit circuit) {
        List<SerialTable> tables = new ArrayList<>();
        for (Bus bus : circuit.plan().buses()) {
            if (bus.kind() == BusKind.SPI) {
                List<Row> rows = circuit.units().stream()
                        .filter(u ->
                                bus.id().equals(u.placed().bus()) && u.part().spi() != null)
                        .map(u -> row(circuit, bus, u))
                        .toList();
                tables.add(new SerialTable(bus, real(circuit, bus, bus.clockHz()), rows));
            }
        }
        return tables;
    }

    private static Double real(Circuit circuit, Bus bus, int hertz) {
        Optional<Controller> controller =
                bus.bitBanged() ? Optional.empty() : circuit.board().controller(bus.controller());
        return controller.map(Controller::divider).map(d -> d.hertz(hertz)).orElse(null);
    }

    private static Row row(Circuit circuit, Bus bus, Unit unit) {
        Part.Spi spi = unit.part().spi();
        int clock = circuit.clockOf(unit, bus);
        List<String> selects = circuit.wiresOf(unit).stream()
                .filter(w -> w.role() == Role.SELECT && w.net().isPresent())
                .map(w -> place(circuit, w))
                .toList();
        boolean reads = circuit.wiresOf(unit).stream()
                .anyMatch(w -> w.role() == Role.SPI_MISO && w.net().isPresent());
        return new Row(
                unit,
                clock,
                real(circuit, bus, clock),
                selects,
                spi.modes(),
                spi.wordBits() == null ? 8 : spi.wordBits(),
                spi.firstBit(),
                spi.maxWriteHz(),
                spi.maxReadHz(),
                reads,
                spi.releasesMiso(),
                clock > spi.maxWriteHz());
    }

    private static String place(Circuit circuit, Wire wire) {
        return circuit.pinsUnder(wire).stream()
                .findFirst()
                .map(p -> "pin " + p.label())
                .or(() -> circuit.rail(wire.from()).map(r -> r.label()))
                .orElse("not on the board");
    }

    /** Modes that all parts share; where there is none, each is set up before its transfer. */
    public List<Integer> commonModes() {
        List<Integer> common = new ArrayList<>(List.of(0, 1, 2, 3));
        rows.forEach(r -> common.retainAll(r.modes()));
        return common;
    }

    public boolean alone() {
        return rows.stream().filter(Row::reads).count() < 2;
    }
}
