package izzet.core.bench.faults;

import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.levels.WhatIf;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** A supply that does not hold its voltage: thin cable, weak source, tired cells. */
public final class SaggingSupply implements Fault {

    /** Off its nominal voltage. */
    private static final double PERCENT = -25;

    @Override
    public String id() {
        return "sag";
    }

    @Override
    public String name() {
        return "a supply that sags";
    }

    /** Rails that feed a part which asks for more than is left. */
    @Override
    public List<Place> places(Circuit planned) {
        List<Place> places = new ArrayList<>();
        for (Rail rail : WhatIf.rails(planned)) {
            double left = rail.volts() * (1 + PERCENT / 100);
            if (planned.units().stream().anyMatch(u -> starves(planned, u, rail, left))) {
                places.add(new Place(rail.id(), rail.label() + " at " + Quantity.volts(left)));
            }
        }
        return places;
    }

    private static boolean starves(Circuit planned, Unit unit, Rail rail, double left) {
        if (unit.part().supply() == null || unit.part().supply().minVolts() <= left) {
            return false;
        }
        for (Wire wire : planned.wiresOf(unit)) {
            boolean fed = wire.role() == Role.SUPPLY
                    && planned.rail(wire.from())
                            .filter(r -> r.id().equals(rail.id()))
                            .isPresent();
            if (fed) {
                return true;
            }
        }
        return false;
    }

    @Override
    public Desk at(Desk desk, String key) {
        return desk.built(WhatIf.supplies(desk.built(), Map.of(key, PERCENT)));
    }

    @Override
    public int rank() {
        return 6;
    }

    @Override
    public String hint() {
        return "Measure the supply while everything is on, at the part, not at the plug.";
    }

    @Override
    public String explained() {
        return "Below its least voltage a part hangs, resets or shows rubbish. The meter at its own pins tells it; a shorter cable, another source or"
                + " fewer lamps at once cure it.";
    }

    @Override
    public Mend mend() {
        return new Mend("Feed it from a stronger source by a shorter cable.", List.of("one supply"));
    }
}
