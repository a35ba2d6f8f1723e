package izzet.core.check.rules.parallel;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Quantity;

/**
 * W4: how fast the board's program can write to a port against the shortest write cycle of a parallel display. Passes: a write each 1.25 µs
 * to a display that takes one in 500 ns. Told: a write each 40 ns to the same.
 */
public final class WriteCycleRule implements Rule {

    @Override
    public String id() {
        return "W4";
    }

    @Override
    public String subject() {
        return "writes are no faster than the display takes them";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        Integer board = circuit.board().writeNanos();
        for (Unit unit : circuit.units()) {
            Integer cycle = unit.variant().cycleNanos();
            if (cycle == null || board == null || unit.variant().bus() != null) {
                continue;
            }
            findings.compared(this, Quantity.seconds((board - cycle) * 1e-9), unit.name());
            if (board < cycle) {
                findings.of(
                                this,
                                Severity.NOTE,
                                "{part} takes a write in {cycle}; this board's program can write every {board} and must"
                                        + " wait in between.")
                        .at(Place.of(unit))
                        .word("part", unit.name())
                        .word("cycle", Quantity.seconds(cycle * 1e-9))
                        .word("board", Quantity.seconds(board * 1e-9))
                        .compared(
                                "write cycle",
                                Quantity.seconds(board * 1e-9),
                                Quantity.seconds(cycle * 1e-9),
                                false,
                                unit.part().source("sheet"))
                        .formula("write cycle of the program ≥ write cycle of the display")
                        .source(unit.part().source("sheet"))
                        .remedy("Take a library that waits, or one made for this board; check the strobe's width too.")
                        .add();
            }
        }
    }
}
