package izzet.core.check.rules.spi;

import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Net;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Listed;
import java.util.List;

/**
 * S4: the data output of a serial part that does not let go of the line when it is not selected, on a line with others. Passes: a card and a
 * panel of which only the card's data output is connected. Fails: both connected, where the panel keeps its output driven.
 */
public final class SharedDataOutRule implements Rule {

    @Override
    public String id() {
        return "S4";
    }

    @Override
    public String subject() {
        return "data outputs let go when not selected";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Wire wire : circuit.wires()) {
            Part.Spi spi = wire.unit().part().spi();
            Net net = wire.net().orElse(null);
            if (wire.role() != Role.SPI_MISO || spi == null || net == null) {
                continue;
            }
            List<Wire> others = net.wires().stream()
                    .filter(w -> w.role() == Role.SPI_MISO
                            && !w.unit().id().equals(wire.unit().id()))
                    .toList();
            if (others.isEmpty()) {
                continue;
            }
            findings.looked(this);
            if (Boolean.FALSE.equals(spi.releasesMiso())) {
                report(findings, wire, others, wire.unit().part().source(spi.source()));
            }
        }
    }

    private void report(Findings findings, Wire wire, List<Wire> others, String source) {
        findings.of(
                        this,
                        Severity.FIX,
                        "{line} does not let go of the data line when the part is not selected; {others} cannot be heard beside it.")
                .at(Place.of(wire))
                .with(others.stream().map(w -> Place.of(w)).toList())
                .word("line", wire.label())
                .word("others", others.stream().map(Wire::label).collect(Listed.and()))
                .source(source)
                .remedy(
                        "Leave it unconnected unless the program reads from the part, or put a buffer with an enable in its way.")
                .add();
    }
}
