package izzet.core.check.rules.levels;

import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.DcModel;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;
import java.util.List;
import java.util.Optional;

/**
 * L7: the voltage at the contrast line of a character display, by whatever network sets it. Passes: 1 kΩ to ground, 0.42 V; a
 * potentiometer that passes through the readable range. Fails: 5 kΩ, 1.56 V, nearly blank.
 */
public final class ContrastRule implements Rule {

    private static final double READABLE_FROM = 0.2;
    private static final double READABLE_TO = 1.0;
    private static final int POSITIONS = 50;
    private static final String SOURCE =
            "Character display controller data sheet (HD44780U), bias ladder; ladder of 11 kΩ and readable range from memory";

    @Override
    public String id() {
        return "L7";
    }

    @Override
    public String subject() {
        return "contrast within the readable range";
    }

    @Override
    public Trouble trouble() {
        return Trouble.CONTRAST;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Wire wire : circuit.wires()) {
            if (wire.role() != Role.CONTRAST || circuit.netOf(wire.from()).isEmpty()) {
                continue;
            }
            Optional<Double> supply = circuit.wire(wire.unit(), Role.SUPPLY).flatMap(s -> circuit.railVolts(s.from()));
            if (supply.isEmpty()) {
                findings.cannotTell(this, Place.of(wire), "the voltage at " + wire.label());
                continue;
            }
            findings.looked(this);
            DcModel dc = circuit.dc();
            int node = dc.node(wire.from());
            Optional<DcModel.Piece> piece = dc.pieceAt(node);
            if (piece.isEmpty()) {
                judge(findings, wire, dc.held(node).orElseThrow(), false);
                continue;
            }
            List<DcModel.Dial> dials = piece.get().of(DcModel.Dial.class);
            if (dials.isEmpty()) {
                judge(findings, wire, dc.at(piece.get(), new DcModel.State()).volts(node), false);
            } else {
                turned(findings, wire, dc, piece.get(), dials, node);
            }
        }
    }

    private void turned(
            Findings findings, Wire wire, DcModel dc, DcModel.Piece piece, List<DcModel.Dial> dials, int node) {
        double least = Double.MAX_VALUE;
        double most = 0;
        for (int i = 0; i <= POSITIONS; i++) {
            DcModel.State state = new DcModel.State();
            double share = i / (double) POSITIONS;
            dials.forEach(d -> state.turn(d, share));
            double volts = dc.at(piece, state).volts(node);
            least = Math.min(least, volts);
            most = Math.max(most, volts);
            if (volts >= READABLE_FROM && volts <= READABLE_TO) {
                return;
            }
        }
        judge(findings, wire, least > READABLE_TO ? least : most, true);
    }

    private void judge(Findings findings, Wire wire, double volts, boolean dial) {
        if (volts >= READABLE_FROM && volts <= READABLE_TO) {
            return;
        }
        boolean pale = volts > READABLE_TO;
        findings.of(
                        this,
                        pale ? Severity.FIX : Severity.NOTE,
                        pale
                                ? dial
                                        ? "{line} is never below {volts} wherever the potentiometer stands: the display looks blank. Up to {to} is readable."
                                        : "{line} sits at {volts}: the display looks blank. Up to {to} is readable."
                                : "{line} sits at {volts}: the darkest setting; unlit cells may show as blocks.")
                .at(Place.of(wire))
                .word("line", wire.label())
                .word("volts", Quantity.volts(volts))
                .word("to", Quantity.volts(READABLE_TO))
                .compared(
                        "voltage",
                        Quantity.volts(volts),
                        Quantity.volts(pale ? READABLE_TO : READABLE_FROM),
                        pale,
                        SOURCE)
                .figure("readable", "0.2 V to 1.0 V", SOURCE)
                .formula("voltage at rest over the display's ladder of 11 kΩ to its supply")
                .source(SOURCE)
                .remedy("Use 1 kΩ to 2.2 kΩ to ground, or a 10 kΩ potentiometer between ground and the supply.")
                .add();
    }
}
