package izzet.core.bench.faults;

import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.catalog.Rail;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.DcModel;
import izzet.core.levels.WhatIf;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Two supplies on one row: a stray wire joins a lower rail to a higher one, and the stronger source wins. */
public final class TwoSupplies implements Fault {

    /** Of the wire between them. */
    private static final double WIRE_OHMS = 0.05;

    @Override
    public String id() {
        return "two-supplies";
    }

    @Override
    public String name() {
        return "two supplies on one row";
    }

    /** Pairs of rails that the plan uses; the lower one feeds a part. */
    @Override
    public List<Place> places(Circuit planned) {
        List<Place> places = new ArrayList<>();
        List<Rail> rails = WhatIf.rails(planned).stream()
                .filter(r -> planned.netOf(DcModel.endOf(r)).isPresent())
                .toList();
        for (Rail low : rails) {
            boolean feeds = !planned.supplies().fedBy(low).isEmpty();
            for (Rail high : rails) {
                if (feeds && low.volts() < high.volts()) {
                    places.add(new Place(low.id() + "," + high.id(), low.label() + " and " + high.label()));
                }
            }
        }
        return places;
    }

    @Override
    public Desk at(Desk desk, String key) {
        Circuit built = desk.built();
        String[] ids = key.split(",");
        Rail low = rail(built, ids[0]);
        Rail high = rail(built, ids[1]);
        Resistor wire = new Resistor(built.plan().freeId("stray"), DcModel.endOf(low), DcModel.endOf(high), WIRE_OHMS);
        Circuit joined = new Circuit(new PlanEdit.AddResistor(wire).apply(built.plan()), built.catalog());
        return desk.built(WhatIf.supplies(joined, Map.of(low.id(), (high.volts() / low.volts() - 1) * 100)));
    }

    private static Rail rail(Circuit circuit, String id) {
        return WhatIf.rails(circuit).stream()
                .filter(r -> r.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("The board has no supply '" + id + "'."));
    }

    @Override
    public int rank() {
        return 7;
    }

    @Override
    public String hint() {
        return "Unplug everything and look for a beep between the supply rows before anything else.";
    }

    @Override
    public String explained() {
        return "Two sources on one row fight: the stronger lifts the weaker, and what hangs on the lower row gets more than it stands. Ohms between the"
                + " rows tell it with everything unplugged; with power on each look costs a part.";
    }

    @Override
    public Mend mend() {
        return new Mend("Switch off and take one of the two supplies off the row.", List.of());
    }
}
