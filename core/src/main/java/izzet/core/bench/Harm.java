package izzet.core.bench;

import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Levels;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** What a desk does to its parts while it has power, beyond what the plan does to them. */
public final class Harm {

    /** For sums of floating point. */
    private static final double MARGIN = 1e-6;

    private Harm() {}

    /** One sentence for each part that gets more than it stands; empty where none does. */
    public static List<String> of(Desk desk) {
        Set<String> planned =
                new LinkedHashSet<>(of(desk.planned()).stream().map(Hurt::owner).toList());
        List<String> told = new ArrayList<>();
        for (Hurt hurt : of(desk.built())) {
            if (planned.add(hurt.owner())) {
                told.add(hurt.words());
            }
        }
        return told;
    }

    private record Hurt(String owner, String words) {}

    private static List<Hurt> of(Circuit circuit) {
        List<Hurt> all = new ArrayList<>();
        for (Unit unit : circuit.units()) {
            for (Wire wire : circuit.wiresOf(unit)) {
                Double most = wire.mostVolts();
                if (wire.role() == Role.SUPPLY && most != null) {
                    circuit.railVolts(wire.from())
                            .filter(v -> v > most + MARGIN)
                            .ifPresent(v -> all.add(new Hurt(
                                    unit.id(),
                                    unit.name() + " gets " + Quantity.volts(v) + " and takes " + Quantity.volts(most)
                                            + " at most")));
                }
            }
        }
        circuit.levels().readings().stream()
                .filter(Levels.Reading::tooHigh)
                .forEach(r -> all.add(new Hurt(
                        r.receiver().owner(),
                        r.receiver().name() + " gets " + Quantity.volts(r.highest()) + " at "
                                + r.receiver().end().name() + " and survives "
                                + Quantity.volts(r.receiver().absMax()))));
        return all;
    }
}
