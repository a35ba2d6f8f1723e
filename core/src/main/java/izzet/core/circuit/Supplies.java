package izzet.core.circuit;

import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What each rail feeds and carries; a regulator's load is its input's load, too. Built once for a circuit; immutable. */
public final class Supplies {

    private final Circuit circuit;
    private final List<LampCurrents.Lit> lamps;

    Supplies(Circuit circuit) {
        this.circuit = circuit;
        this.lamps = circuit.lamps();
    }

    /** Parts whose supply hangs on the rail, each once. */
    public List<Unit> fedBy(Rail rail) {
        List<Unit> fed = new ArrayList<>();
        for (Wire wire : circuit.wires()) {
            boolean here = wire.role() == Role.SUPPLY
                    && wire.unit().part().supply() != null
                    && !fed.contains(wire.unit())
                    && circuit.rail(wire.from())
                            .filter(r -> r.id().equals(rail.id()))
                            .isPresent();
            if (here) {
                fed.add(wire.unit());
            }
        }
        return fed;
    }

    /** What the parts on a rail draw, and those behind their own outputs. */
    public double typicalMilliamps(Rail rail) {
        return load(rail, false, new HashSet<>());
    }

    public double mostMilliamps(Rail rail) {
        return load(rail, true, new HashSet<>());
    }

    private double load(Rail rail, boolean most, Set<String> seen) {
        if (!seen.add(rail.id())) {
            return 0;
        }
        double sum = lampMilliamps(rail);
        for (Unit unit : fedBy(rail)) {
            Double own = most
                    ? unit.part().supply().maxMilliamps()
                    : unit.part().supply().typicalMilliamps();
            sum += own == null ? 0 : own;
            for (Wire out : circuit.wiresOf(unit)) {
                Optional<Rail> behind = out.source();
                if (behind.isPresent()) {
                    sum += load(behind.get(), most, seen);
                }
            }
        }
        return sum;
    }

    /** Lamps that hang on the rail itself, through their resistors. */
    private double lampMilliamps(Rail rail) {
        DcModel dc = circuit.dc();
        int node = dc.node(DcModel.endOf(rail));
        double sum = 0;
        for (LampCurrents.Lit lit : lamps) {
            int anode = lit.lamp().a();
            boolean here = dc.pieceAt(anode).stream()
                    .flatMap(p -> p.of(DcModel.Resistance.class).stream())
                    .anyMatch(r -> r.a() == node && r.b() == anode || r.b() == node && r.a() == anode);
            sum += here ? lit.amperes() * 1000 : 0;
        }
        return sum;
    }

    /** Whether a rail has something behind it: a part that gives has its own supply, or needs none. */
    public boolean alive(Rail rail) {
        return alive(rail, new HashSet<>());
    }

    private boolean alive(Rail rail, Set<String> seen) {
        Optional<Wire> output = circuit.wire(DcModel.endOf(rail));
        if (output.isEmpty()) {
            return rail.gives();
        }
        return seen.add(rail.id())
                && circuit.wiresOf(output.get().unit()).stream()
                        .filter(w -> w.role() == Role.SUPPLY)
                        .allMatch(w -> circuit.rail(w.from())
                                .filter(r -> alive(r, seen))
                                .isPresent());
    }
}
