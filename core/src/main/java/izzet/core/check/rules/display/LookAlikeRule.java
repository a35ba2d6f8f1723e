package izzet.core.check.rules.display;

import izzet.core.catalog.Part;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Counts;

/**
 * D2: a display whose controller has more columns or rows than its glass shows, so that a program for its look-alike draws beside the glass.
 * A note with the offsets. Passes: 128 columns of 128.
 */
public final class LookAlikeRule implements Rule {

    @Override
    public String id() {
        return "D2";
    }

    @Override
    public String subject() {
        return "glass and memory of each display";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            Part.Glass glass = unit.part().glass();
            if (glass == null || glass.memoryColumns() == null) {
                continue;
            }
            findings.looked(this);
            int columns = glass.offsetColumns() == null ? 0 : glass.offsetColumns();
            int rows = glass.offsetRows() == null ? 0 : glass.offsetRows();
            if (columns + rows > 0) {
                findings.of(
                                this,
                                Severity.NOTE,
                                "{part} shows {shown} of its controller's {memory} columns: its picture begins {offset}.")
                        .at(Place.of(unit))
                        .word("part", unit.name())
                        .word("shown", glass.columns())
                        .word("memory", glass.memoryColumns())
                        .word("offset", Counts.of(columns, "column") + " and " + Counts.of(rows, "row") + " in")
                        .figure("column offset", columns)
                        .figure("row offset", rows)
                        .source(unit.part().source(glass.source()))
                        .remedy(
                                "Choose controller and offsets in the program for this very glass; a strip of noise at an edge means the other one.")
                        .add();
            }
        }
    }
}
