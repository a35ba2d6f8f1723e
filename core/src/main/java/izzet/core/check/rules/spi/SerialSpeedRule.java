package izzet.core.check.rules.spi;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Role;
import izzet.core.check.ClockLimit;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
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
    public Trouble trouble() {
        return Trouble.CLOCK_TOO_FAST;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            Bus bus = circuit.busOf(unit).orElse(null);
            if (bus == null || unit.part().spi() == null || bus.kind() != BusKind.SPI) {
                continue;
            }
            findings.looked(this);
            reading(circuit, findings, unit, bus);
            int limit = unit.part().spi().maxWriteHz();
            int clock = circuit.clockOf(unit, bus);
            if (clock > limit) {
                ClockLimit.report(
                        findings.of(
                                        this,
                                        Severity.FIX,
                                        unit.placed().clockHz() == null ? ClockLimit.WORDING : ClockLimit.OWN_WORDING)
                                .seenWorking(unit.part().glass() != null),
                        bus,
                        clock,
                        Place.of(unit),
                        unit.name(),
                        limit,
                        unit.part().source(unit.part().spi().source()));
            }
        }
        ClockLimit.controllers(circuit, BusKind.SPI, () -> findings.of(this, Severity.FIX, ClockLimit.WORDING));
    }

    /** Reading is slower than writing with many parts; it matters where their data output is connected. */
    private void reading(Circuit circuit, Findings findings, Unit unit, Bus bus) {
        Integer limit = unit.part().spi().maxReadHz();
        boolean reads = circuit.wiresOf(unit).stream()
                .anyMatch(w -> w.role() == Role.SPI_MISO && w.net().isPresent());
        int clock = circuit.clockOf(unit, bus);
        if (limit != null
                && reads
                && clock > limit
                && clock <= unit.part().spi().maxWriteHz()) {
            ClockLimit.report(
                    findings.of(
                                    this,
                                    Severity.ADVISE,
                                    unit.placed().clockHz() == null
                                            ? "{bus} runs at {clock}; read from, {who} takes {limit} at most."
                                            : "{who} is spoken to at {clock} on {bus}; read from, it takes {limit} at most.")
                            .aspect("read"),
                    bus,
                    clock,
                    Place.of(unit),
                    unit.name(),
                    limit,
                    unit.part().source(unit.part().spi().source()));
        }
    }
}
