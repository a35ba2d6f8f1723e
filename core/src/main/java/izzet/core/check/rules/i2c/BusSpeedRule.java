package izzet.core.check.rules.i2c;

import izzet.core.catalog.BusKind;
import izzet.core.check.ClockLimit;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;

/** I5: a 2-wire bus faster than a part on it takes. Passes: an expander at 100 kHz. Fails: the same at 400 kHz. */
public final class BusSpeedRule implements Rule {

    @Override
    public String id() {
        return "I5";
    }

    @Override
    public String subject() {
        return "no bus faster than its slowest part";
    }

    @Override
    public Trouble trouble() {
        return Trouble.CLOCK_TOO_FAST;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            Bus bus = circuit.busOf(unit).orElse(null);
            if (bus == null || unit.part().i2c() == null || bus.kind() != BusKind.I2C) {
                continue;
            }
            int limit = unit.part().i2c().maxHz();
            if (bus.clockHz() > limit) {
                ClockLimit.report(
                        findings.of(this, Severity.FIX, ClockLimit.WORDING),
                        bus,
                        bus.clockHz(),
                        Place.of(unit),
                        unit.name(),
                        limit,
                        unit.part().source(unit.part().i2c().source()));
            }
        }
        ClockLimit.controllers(circuit, BusKind.I2C, () -> findings.of(this, Severity.FIX, ClockLimit.WORDING));
    }
}
