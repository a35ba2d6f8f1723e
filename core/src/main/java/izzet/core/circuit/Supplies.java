package izzet.core.circuit;

import izzet.core.catalog.Part;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** What each rail feeds and carries; a regulator's load is its input's load, too. Built once for a circuit; immutable. */
public final class Supplies {

    private final Circuit circuit;
    private final List<LampCurrents.Lit> lamps;
    private final Map<String, List<Unit>> fed = new ConcurrentHashMap<>();
    private final Map<String, List<Draw>> drawn = new ConcurrentHashMap<>();

    Supplies(Circuit circuit) {
        this.circuit = circuit;
        this.lamps = circuit.lamps();
    }

    /** Parts whose supply hangs on the rail, each once. */
    public List<Unit> fedBy(Rail rail) {
        return fed.computeIfAbsent(rail.id(), id -> findFedBy(rail));
    }

    private List<Unit> findFedBy(Rail rail) {
        Set<Unit> fed = new LinkedHashSet<>();
        for (Wire wire : circuit.wires()) {
            boolean here = wire.role() == Role.SUPPLY
                    && wire.unit().part().supply() != null
                    && circuit.rail(wire.from())
                            .filter(r -> r.id().equals(rail.id()))
                            .isPresent();
            if (here) {
                fed.add(wire.unit());
            }
        }
        return List.copyOf(fed);
    }

    /** What the parts on a rail draw, and those behind their own outputs. */
    public double typicalMilliamps(Rail rail) {
        return load(rail, false, new HashSet<>());
    }

    public double mostMilliamps(Rail rail) {
        return load(rail, true, new HashSet<>());
    }

    /**
     * One thing on a rail.
     *
     * @param behind rails that it gives in its turn, whose load comes on top
     * @param most in milliamperes, typical likewise; of the thing itself
     */
    public record Draw(Unit unit, boolean lamp, double typical, double most, List<Rail> behind) {

        /** Whether its data tell no draw. */
        public boolean unknown() {
            return !lamp && behind.isEmpty() && typical == 0 && most == 0;
        }
    }

    /** What hangs on a rail by its supply, and lamps on the rail itself, in the order of the plan. */
    public List<Draw> draws(Rail rail) {
        return drawn.computeIfAbsent(rail.id(), id -> findDraws(rail));
    }

    private List<Draw> findDraws(Rail rail) {
        List<Draw> draws = new ArrayList<>();
        for (Unit unit : fedBy(rail)) {
            Double typical = unit.part().supply().typicalMilliamps();
            Double most = unit.part().supply().maxMilliamps();
            List<Rail> behind = circuit.wiresOf(unit).stream()
                    .flatMap(w -> w.source().stream())
                    .toList();
            draws.add(new Draw(unit, false, typical == null ? 0 : typical, most == null ? 0 : most, behind));
        }
        draws.addAll(lampsOn(rail));
        return List.copyOf(draws);
    }

    private double load(Rail rail, boolean most, Set<String> seen) {
        if (!seen.add(rail.id())) {
            return 0;
        }
        double sum = 0;
        for (Draw draw : draws(rail)) {
            sum += most ? draw.most() : draw.typical();
            for (Rail behind : draw.behind()) {
                sum += load(behind, most, seen);
            }
        }
        return sum;
    }

    /** Lamps that hang on the rail itself, through their resistors. */
    private List<Draw> lampsOn(Rail rail) {
        DcModel dc = circuit.dc();
        int node = dc.node(DcModel.endOf(rail));
        List<Draw> draws = new ArrayList<>();
        for (LampCurrents.Lit lit : lamps) {
            int anode = lit.lamp().a();
            boolean here = dc.pieceAt(anode).stream()
                    .flatMap(p -> p.of(DcModel.Resistance.class).stream())
                    .anyMatch(r -> r.a() == node && r.b() == anode || r.b() == node && r.a() == anode);
            if (here) {
                double milliamps = lit.amperes() * 1000;
                draws.add(new Draw(lit.lamp().unit(), true, milliamps, milliamps, List.of()));
            }
        }
        return draws;
    }

    /**
     * What the parts take whose supply, or whose ground, hangs on one pin.
     *
     * @param milliamps at most, as far as their data tell it
     * @param known whether all of them tell it
     * @param passesOn whether one of them gives a supply to others
     */
    public record PinLoad(double milliamps, boolean known, boolean passesOn) {}

    /** What flows through the pin under a supply or a ground line, once the program has set it. */
    public PinLoad loadOfPin(Wire wire) {
        double all = 0;
        boolean known = true;
        boolean passesOn = false;
        for (Wire fed : wire.net().orElseThrow().wires()) {
            if (fed.role() == wire.role()) {
                Part.Supply supply = fed.unit().part().supply();
                boolean told = supply != null && supply.maxMilliamps() != null;
                known &= told;
                all += told ? supply.maxMilliamps() : 0;
                passesOn |= circuit.wiresOf(fed.unit()).stream().anyMatch(w -> w.role() == Role.SOURCE);
            }
        }
        return new PinLoad(all, known, passesOn);
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
