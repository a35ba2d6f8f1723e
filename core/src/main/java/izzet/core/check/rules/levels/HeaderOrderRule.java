package izzet.core.check.rules.levels;

import izzet.core.catalog.Part;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;

/**
 * L15: a module that is sold with supply and ground in either order on its header: the one in hand must be looked at. A note. Passes: modules
 * with one order.
 */
public final class HeaderOrderRule implements Rule {

    @Override
    public String id() {
        return "L15";
    }

    @Override
    public String subject() {
        return "supply and ground order of look-alikes";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            String other = unit.part().kin().get("other-header");
            if (other == null) {
                continue;
            }
            findings.looked(this);
            findings.of(
                            this,
                            Severity.NOTE,
                            "{part} is sold with the other order of supply and ground, too: read the print on yours before power goes on.")
                    .at(Place.of(unit))
                    .word("part", unit.name())
                    .figure("order here", unit.part().headerLabels())
                    .figure(
                            "other order",
                            circuit.catalog()
                                    .part(other)
                                    .map(Part::headerLabels)
                                    .orElse("another"))
                    .source("Common practice: two orders are sold")
                    .remedy("Choose the item of the shelf that has the order of yours.")
                    .add();
        }
    }
}
