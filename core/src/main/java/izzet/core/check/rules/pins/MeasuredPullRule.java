package izzet.core.check.rules.pins;

import izzet.core.catalog.First;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.DcModel;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.quantity.Quantity;
import java.util.Optional;

/**
 * P14: the chip's own pull-up or pull-down is on where something is measured. Passes: a potentiometer on an analog input; a light-dependent
 * resistor to ground that has no other resistor. Fails: a potentiometer of 10 kΩ with the pull-up on.
 */
public final class MeasuredPullRule implements Rule {

    /** What an ordinary converter of 10 bits does not see. Common practice. */
    private static final double UNSEEN_SHARE = 1.0 / 1024;

    @Override
    public String id() {
        return "P14";
    }

    @Override
    public String subject() {
        return "nothing pulls on what is measured";
    }

    @Override
    public Trouble trouble() {
        return Trouble.MEASURED_PULL;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Connection c : circuit.connections()) {
            Optional<Wire> measured = !c.to().isPin()
                    ? Optional.empty()
                    : circuit.netOf(c.to())
                            .flatMap(net ->
                                    First.of(net.wires(), w -> w.capability().equals(PinFunction.ANALOG_IN)));
            if (measured.isPresent()) {
                findings.looked(this);
                if (c.pull() != null) {
                    judge(circuit, findings, c, measured.get());
                }
            }
        }
    }

    private void judge(Circuit circuit, Findings findings, Connection c, Wire line) {
        boolean up = Connection.INTERNAL_UP.equals(c.pull());
        Pin pin = circuit.board().pin(c.to().name()).orElseThrow();
        Optional<Double> ohms = circuit.board().pullOhms(pin, up);
        Circuit without = new Circuit(new PlanEdit.Connect(c.withoutPull()).apply(circuit.plan()), circuit.catalog());
        Optional<Double> bent = level(circuit, c.to());
        Optional<Double> plain = level(without, c.to());
        if (ohms.isEmpty() || bent.isEmpty() || plain.isEmpty()) {
            // Where the pin has none nothing pulls; where nothing else holds the line it is the other half of a
            // divider.
            return;
        }
        double off = bent.get() - plain.get();
        if (Math.abs(off) < UNSEEN_SHARE * circuit.board().logicVolts()) {
            return;
        }
        findings.of(
                        this,
                        Severity.ADVISE,
                        "{line} is measured, and the chip's own {pull} is on: half way it reads {bent} instead of {right}.")
                .at(Place.of(line), Place.of(pin))
                .word("line", line.label())
                .word("pull", up ? "pull-up" : "pull-down")
                .word("bent", Quantity.volts(bent.get()))
                .word("right", Quantity.volts(plain.get()))
                .figure("resistor in the chip", Quantity.ohms(ohms.get()))
                .figure("off by", Quantity.volts(off))
                .formula("level at rest, dials half way, with the resistor and without")
                .remedy("Leave it off: an input that is measured is held by what is measured.")
                .add();
    }

    /** What the converter sees, on its side of a resistor in the wire; empty where nothing holds it. */
    private static Optional<Double> level(Circuit circuit, Target pin) {
        DcModel dc = circuit.dc();
        int node = dc.node(pin);
        return dc.pieceAt(node)
                .map(piece -> dc.at(piece, new DcModel.State()))
                .filter(point -> point.holds(node))
                .map(point -> point.volts(node));
    }
}
