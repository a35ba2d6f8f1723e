package izzet.core.bench.faults;

import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.bench.Rewired;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.JoinedNet;
import izzet.core.levels.WhatIf;
import izzet.core.plan.Plan;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** Pull-ups of a 2-wire bus that lead to a higher rail: a resistor in the wrong row, or a module with its own fed from there. */
public final class PullUpsTooHigh implements Fault {

    @Override
    public String id() {
        return "pull-ups-high";
    }

    @Override
    public String name() {
        return "pull-ups to the higher supply";
    }

    /** What pulls up: plan resistors by their id, modules by their part's; each where its rail is not the highest. */
    @Override
    public List<Place> places(Circuit planned) {
        Optional<Rail> high = highest(planned);
        if (high.isEmpty()) {
            return List.of();
        }
        Set<String> keys = new TreeSet<>();
        List<Place> places = new ArrayList<>();
        for (JoinedNet joined : planned.joinedNets()) {
            for (var side : joined.sides()) {
                for (JoinedNet.Fitted fitted : JoinedNet.fittedOn(planned, side)) {
                    if (fitted.resistor() != null
                            && low(planned, fitted.resistor(), high.get())
                            && keys.add("resistors")) {
                        places.add(new Place(
                                "resistors",
                                "the resistors of the bus, in the " + high.get().label() + " row"));
                    }
                    Optional.ofNullable(fitted.unit())
                            .flatMap(planned::unit)
                            .filter(u -> u.part().supply() != null
                                    && u.part().supply().maxVolts()
                                            >= high.get().volts())
                            .filter(u -> u.part().logicVolts() == null)
                            .filter(u -> planned.wire(u, Role.SUPPLY)
                                    .flatMap(w -> planned.rail(w.from()))
                                    .filter(r -> !r.ground()
                                            && r.volts() < high.get().volts())
                                    .isPresent())
                            .filter(u -> keys.add(u.id()))
                            .ifPresent(u -> places.add(new Place(
                                    u.id(),
                                    u.name() + ", which has pull-ups, fed from "
                                            + high.get().label())));
                }
            }
        }
        return places;
    }

    private static Optional<Rail> highest(Circuit circuit) {
        return WhatIf.rails(circuit).stream().max(Comparator.comparingDouble(Rail::volts));
    }

    private static boolean low(Circuit circuit, String resistor, Rail high) {
        return circuit.resistors().stream()
                .filter(r -> r.id().equals(resistor))
                .flatMap(r -> java.util.stream.Stream.of(r.from(), r.to()))
                .flatMap(end -> circuit.rail(end).stream())
                .anyMatch(r -> !r.ground() && r.volts() < high.volts());
    }

    @Override
    public Desk at(Desk desk, String key) {
        Circuit built = desk.built();
        Plan plan = built.plan();
        Target high = Target.rail(highest(built).orElseThrow().id());
        if (!key.equals("resistors")) {
            Target supply = built.unit(key)
                    .flatMap(u -> built.wire(u, Role.SUPPLY))
                    .orElseThrow()
                    .from();
            return desk.built(Rewired.wires(plan, c -> Rewired.of(c, supply) ? Rewired.to(c, supply, high) : c));
        }
        Set<String> moved = built.joinedNets().stream()
                .flatMap(j -> j.sides().stream())
                .flatMap(side -> JoinedNet.fittedOn(built, side).stream())
                .map(JoinedNet.Fitted::resistor)
                .filter(Objects::nonNull)
                .collect(Collectors.toSet());
        return desk.built(plan.withResistors(plan.resistors().stream()
                .map(r -> moved.contains(r.id())
                        ? new Resistor(r.id(), raised(built, r.from(), high), raised(built, r.to(), high), r.ohms())
                        : r)
                .toList()));
    }

    private static Target raised(Circuit built, Target end, Target high) {
        return built.rail(end).filter(r -> !r.ground()).isPresent() ? high : end;
    }

    @Override
    public int rank() {
        return 7;
    }

    @Override
    public String hint() {
        return "It works. Measure the bus lines against ground before it does not any more.";
    }

    @Override
    public String explained() {
        return "Everything answers, and the board's pins get more than they stand: some live for years, some for a day. Only the meter tells.";
    }

    @Override
    public Mend mend() {
        return new Mend("Move the pull-ups to the rail of the board's level.", List.of());
    }
}
