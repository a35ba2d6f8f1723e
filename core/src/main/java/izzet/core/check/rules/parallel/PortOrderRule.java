package izzet.core.check.rules.parallel;

import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * W1: the data lines of an 8-bit parallel display that do not lie in one port in order, so that they are written one by one. Passes: D0 to D7
 * on bits 0 to 7 of one port. Advised otherwise, with what it would gain.
 */
public final class PortOrderRule implements Rule {

    @Override
    public String id() {
        return "W1";
    }

    @Override
    public String subject() {
        return "data lines in one port and in order";
    }

    private static final int BITS = 8;
    private static final String SOURCE = "Common practice: one write to a port against eight to single bits";

    @Override
    public void check(Circuit circuit, Findings findings) {
        // Only where the chip has ports of eight bits that come out whole.
        Set<String> chips = circuit.board().signalPins().stream()
                .filter(p -> p.chip() != null)
                .map(Pin::chip)
                .collect(Collectors.toSet());
        List<String> whole = chips.stream()
                .filter(c -> c.matches("P[A-Z]7"))
                .map(c -> c.substring(0, 2))
                .filter(port -> java.util.stream.IntStream.range(0, BITS).allMatch(i -> chips.contains(port + i)))
                .sorted()
                .toList();
        for (Unit unit : circuit.units()) {
            Integer bits = unit.variant().bits();
            if (whole.isEmpty() || unit.variant().bus() != null || bits == null || bits != BITS) {
                continue;
            }
            List<String> places = circuit.wiresOf(unit).stream()
                    .filter(w -> w.role() == Role.DATA)
                    .flatMap(w -> circuit.pinsUnder(w).stream().limit(1))
                    .map(p -> p.chip() == null ? p.label() : p.chip())
                    .toList();
            if (places.size() == BITS) {
                findings.looked(this);
                boolean ordered = whole.stream().anyMatch(port -> java.util.stream.IntStream.range(0, BITS)
                        .allMatch(i -> places.get(i).equals(port + i)));
                if (!ordered) {
                    report(findings, unit, places, whole);
                }
            }
        }
    }

    private void report(Findings findings, Unit unit, List<String> places, List<String> whole) {
        findings.of(this, Severity.ADVISE, "{part} has its data lines on {places}: eight writes a byte instead of one.")
                .at(Place.of(unit))
                .word("part", unit.name())
                .word("places", String.join(", ", places))
                .figure("writes a byte", BITS)
                .figure("with one port in order", 1)
                .figure("whole ports of the chip", String.join(", ", whole))
                .source(SOURCE)
                .remedy("Bring D0 to D7 to bits 0 to 7 of one port where one is free, if speed matters.")
                .add();
    }
}
