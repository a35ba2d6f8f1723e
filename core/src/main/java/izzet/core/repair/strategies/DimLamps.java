package izzet.core.repair.strategies;

import izzet.core.calc.PreferredValues;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.levels.LampBench;
import izzet.core.plan.Connection;
import izzet.core.plan.PlanEdit;
import izzet.core.quantity.Quantity;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** Gives lamps larger resistors, so that together they take less from pins and chip. */
public final class DimLamps implements RepairStrategy {

    private static final double[] SHARES = {0.6, 0.3, 0.1};

    @Override
    public String name() {
        return "dim-lamps";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.PIN_CURRENT);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        List<LampBench> lamps = LampBench.of(circuit).stream()
                .filter(l -> l.lit().outputMilliamps() != null)
                .toList();
        List<Candidate> found = new ArrayList<>();
        for (double share : SHARES) {
            List<PlanEdit> edits = new ArrayList<>();
            Set<String> values = new TreeSet<>();
            for (LampBench lamp : lamps) {
                Connection wire = lamp.wire();
                lamp.wanted(share, PreferredValues.E12)
                        .filter(w -> wire.seriesOhms() == null || w.ohms() > wire.seriesOhms())
                        .ifPresent(w -> {
                            edits.add(new PlanEdit.Connect(
                                    new Connection(wire.from(), wire.to(), w.ohms(), wire.pull(), wire.locked())));
                            values.add("resistors of " + Quantity.ohms(w.ohms()));
                        });
            }
            if (!edits.isEmpty()) {
                String title = "Run " + (edits.size() == 1 ? "the lamp" : edits.size() + " lamps") + " at "
                        + Math.round(share * 100) + " % of their current";
                found.add(new Candidate(
                        "to-" + Math.round(share * 100),
                        title,
                        Spots.all(title, edits),
                        List.copyOf(values),
                        List.of("They shine less: a lamp's light goes about with its current."),
                        List.of()));
            }
        }
        return found;
    }
}
