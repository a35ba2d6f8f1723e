package izzet.core.check.rules.i2c;

import izzet.core.catalog.DutyKind;
import izzet.core.catalog.Pin;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Bus;
import izzet.core.quantity.Listed;
import izzet.core.quantity.Quantity;
import java.util.List;

/**
 * I8: a 2-wire bus on pins with pull-ups that are fitted on the board and cannot be taken off: they count with those of the modules, and
 * fix the level. Told as a note; rules I4 and L2 reckon with them.
 */
public final class FixedPullUpRule implements Rule {

    @Override
    public String id() {
        return "I8";
    }

    @Override
    public String subject() {
        return "fitted pull-ups of the board are known";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Bus bus : circuit.plan().buses()) {
            List<Pin> pins = circuit.wires().stream()
                    .filter(w ->
                            w.role().i2c() && bus.id().equals(w.unit().placed().bus()))
                    .flatMap(w -> circuit.pinsUnder(w).stream())
                    .distinct()
                    .toList();
            List<Pin> fitted = pins.stream()
                    .filter(p -> p.duty(DutyKind.PULL_UP).isPresent())
                    .toList();
            if (!pins.isEmpty()) {
                findings.looked(this);
            }
            if (!fitted.isEmpty()) {
                report(circuit, findings, bus, fitted);
            }
        }
    }

    private void report(Circuit circuit, Findings findings, Bus bus, List<Pin> fitted) {
        Pin.Duty duty = fitted.get(0).duty(DutyKind.PULL_UP).orElseThrow();
        String source = circuit.board().source(duty.source());
        findings.of(
                        this,
                        Severity.NOTE,
                        "{bus} has the board's own pull-ups of {ohms} to {volts} on {pins}; they stay, whatever the modules bring.")
                .at(Place.of(bus))
                .with(fitted.stream().map(p -> Place.of(p)).toList())
                .word("bus", bus.name())
                .word("ohms", Quantity.ohms(duty.ohms()))
                .word("volts", Quantity.volts(circuit.board().logicVolts()))
                .word("pins", fitted.stream().map(Pin::label).collect(Listed.and()))
                .figure("fitted", Quantity.ohms(duty.ohms()), source)
                .source(source)
                .remedy("Nothing to do where the modules pull up to the same voltage or not at all.")
                .add();
    }
}
