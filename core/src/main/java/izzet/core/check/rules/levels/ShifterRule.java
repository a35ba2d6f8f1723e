package izzet.core.check.rules.levels;

import izzet.core.catalog.Direction;
import izzet.core.catalog.LogicLevels;
import izzet.core.catalog.Part;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Target;
import izzet.core.quantity.Quantity;
import java.util.Optional;

/**
 * L8: a level shifter of a kind that does not fit its line. Passes: the 2-wire bus behind a two-way shifter, a panel's serial clock behind
 * a buffer. Fails: bus data behind a buffer, which passes one way only; a serial clock of 8 MHz behind a shifter that rises through 10 kΩ.
 */
public final class ShifterRule implements Rule {

    /** Of a short wire, the shifter's line and an input together. Common practice. */
    private static final double FARADS = 50e-12;

    /** Until a line through a resistor is at 0.7 of its supply, in units of R C. */
    private static final double TO_HIGH = -Math.log(1 - 0.7);

    @Override
    public String id() {
        return "L8";
    }

    @Override
    public String subject() {
        return "level shifters fit their lines";
    }

    @Override
    public Trouble trouble() {
        return Trouble.SHIFTER_KIND;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Wire near : circuit.wires()) {
            for (Part.Shift shift : near.unit().part().shifts()) {
                boolean here = shift.low().equals(near.line().id())
                        || shift.high().equals(near.line().id());
                if (here) {
                    for (Wire wire : circuit.standsFor(near)) {
                        check(circuit, findings, near, shift, wire);
                    }
                }
            }
        }
    }

    private void check(Circuit circuit, Findings findings, Wire near, Part.Shift shift, Wire wire) {
        if (near.unit().part().twoWay(shift)) {
            tooFast(circuit, findings, near, shift, wire);
            return;
        }
        Wire far = circuit.wire(Target.line(near.unit().id(), far(shift, near))).orElseThrow();
        if (!LegalPins.passes(wire, far)) {
            boolean fromBoard = far.line().direction() == Direction.OUT;
            boolean openDrain = wire.line().direction() == Direction.OPEN_DRAIN;
            LogicLevels levels = near.unit().part().levels().get(near.line().levels());
            findings.of(this, Severity.STOP, "{line} {does}, and {helper} passes one way only, {way} the board.")
                    .aspect("way")
                    .at(Place.of(wire), Place.of(near.unit()))
                    .word("line", wire.label())
                    .word("does", openDrain ? "is held low from both ends" : "goes the other way")
                    .word("helper", near.unit().name())
                    .word("way", fromBoard ? "from" : "to")
                    .source(levels == null ? null : near.unit().part().source(levels.source()))
                    .remedy(
                            "Use a two-way shifter for open-drain lines, and turn a buffer round for signals to the board.")
                    .add();
        }
    }

    private static String far(Part.Shift shift, Wire near) {
        return shift.low().equals(near.line().id()) ? shift.high() : shift.low();
    }

    private void tooFast(Circuit circuit, Findings findings, Wire near, Part.Shift shift, Wire wire) {
        Bus bus = circuit.busOf(wire.unit()).orElse(null);
        String far = far(shift, near);
        Optional<Double> ohms = circuit.pullUpsOf(near.unit()).stream()
                .filter(p -> p.lines().contains(far))
                .map(Part.FittedPullUp::ohms)
                .findFirst();
        if (bus == null || !wire.role().spi() || ohms.isEmpty()) {
            return;
        }
        double rise = TO_HIGH * ohms.get() * FARADS;
        double most = 1 / (2 * rise);
        int clock = circuit.clockOf(wire.unit(), bus);
        if (clock > most) {
            findings.of(
                            this,
                            Severity.FIX,
                            "{line} rises through {ohms} in {helper}: good for {limit}, and {bus} runs at {clock}.")
                    .aspect("speed")
                    .at(Place.of(wire), Place.of(bus))
                    .word("line", wire.label())
                    .word("ohms", Quantity.ohms(ohms.get()))
                    .word(
                            "helper",
                            Target.line(near.unit().id(), far).name() + " of "
                                    + near.unit().name())
                    .word("limit", Quantity.hertz(most))
                    .word("bus", bus.name())
                    .word("clock", Quantity.hertz(clock))
                    .figure("capacitance", Quantity.farads(FARADS), "common practice: a short wire and an input")
                    .figure("until 0.7 of the supply", Quantity.seconds(rise))
                    .figure("half a clock", Quantity.seconds(0.5 / clock))
                    .formula("-ln(1 - 0.7) R C ≤ half a clock")
                    .remedy("Run the bus slower, or use a one-way buffer for lines from the board.")
                    .add();
        }
    }
}
