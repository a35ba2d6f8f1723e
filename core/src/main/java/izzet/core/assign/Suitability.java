package izzet.core.assign;

import izzet.core.catalog.Board;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Whether a board has what a part needs, when nothing else is on it: a rail for each supply and a pin for each line.
 *
 * @param plan the part alone on the board, connected as far as it can be
 * @param pins of the board that it takes
 * @param missing what the board lacks, for people; empty when it suits
 */
public record Suitability(Plan plan, int pins, List<String> missing) {

    private static final String ONLY = "it";

    public Suitability {
        missing = List.copyOf(missing);
    }

    public static Suitability of(Board board, Part part, String interfaceId, Catalog catalog) {
        Plan added = new PlanEdit.AddPart(new PlacedPart(
                        ONLY, part.id(), part.version(), part.shortName(), interfaceId, Map.of(), null, null))
                .apply(Plan.empty(part.name(), board.id()));
        Proposal proposal = Proposal.of(added, catalog, ONLY);
        Plan plan = proposal.edit().apply(added);
        Circuit circuit = new Circuit(plan, catalog);
        List<String> missing = new ArrayList<>();
        for (Wire wire : circuit.wires()) {
            boolean open =
                    wire.line().required() && !wire.connected() && wire.net().isEmpty();
            if (open && wire.role() == Role.SUPPLY) {
                missing.add("no rail for " + wire.line().id());
            } else if (open) {
                missing.add("no pin for " + wire.line().id());
            }
        }
        int pins = board.signalPins().size()
                - (int) board.signalPins().stream()
                        .filter(p -> circuit.usersOf(p).isEmpty())
                        .count();
        return new Suitability(plan, pins, missing);
    }

    public boolean suits() {
        return missing.isEmpty();
    }
}
