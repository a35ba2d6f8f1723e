package izzet.core.check.rules.levels;

import izzet.core.catalog.Part;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Listed;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.stream.Collectors;

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
        circuit.units().stream()
                .filter(u -> u.part().kin().containsKey("other-header"))
                .collect(Collectors.groupingBy(u -> u.part().id(), LinkedHashMap::new, Collectors.toList()))
                .values()
                .forEach(twins -> told(circuit, findings, twins));
    }

    private void told(Circuit circuit, Findings findings, List<Unit> twins) {
        Part part = twins.get(0).part();
        findings.looked(this);
        findings.of(
                        this,
                        Severity.NOTE,
                        "{parts} {are} sold with the other order of supply and ground, too: read the print on {yours} before power goes on.")
                .at(twins.stream().map(Place::of).toList())
                .word("parts", twins.stream().map(Unit::name).collect(Listed.and()))
                .word("are", twins.size() == 1 ? "is" : "are")
                .word("yours", twins.size() == 1 ? "yours" : "each of yours")
                .figure("order here", part.headerLabels())
                .figure(
                        "other order",
                        circuit.catalog()
                                .part(part.kin().get("other-header"))
                                .map(Part::headerLabels)
                                .orElse("another"))
                .source("Common practice: two orders are sold")
                .remedy("Choose the item of the shelf that has the order of yours.")
                .add();
    }
}
