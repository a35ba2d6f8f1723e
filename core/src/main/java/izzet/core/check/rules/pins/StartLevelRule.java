package izzet.core.check.rules.pins;

import izzet.core.catalog.ActiveLevel;
import izzet.core.catalog.Level;
import izzet.core.catalog.LogicLevels;
import izzet.core.catalog.Pin;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.DcModel;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;
import java.util.Optional;

/**
 * P11: a line that somebody sees or hears act is on while the board starts, or hangs in the air then. Passes: a driver stage whose own
 * resistor holds it off. Fails: a backlight with a pull-up on the module, the enable of a register on a pin that floats until the program
 * runs.
 */
public final class StartLevelRule implements Rule {

    @Override
    public String id() {
        return "P11";
    }

    @Override
    public String subject() {
        return "nothing acts while the board starts";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Wire wire : circuit.wires()) {
            Optional<Pin> pin = wire.line().does() == null
                    ? Optional.empty()
                    : circuit.pinsUnder(wire).stream().findFirst();
            if (pin.isEmpty()) {
                continue;
            }
            DcModel dc = circuit.dc();
            int node = wire.node();
            Optional<DcModel.Piece> piece = dc.pieceAt(node);
            LogicLevels levels = wire.unit().part().levels().get(wire.line().levels());
            Optional<Double> supply = circuit.logicVolts(wire.unit(), wire.line());
            boolean high = wire.line().active() == ActiveLevel.HIGH;
            Level turn = levels == null ? null : high ? levels.vih() : levels.vil();
            if (piece.isEmpty() || supply.isEmpty() || turn == null) {
                continue;
            }
            DcModel.Point point = dc.at(piece.get(), new DcModel.State().atReset());
            double limit = turn.at(supply.get());
            findings.looked(this);
            if (!point.holds(node)) {
                floats(findings, wire, pin.get());
            } else if (high ? point.volts(node) >= limit : point.volts(node) <= limit) {
                acts(findings, wire, pin.get(), point.volts(node), limit, high);
            }
        }
    }

    private void acts(Findings findings, Wire wire, Pin pin, double volts, double limit, boolean high) {
        findings.of(this, severity(wire), "{line} is at {volts} until the program runs: {does} while the board starts.")
                .at(Place.of(wire), Place.of(pin))
                .word("line", wire.label())
                .word("volts", Quantity.volts(volts))
                .word("does", wire.line().does())
                .compared("level at reset", Quantity.volts(volts), Quantity.volts(limit), high, null)
                .formula("voltage at rest with all outputs released, the pins' own resistors at work")
                .remedy("Add a resistor that holds it " + (high ? "low" : "high")
                        + " against the pull there, or live with it.")
                .add();
    }

    private void floats(Findings findings, Wire wire, Pin pin) {
        boolean high = wire.line().active() == ActiveLevel.HIGH;
        findings.of(
                        this,
                        severity(wire),
                        "{line} hangs in the air until the program runs: it may be that {does} while the board starts.")
                .aspect("floats")
                .at(Place.of(wire), Place.of(pin))
                .word("line", wire.label())
                .word("does", wire.line().does())
                .remedy("Add a resistor of 10 kΩ to " + (high ? "ground" : "the supply") + ".")
                .add();
    }

    /** A display that is lit too early harms nobody; a motor may. */
    private static Severity severity(Wire wire) {
        return wire.unit().part().glass() != null ? Severity.NOTE : Severity.ADVISE;
    }
}
