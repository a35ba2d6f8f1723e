package izzet.core.levels;

import izzet.core.catalog.Board;
import izzet.core.catalog.Rail;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.util.List;
import java.util.Map;

/** A plan under other circumstances; nothing of it is changed. */
public final class WhatIf {

    private WhatIf() {}

    /** Rails of the board whose voltage could be another, each as its label says. */
    public static List<Rail> rails(Circuit circuit) {
        return circuit.board().rails().stream()
                .filter(r -> r.gives() && !r.ground())
                .toList();
    }

    /**
     * With rails of the board away from their nominal voltage.
     *
     * @param percent by rail id; 0 for as it is
     */
    public static Circuit supplies(Circuit circuit, Map<String, Double> percent) {
        Board board = circuit.board();
        for (Rail rail : rails(circuit)) {
            double off = percent.getOrDefault(rail.id(), 0.0);
            if (off != 0) {
                board = board.withRailAt(rail.id(), rail.volts() * (1 + off / 100));
            }
        }
        Plan plan = new PlanEdit.SetBoardVersion(board.version()).apply(circuit.plan());
        return new Circuit(plan, circuit.catalog().with(List.of(board), List.of()));
    }
}
