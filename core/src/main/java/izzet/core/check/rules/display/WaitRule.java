package izzet.core.check.rules.display;

import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Listed;
import izzet.core.quantity.Quantity;
import java.util.Comparator;
import java.util.List;

/**
 * D5: what each display needs to be left alone for after its reset, and which of them no pin resets. A note. Passes: a display
 * whose waits are not known. Tells: a panel of 120 ms, whose reset hangs on the supply.
 */
public final class WaitRule implements Rule {

    private static final double MILLI = 1e-3;

    @Override
    public String id() {
        return "D5";
    }

    @Override
    public String subject() {
        return "waits after reset";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        List<Unit> waiting = circuit.units().stream()
                .filter(u -> u.part().glass() != null && u.part().glass().resetMillis() != null)
                .toList();
        if (waiting.isEmpty()) {
            return;
        }
        findings.looked(this);
        Unit longest = waiting.stream()
                .max(Comparator.comparing(u -> u.part().glass().resetMillis()))
                .orElseThrow();
        List<Unit> without =
                waiting.stream().filter(u -> neverReset(circuit, u)).toList();
        Findings.Draft draft = findings.of(
                        this,
                        Severity.NOTE,
                        without.isEmpty()
                                ? "{part} takes nothing for {wait} after its supply or reset comes."
                                : "{part} takes nothing for {wait} after its supply or reset comes; no pin resets {without}.")
                .at(new Place("plan", "waits", "the start"))
                .with(waiting.stream().map(u -> Place.of(u)).toList())
                .word("part", longest.name())
                .word("wait", millis(longest.part().glass().resetMillis()))
                .word("without", without.stream().map(Unit::name).collect(Listed.and()));
        for (Unit unit : waiting) {
            Part.Glass glass = unit.part().glass();
            String source = unit.part().source(glass.source());
            draft.figure(unit.name() + ", after reset", millis(glass.resetMillis()), source);
            if (glass.wakeMillis() != null) {
                draft.figure(unit.name() + ", after waking", millis(glass.wakeMillis()), source);
            }
        }
        draft.source(longest.part().source(longest.part().glass().source()))
                .remedy("Wait that long in the program before the first command, where its library does not.")
                .add();
    }

    private static Quantity millis(int value) {
        return Quantity.seconds(value * MILLI);
    }

    /** Whether no pin moves its reset line: tied to a supply, also over a resistor, or to a button alone. */
    private static boolean neverReset(Circuit circuit, Unit unit) {
        return circuit.wire(unit, Role.RESET)
                .filter(w -> circuit.reach(w.from()).isEmpty())
                .isPresent();
    }
}
