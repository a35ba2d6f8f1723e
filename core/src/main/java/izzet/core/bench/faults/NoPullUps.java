package izzet.core.bench.faults;

import izzet.core.bench.Desk;
import izzet.core.bench.Fault;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.JoinedNet;
import izzet.core.plan.Plan;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;

/** A 2-wire bus without any pull-up. */
public final class NoPullUps implements Fault {

    @Override
    public String id() {
        return "pull-ups";
    }

    @Override
    public String name() {
        return "no pull-ups on the bus";
    }

    private static Set<String> resistors(Circuit circuit) {
        return circuit.joinedNets().stream()
                .flatMap(j -> j.sides().stream())
                .flatMap(side -> JoinedNet.fittedOn(circuit, side).stream())
                .map(JoinedNet.Fitted::resistor)
                .filter(Objects::nonNull)
                .collect(Collectors.toSet());
    }

    @Override
    public List<Place> places(Circuit planned) {
        return planned.joinedNets().isEmpty() ? List.of() : List.of(new Place("", "all 2-wire buses"));
    }

    @Override
    public Desk at(Desk desk, String key) {
        Set<String> gone = resistors(desk.built());
        Plan plan = desk.built().plan();
        return desk.built(plan.withResistors(plan.resistors().stream()
                        .filter(r -> !gone.contains(r.id()))
                        .toList()))
                .with(Desk.Condition.WITHOUT_FITTED_PULL_UPS);
    }

    @Override
    public int rank() {
        return 3;
    }

    @Override
    public String hint() {
        return "Measure the bus lines against ground while nothing is sent.";
    }

    @Override
    public String explained() {
        return "Nothing brings the lines up: both stay near 0 V, and nobody answers. The meter shows it at once.";
    }

    @Override
    public Mend mend() {
        return new Mend(
                "Put a resistor from each line of the bus to its supply.",
                List.of("one resistor of 4.7 kΩ", "one resistor of 4.7 kΩ"));
    }
}
