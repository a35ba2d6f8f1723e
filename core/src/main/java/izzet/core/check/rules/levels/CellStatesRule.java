package izzet.core.check.rules.levels;

import izzet.core.catalog.Part;
import izzet.core.catalog.PartLine;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Levels;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * L16: what holds at the usual voltage of cells and not with fresh ones, or not at their end. Passes: three cells on a display that takes up
 * to 5.5 V and is written to only through its expander. Fails: the same on a display whose highest supply is 4.6 V; 3.3 V logic into a display
 * that reads high from 0.7 of its supply, as long as the cells are fresh.
 */
public final class CellStatesRule implements Rule {

    private static final String SOURCE = "Common practice: 1.6 V a fresh primary cell, 0.9 V at its end";

    @Override
    public String id() {
        return "L16";
    }

    @Override
    public String subject() {
        return "what holds on cells holds fresh and at their end";
    }

    @Override
    public Trouble trouble() {
        return Trouble.LEVEL_MISS;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Wire source : circuit.wires()) {
            PartLine line = source.line();
            if (source.role() != Role.SOURCE || source.net().isEmpty()) {
                continue;
            }
            if (line.fullVolts() != null) {
                Circuit fresh = circuit.giving(source.from(), line.fullVolts());
                findings.looked(this);
                above(circuit, fresh, findings, source);
                levels(circuit, fresh, findings, source, true);
            }
            if (line.emptyVolts() != null) {
                findings.looked(this);
                levels(circuit, circuit.giving(source.from(), line.emptyVolts()), findings, source, false);
            }
        }
    }

    /** Parts whose highest supply lies between the usual voltage and that of fresh cells. */
    private void above(Circuit circuit, Circuit fresh, Findings findings, Wire source) {
        for (Wire wire : circuit.wires()) {
            Part.Supply supply = wire.unit().part().supply();
            Double most = wire.mostVolts();
            if (wire.role() != Role.SUPPLY || most == null) {
                continue;
            }
            double usual = circuit.railVolts(wire.from()).orElse(0.0);
            double now = fresh.railVolts(wire.from()).orElse(0.0);
            if (usual <= most && now > most) {
                findings.of(
                                this,
                                Severity.FIX,
                                "{part} gets {volts} while {cells} are fresh, more than the {most} it takes.")
                        .aspect("above")
                        .at(Place.of(wire), Place.of(source.unit()))
                        .word("part", wire.unit().name())
                        .word("volts", Quantity.volts(now))
                        .word("cells", source.unit().name())
                        .word("most", Quantity.volts(most))
                        .compared(
                                "supply from fresh cells",
                                Quantity.volts(now),
                                Quantity.volts(most),
                                true,
                                supply == null ? null : wire.unit().part().source(supply.source()))
                        .formula("cells × 1.6 V ≤ highest supply")
                        .source(SOURCE)
                        .remedy("Put a regulator or a diode between them, or use a cell less with a converter.")
                        .add();
            }
        }
    }

    private void levels(Circuit circuit, Circuit then, Findings findings, Wire source, boolean fresh) {
        Set<String> before = new HashSet<>();
        circuit.levels().readings().stream().filter(CellStatesRule::bad).forEach(r -> before.add(key(r)));
        List<Levels.Reading> only = then.levels().readings().stream()
                .filter(r -> bad(r) && !before.contains(key(r)))
                .filter(r -> works(then, r.receiver().owner())
                        && works(then, r.driver().key()))
                .toList();
        only.stream()
                .min(Comparator.comparingDouble(CellStatesRule::margin))
                .ifPresent(worst -> report(then, findings, source, fresh, worst, only));
    }

    private static boolean bad(Levels.Reading r) {
        return r.missesHigh() || r.missesLow() || r.tooHigh();
    }

    private static String key(Levels.Reading r) {
        return r.driver().giver() + " " + r.driver().key() + " " + r.receiver().end();
    }

    private static double margin(Levels.Reading r) {
        return r.tooHigh() ? r.overMargin() : r.missesHigh() ? r.highMargin() : r.lowMargin();
    }

    /** Whether a part has a supply in its range now; rules L3 and L11 tell of others. */
    private static boolean works(Circuit then, String owner) {
        Unit unit = then.unit(owner).orElse(null);
        Part.Supply supply = unit == null ? null : unit.part().supply();
        return supply == null
                || then.wire(unit, Role.SUPPLY)
                        .flatMap(w -> then.railVolts(w.from()))
                        .filter(v -> v >= supply.minVolts())
                        .isPresent();
    }

    private void report(
            Circuit then,
            Findings findings,
            Wire source,
            boolean fresh,
            Levels.Reading worst,
            List<Levels.Reading> all) {
        boolean over = worst.tooHigh();
        boolean high = over || worst.missesHigh();
        double gives = over ? worst.highest() : high ? worst.high() : worst.low();
        double limit = over
                ? worst.receiver().absMax()
                : high ? worst.receiver().vih() : worst.receiver().vil();
        Severity worse = over ? Severity.STOP : Severity.FIX;
        findings.of(
                        this,
                        fresh ? worse : Severity.ADVISE,
                        "{when} {driver} gives {gives}, and {receiver} {limits} {limit} at {line}: {margin}.")
                .aspect(fresh ? "fresh" : "end")
                .at(Place.of(source.unit()))
                .with(all.stream()
                        .map(r -> Victims.place(then, r.receiver()))
                        .distinct()
                        .toList())
                .word(
                        "when",
                        (fresh ? "While they are fresh, at " : "At their end, at ")
                                + Quantity.volts(then.railVolts(source.from()).orElseThrow())
                                + " of " + source.unit().name() + ",")
                .word("driver", worst.driver().name())
                .word("gives", Quantity.volts(gives))
                .word("receiver", worst.receiver().name())
                .word("limits", over ? "survives" : "needs")
                .word("limit", Quantity.volts(limit))
                .word("line", worst.receiver().end().name())
                .word("margin", Quantity.volts(margin(worst)).inMillis())
                .compared(
                        "level at " + worst.receiver().name(),
                        Quantity.volts(gives),
                        Quantity.volts(limit),
                        over || !high,
                        worst.receiver().source())
                .formula("the same comparison as at the usual voltage of the cells, where it holds")
                .source(SOURCE)
                .seenWorking(!over && high && all.stream().allMatch(Levels.Reading::nearlyHigh))
                .remedy("Hold the supply steady with a regulator, or put a level shifter between them.")
                .add();
    }
}
