package izzet.core.check.rules.spi;

import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;
import izzet.core.quantity.Quantity;

/**
 * S7: a memory card on the bus of a display: it wants to be set up first and slowly. A note with the figures. That its select is its own is
 * rule S1's.
 */
public final class CardRule implements Rule {

    @Override
    public String id() {
        return "S7";
    }

    @Override
    public String subject() {
        return "memory cards beside displays are set up first";
    }

    private static final double FIRST_HERTZ = 400_000;
    private static final String SOURCE =
            "Memory card physical layer specification, simplified version: 400 kHz and 74 clocks before the first command; from memory";

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            Bus bus = circuit.busOf(unit).orElse(null);
            boolean card = unit.part().hasCard()
                    && circuit.wiresOf(unit).stream()
                            .anyMatch(w -> w.role() == Role.SPI_MISO && w.net().isPresent());
            if (!card || bus == null) {
                continue;
            }
            findings.looked(this);
            findings.of(
                            this,
                            Severity.NOTE,
                            "{card} wants its first commands at {first} at most and before a display speaks; after that {clock} on {bus} will do.")
                    .at(Place.of(unit), Place.of(bus))
                    .word("card", unit.name())
                    .word("first", Quantity.hertz(FIRST_HERTZ))
                    .word("bus", bus.name())
                    .word("clock", Quantity.hertz(circuit.clockOf(unit, bus)))
                    .figure("first clock at most", Quantity.hertz(FIRST_HERTZ), SOURCE)
                    .source(SOURCE)
                    .remedy("Set the card up first, with its select and the display's high.")
                    .add();
        }
    }
}
