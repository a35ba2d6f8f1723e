package izzet.core.repair.strategies;

import izzet.core.catalog.Part;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.PlanEdit;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Sets a part's strap for the interface that the plan uses. */
public final class SetInterfaceStrap implements RepairStrategy {

    @Override
    public String name() {
        return "interface-strap";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.INTERFACE_STRAP);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        List<Candidate> found = new ArrayList<>();
        for (Unit unit : circuit.units()) {
            if (!finding.about("part", unit.id())) {
                continue;
            }
            for (Part.Strap strap : unit.part().straps()) {
                for (Part.Strap.Setting setting : strap.settings()) {
                    if (unit.placed().interfaceId().equals(setting.interfaceId())) {
                        found.add(Candidate.plain(
                                strap.id() + "-" + setting.id(),
                                "Set the " + strap.name() + " of " + unit.name() + " to " + setting.name(),
                                new PlanEdit.SetStrap(unit.id(), strap.id(), setting.id())));
                    }
                }
            }
        }
        return found;
    }
}
