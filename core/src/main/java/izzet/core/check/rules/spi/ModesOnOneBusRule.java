package izzet.core.check.rules.spi;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * S2: parts on one serial bus that take different clock modes: allowed, but the mode must be set before each is spoken to. Passes: two parts
 * of mode 0. A note: a panel of mode 3 beside a card of mode 0.
 */
public final class ModesOnOneBusRule implements Rule {

    @Override
    public String id() {
        return "S2";
    }

    @Override
    public String subject() {
        return "parts of one serial bus and their modes";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Bus bus : circuit.plan().buses()) {
            List<Unit> parts = circuit.units().stream()
                    .filter(u -> bus.id().equals(u.placed().bus()) && u.part().spi() != null)
                    .toList();
            if (parts.size() < 2) {
                continue;
            }
            findings.looked(this);
            List<Integer> common = new ArrayList<>(List.of(0, 1, 2, 3));
            parts.forEach(u -> common.retainAll(u.part().spi().modes()));
            if (common.isEmpty()) {
                report(findings, bus, parts);
            }
        }
    }

    private void report(Findings findings, Bus bus, List<Unit> parts) {
        var draft = findings.of(
                        this,
                        Severity.NOTE,
                        "No clock mode suits all parts of {bus}; the program must set the mode before it speaks to each.")
                .at(Place.of(bus))
                .with(parts.stream().map(u -> Place.of(u)).toList())
                .word("bus", bus.name());
        parts.forEach(u -> draft.figure(
                u.name(),
                "mode " + u.part().spi().modes().stream().map(String::valueOf).collect(Collectors.joining(" or ")),
                u.part().source(u.part().spi().source())));
        draft.remedy("Give each part its own settings object in the program.").add();
    }
}
