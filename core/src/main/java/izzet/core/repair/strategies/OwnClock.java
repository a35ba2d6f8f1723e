package izzet.core.repair.strategies;

import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;
import izzet.core.plan.PlanEdit;
import izzet.core.quantity.Quantity;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;

/** Gives the transfers of one part on a shared serial bus a slower clock; the others keep theirs. */
public final class OwnClock implements RepairStrategy {

    @Override
    public String name() {
        return "own-clock";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.CLOCK_TOO_FAST, Trouble.SHIFTER_KIND);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        return Stream.concat(
                        Spots.units(circuit, finding).stream(),
                        Spots.wires(circuit, finding).stream().map(w -> w.unit()))
                .distinct()
                .filter(u -> u.part().spi() != null)
                .flatMap(u -> circuit.busOf(u).stream()
                        .filter(b -> shared(circuit, b, u))
                        .flatMap(b -> clocks(finding, u)
                                .filter(hz -> hz < circuit.clockOf(u, b))
                                .map(hz -> candidate(u, hz))))
                .toList();
    }

    /** Alone on its bus it is the bus that runs slower. */
    private static boolean shared(Circuit circuit, Bus bus, Unit unit) {
        return circuit.units().stream()
                .anyMatch(u -> u != unit
                        && u.part().spi() != null
                        && bus.id().equals(u.placed().bus()));
    }

    /** What the part takes, written to and read from; behind a shifter the usual clocks. */
    private static Stream<Integer> clocks(Finding finding, Unit unit) {
        return finding.trouble() == Trouble.SHIFTER_KIND
                ? SlowerBus.CLOCKS.stream()
                : Stream.of(unit.part().spi().maxWriteHz(), unit.part().spi().maxReadHz())
                        .filter(Objects::nonNull);
    }

    private static Candidate candidate(Unit unit, int hz) {
        String clock = Quantity.hertz(hz).toString();
        return new Candidate(
                unit.id() + "-" + hz,
                "Speak to " + unit.name() + " at " + clock + ", to the others as before",
                new PlanEdit.SetPartClock(unit.id(), hz),
                List.of(),
                List.of("What goes to " + unit.name() + " takes longer."),
                List.of("clock for the transfers of " + unit.name() + ": " + clock));
    }
}
