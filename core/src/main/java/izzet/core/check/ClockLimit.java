package izzet.core.check;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Controller;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Bus;
import izzet.core.quantity.Quantity;
import java.util.function.Supplier;

/** The finding that a bus runs faster than somebody on it takes. */
public final class ClockLimit {

    public static final String WORDING = "{bus} runs at {clock}; {who} takes {limit} at most.";

    /** Where the program has a clock for this part alone. */
    public static final String OWN_WORDING = "{who} is spoken to at {clock} on {bus}; it takes {limit} at most.";

    private ClockLimit() {}

    /** Buses of a kind that run faster than their controller can. */
    public static void controllers(Circuit circuit, BusKind kind, Supplier<Findings.Draft> draft) {
        for (Bus bus : circuit.plan().buses()) {
            Controller controller = bus.kind() == kind && !bus.bitBanged()
                    ? circuit.board().controller(bus.controller()).orElse(null)
                    : null;
            if (controller != null && controller.maxHz() != null && circuit.fastestOn(bus) > controller.maxHz()) {
                report(
                        draft.get(),
                        bus,
                        circuit.fastestOn(bus),
                        Place.of(bus),
                        "the board's " + controller.name(),
                        controller.maxHz(),
                        circuit.board().source(controller.source()));
            }
        }
    }

    /** @param clock at which that one is spoken to: the bus's, or its own */
    public static void report(
            Findings.Draft draft, Bus bus, int clock, Place place, String who, int limit, String source) {
        draft.at(place.kind().equals("bus") ? new Place[] {place} : new Place[] {place, Place.of(bus)})
                .word("bus", bus.name())
                .word("clock", Quantity.hertz(clock))
                .word("who", who)
                .word("limit", Quantity.hertz(limit))
                .compared("bus clock", Quantity.hertz(clock), Quantity.hertz(limit), true, source)
                .formula("bus clock ≤ limit of every part on it")
                .source(source)
                .remedy("Run the bus at " + Quantity.hertz(limit)
                        + (bus.kind() == BusKind.SPI && !place.kind().equals("bus")
                                ? ", or have the program set that clock for the transfers of this part alone."
                                : "."))
                .add();
    }
}
