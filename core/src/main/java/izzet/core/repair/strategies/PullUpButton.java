package izzet.core.repair.strategies;

import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Connection;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import izzet.core.repair.Candidate;
import izzet.core.repair.RepairStrategy;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** Switches the pin's own pull-up or pull-down on at a button. */
public final class PullUpButton implements RepairStrategy {

    @Override
    public String name() {
        return "internal-pull-up";
    }

    @Override
    public Set<Trouble> mends() {
        return Set.of(Trouble.NO_REST_LEVEL);
    }

    @Override
    public List<Candidate> propose(Circuit circuit, Finding finding) {
        return Spots.wires(circuit, finding).stream()
                .filter(w -> w.to().filter(Target::isPin).isPresent())
                .flatMap(w -> Stream.of(Connection.INTERNAL_UP, Connection.INTERNAL_DOWN)
                        .filter(pull -> has(circuit, w, pull))
                        .map(pull -> candidate(w, pull)))
                .toList();
    }

    private static boolean has(Circuit circuit, Wire wire, String pull) {
        return circuit.board()
                .pin(wire.to().orElseThrow().name())
                .flatMap(p -> circuit.board().pullOhms(p, pull.equals(Connection.INTERNAL_UP)))
                .isPresent();
    }

    private static Candidate candidate(Wire wire, String pull) {
        boolean up = pull.equals(Connection.INTERNAL_UP);
        String word = up ? "pull-up" : "pull-down";
        Connection old = wire.connection();
        return Candidate.coded(
                up ? "" : "down",
                "Switch the board's own " + word + " on at " + wire.label(),
                new PlanEdit.Connect(new Connection(wire.from(), old.to(), old.seriesOhms(), pull)),
                "set the pin of " + wire.label() + " as an input with " + word);
    }
}
