package izzet.core.repair.strategies;

import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Bus;
import izzet.core.plan.PlanEdit;
import izzet.core.quantity.Quantity;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** Runs a bus at a slower usual clock, or a pixel bus at the clock of its panel. */
public final class SlowerBus implements RepairStrategy {

    static final List<Integer> CLOCKS =
            List.of(40_000_000, 20_000_000, 10_000_000, 4_000_000, 2_000_000, 1_000_000, 400_000, 100_000, 50_000);

    private static final int PICTURES = 60;

    @Override
    public String name() {
        return "slower";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.PULL_UPS, Trouble.CLOCK_TOO_FAST, Trouble.SHIFTER_KIND, Trouble.PIXEL_CLOCK);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        if (finding.trouble() == Trouble.PIXEL_CLOCK) {
            return pixelBus(circuit, finding);
        }
        return finding.places().stream()
                .filter(p -> p.kind().equals("bus"))
                .flatMap(p -> circuit.plan().bus(p.id()).stream())
                .flatMap(SlowerBus::candidates)
                .toList();
    }

    private static Stream<Candidate> candidates(Bus bus) {
        return CLOCKS.stream()
                .filter(hz -> hz < bus.clockHz())
                .map(hz -> candidate(bus, hz, List.of("Everything on the bus takes longer.")));
    }

    private static List<Candidate> pixelBus(Circuit circuit, Finding finding) {
        return circuit.units().stream()
                .filter(u -> finding.about("part", u.id()) && u.part().pixelBus() != null)
                .flatMap(u ->
                        circuit
                                .busOf(u)
                                .map(b -> candidate(b, (int) u.part().pixelBus().hertz(PICTURES), List.of()))
                                .stream())
                .toList();
    }

    private static Candidate candidate(Bus bus, int hz, List<String> limits) {
        String clock = Quantity.hertz(hz).toString();
        return new Candidate(
                String.valueOf(hz),
                "Run " + bus.name() + " at " + clock,
                new PlanEdit.PutBus(new Bus(bus.id(), bus.kind(), bus.name(), bus.controller(), hz)),
                List.of(),
                limits,
                List.of("bus clock: " + clock));
    }
}
