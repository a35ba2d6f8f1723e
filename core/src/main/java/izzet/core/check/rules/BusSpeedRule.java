package izzet.core.check.rules;

import izzet.core.catalog.Controller;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;
import izzet.core.quantity.Quantity;

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
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            Bus bus = circuit.busOf(unit).orElse(null);
            if (bus == null || unit.part().i2c() == null || !bus.kind().equals(Bus.I2C)) {
                continue;
            }
            int limit = unit.part().i2c().maxHz();
            if (bus.clockHz() > limit) {
                report(
                        findings,
                        bus,
                        Place.of(unit),
                        unit.name(),
                        limit,
                        unit.part().source(unit.part().i2c().source()));
            }
        }
        for (Bus bus : circuit.plan().buses()) {
            Controller controller = bus.bitBanged()
                    ? null
                    : circuit.board().controller(bus.controller()).orElse(null);
            if (controller != null && controller.maxHz() != null && bus.clockHz() > controller.maxHz()) {
                report(
                        findings,
                        bus,
                        Place.of(bus),
                        "the board's " + controller.name(),
                        controller.maxHz(),
                        circuit.board().source(controller.source()));
            }
        }
    }

    private void report(Findings findings, Bus bus, Place place, String who, int limit, String source) {
        findings.of(this, Severity.FIX, "{bus} runs at {clock}; {who} takes {limit} at most.")
                .at(place.kind().equals("bus") ? new Place[] {place} : new Place[] {place, Place.of(bus)})
                .word("bus", bus.name())
                .word("clock", Quantity.hertz(bus.clockHz()))
                .word("who", who)
                .word("limit", Quantity.hertz(limit))
                .figure("bus clock", Quantity.hertz(bus.clockHz()))
                .figure("limit", Quantity.hertz(limit), source)
                .formula("bus clock ≤ limit of every part on it")
                .source(source)
                .remedy("Run the bus at " + Quantity.hertz(limit) + ".")
                .add();
    }
}
