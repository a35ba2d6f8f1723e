package izzet.core.check.rules.levels;

import izzet.core.catalog.Rail;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Supplies;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Quantity;
import java.util.List;

/** L4: the parts on a rail take more than it gives. Passes: two OLEDs on a 400 mA rail. Fails: a 100 mA panel on a 50 mA rail. */
public final class RailBudgetRule implements Rule {

    @Override
    public String id() {
        return "L4";
    }

    @Override
    public String subject() {
        return "rails carry their parts";
    }

    @Override
    public Trouble trouble() {
        return Trouble.RAIL_LOAD;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        Supplies supplies = circuit.supplies();
        for (Rail rail : circuit.rails()) {
            if (!rail.gives() || rail.ground()) {
                continue;
            }
            List<Unit> fed = supplies.fedBy(rail);
            double most = supplies.mostMilliamps(rail);
            double typical = supplies.typicalMilliamps(rail);
            if (most == 0) {
                continue;
            }
            if (rail.limitMilliamps() == null) {
                findings.cannotTell(
                        this, Place.rail(rail.id(), rail.label()), "what the " + rail.label() + " rail can give");
                continue;
            }
            findings.compared(this, Quantity.milliamps(rail.limitMilliamps() - most), rail.label());
            if (most > rail.limitMilliamps()) {
                findings.of(
                                this,
                                typical > rail.limitMilliamps() ? Severity.STOP : Severity.FIX,
                                "The {rail} rail gives {limit}; its parts take up to {most}.")
                        .at(Place.rail(rail.id(), rail.label()))
                        .with(fed.stream().map(Place::of).toList())
                        .word("rail", rail.label())
                        .word("limit", Quantity.milliamps(rail.limitMilliamps()))
                        .word("most", Quantity.milliamps(most))
                        .figure("typical sum", Quantity.milliamps(typical))
                        .figure("largest sum", Quantity.milliamps(most))
                        .figure(
                                "rail limit",
                                Quantity.milliamps(rail.limitMilliamps()),
                                circuit.board().source(rail.source()))
                        .figure("margin", Quantity.milliamps(rail.limitMilliamps() - most))
                        .formula("sum of the parts ≤ limit of the rail")
                        .source(circuit.board().source(rail.source()))
                        .remedy("Feed a part that takes another supply from there, or use a supply of its own.")
                        .add();
            }
        }
    }
}
