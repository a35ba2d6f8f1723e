package izzet.core.check.rules.levels;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import java.util.List;
import java.util.stream.Collectors;

/**
 * L10: bare chips want 100 nF between supply and ground beside them; modules have it. One advice for all of a plan. Passes: modules alone.
 */
public final class BypassRule implements Rule {

    @Override
    public String id() {
        return "L10";
    }

    @Override
    public String subject() {
        return "chips have a capacitor at their supply";
    }

    private static final String SOURCE = "Common practice: 100 nF at the supply of every chip";

    @Override
    public void check(Circuit circuit, Findings findings) {
        List<Unit> chips = circuit.units().stream()
                .filter(u -> Boolean.TRUE.equals(u.part().bareChip()))
                .toList();
        if (chips.isEmpty()) {
            return;
        }
        findings.looked(this);
        findings.of(this, Severity.NOTE, "{chips} {want} 100 nF between supply and ground, right beside the chip.")
                .at(new Place("plan", "bypass", "bypass capacitors"))
                .with(chips.stream().map(u -> Place.of(u)).toList())
                .word("chips", chips.stream().map(Unit::name).collect(Collectors.joining(", ")))
                .word("want", chips.size() == 1 ? "wants" : "want")
                .figure("capacitors", chips.size(), SOURCE)
                .source(SOURCE)
                .remedy("Put one beside each; a floating reset or select is the likelier cause of a blank start.")
                .add();
    }
}
