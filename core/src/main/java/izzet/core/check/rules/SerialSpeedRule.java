package izzet.core.check.rules;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;

/**
 * S3: a serial bus faster than a part may be written, or than the controller can. Passes: 4 MHz to a panel for 10 MHz. Fails: 40 MHz to
 * it, which many panels are commonly seen to bear all the same.
 */
public final class SerialSpeedRule implements Rule {

    @Override
    public String id() {
        return "S3";
    }

    @Override
    public String subject() {
        return "no serial clock faster than its parts and controller";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            Bus bus = circuit.busOf(unit).orElse(null);
            if (bus == null || unit.part().spi() == null || !bus.kind().equals(Bus.SPI)) {
                continue;
            }
            int limit = unit.part().spi().maxWriteHz();
            if (bus.clockHz() > limit) {
                ClockLimit.report(
                        findings.of(this, Severity.FIX, ClockLimit.WORDING)
                                .seenWorking(unit.part().glass() != null),
                        bus,
                        Place.of(unit),
                        unit.name(),
                        limit,
                        unit.part().source(unit.part().spi().source()));
            }
        }
        ClockLimit.controllers(circuit, Bus.SPI, () -> findings.of(this, Severity.FIX, ClockLimit.WORDING));
    }
}
