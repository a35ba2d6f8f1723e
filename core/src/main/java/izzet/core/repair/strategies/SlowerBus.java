package izzet.core.repair.strategies;

import izzet.core.check.Finding;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Bus;
import izzet.core.plan.PlanEdit;
import izzet.core.quantity.Quantity;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** Runs a 2-wire bus at a slower standard clock. */
public final class SlowerBus implements RepairStrategy {

    private static final List<Integer> CLOCKS = List.of(400_000, 100_000, 50_000);

    @Override
    public String name() {
        return "slower";
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        if (!Set.of("I4", "I5").contains(finding.rule())) {
            return List.of();
        }
        return finding.places().stream()
                .filter(p -> p.kind().equals("bus"))
                .flatMap(p -> circuit.plan().bus(p.id()).stream())
                .flatMap(SlowerBus::candidates)
                .toList();
    }

    private static Stream<Candidate> candidates(Bus bus) {
        return CLOCKS.stream().filter(hz -> hz < bus.clockHz()).map(hz -> {
            String clock = Quantity.hertz(hz).toString();
            return new Candidate(
                    String.valueOf(hz),
                    "Run " + bus.name() + " at " + clock,
                    new PlanEdit.PutBus(new Bus(bus.id(), bus.kind(), bus.name(), bus.controller(), hz)),
                    List.of(),
                    List.of("Everything on the bus takes longer."),
                    List.of("bus clock: " + clock));
        });
    }
}
