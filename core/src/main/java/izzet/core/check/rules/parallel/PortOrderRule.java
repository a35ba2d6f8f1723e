package izzet.core.check.rules.parallel;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.PortOrder;
import izzet.core.circuit.Unit;
import java.util.List;

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
        for (Unit unit : circuit.units()) {
            PortOrder order = PortOrder.of(circuit, unit).orElse(null);
            if (order != null && order.couldBeOrdered()) {
                findings.looked(this);
                if (!order.ordered()) {
                    report(findings, unit, order.places(), order.wholePorts());
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
