package izzet.core.check.rules.levels;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.PinCurrents;
import izzet.core.quantity.Quantity;
import java.util.List;

/**
 * L5: what the outputs carry: each pin, each group of pins, the chip, and the parts with outputs. Passes: three lamps of 14 mA. Fails:
 * eleven lamps of 20 mA on a chip for 200 mA, two of them on one pin for 20 mA.
 */
public final class PinCurrentRule implements Rule {

    @Override
    public String id() {
        return "L5";
    }

    @Override
    public String subject() {
        return "pins and chips carry their loads";
    }

    @Override
    public Trouble trouble() {
        return Trouble.PIN_CURRENT;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        List<PinCurrents.Load> loads = PinCurrents.of(circuit);
        String source = circuit.board().source(circuit.board().current().source());
        for (PinCurrents.Load load : loads) {
            Double most = load.output().maxMilliamps();
            if (most == null || load.lamps() == 1) {
                // A single lamp is rule L6's.
                continue;
            }
            single(circuit, findings, load, most / 1000, load.output().source());
        }
        PinCurrents.sums(circuit, loads).forEach(s -> sum(circuit, findings, s.what(), s.amperes(), s.limit(), source));
        parts(circuit, findings, loads);
    }

    private void single(Circuit circuit, Findings findings, PinCurrents.Load load, double limit, String source) {
        double amperes = Math.max(load.sourceAmperes(), load.sinkAmperes());
        findings.compared(this, Quantity.amperes(limit - amperes), load.output().end());
        if (amperes > limit * 1.005) {
            Place place = Place.of(circuit, load.output().end());
            findings.of(this, Severity.FIX, "{place} carries {flows}; {limit} is what it may.")
                    .at(place)
                    .word("place", Victims.capital(place.label()))
                    .word("flows", Quantity.amperes(amperes))
                    .word("limit", Quantity.amperes(limit))
                    .compared("current", Quantity.amperes(amperes), Quantity.amperes(limit), true, source)
                    .formula("current at rest through all that hangs on it, everything lit")
                    .source(source)
                    .remedy(
                            "Use larger resistors, spread the lamps over more pins, or switch them through a transistor.")
                    .add();
        }
    }

    private void sum(Circuit circuit, Findings findings, String what, double amperes, double limit, String source) {
        if (amperes == 0) {
            return;
        }
        findings.compared(this, Quantity.amperes(limit - amperes), what);
        if (amperes > limit * 1.0001) {
            findings.of(
                            this,
                            Severity.FIX,
                            "The board, {what}: with everything lit they carry {flows}; {limit} is what the chip may.")
                    .aspect(what)
                    .at(new Place("plan", "board", circuit.board().name()))
                    .word("what", what)
                    .word("flows", Quantity.amperes(amperes))
                    .word("limit", Quantity.amperes(limit))
                    .compared("current, " + what, Quantity.amperes(amperes), Quantity.amperes(limit), true, source)
                    .formula("sum of the pins, everything lit, each at its own limit at most")
                    .source(source)
                    .remedy("Use larger resistors, light fewer at once, or switch them through transistors.")
                    .add();
        }
    }

    private void parts(Circuit circuit, Findings findings, List<PinCurrents.Load> loads) {
        circuit.units().forEach(unit -> {
            Double most =
                    unit.part().supply() == null ? null : unit.part().supply().carriesMilliamps();
            if (most == null) {
                return;
            }
            double amperes = loads.stream()
                    .filter(l -> l.output().owner().equals(unit.id()))
                    .map(PinCurrents.Load::withinLimit)
                    .mapToDouble(l -> Math.max(l.sourceAmperes(), l.sinkAmperes()))
                    .sum();
            if (amperes == 0) {
                return;
            }
            findings.compared(this, Quantity.amperes(most / 1000 - amperes), unit.name());
            if (amperes > most / 1000) {
                String source = unit.part().source(unit.part().supply().source());
                findings.of(
                                this,
                                Severity.FIX,
                                "{part} carries {flows} in its outputs, everything lit; {limit} is what it may.")
                        .at(Place.of(unit))
                        .word("part", unit.name())
                        .word("flows", Quantity.amperes(amperes))
                        .word("limit", Quantity.milliamps(most))
                        .compared("current", Quantity.amperes(amperes), Quantity.milliamps(most), true, source)
                        .formula("sum of its outputs, everything lit")
                        .source(source)
                        .remedy("Use larger resistors, light fewer at once, or switch them through transistors.")
                        .add();
            }
        });
    }
}
