package izzet.core.plan;

import izzet.core.catalog.Board;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.Controller;
import izzet.core.catalog.Part;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** How a plan takes the version of a board or part that stands on the shelf: what the new version lacks comes off. */
public final class ShelfVersion {

    private ShelfVersion() {}

    /** Empty when the plan has it already, or the shelf has the part no more. */
    public static Optional<PlanEdit> ofPart(Plan plan, PlacedPart placed, Catalog catalog) {
        return catalog.part(placed.part())
                .filter(p -> p.version() != placed.partVersion())
                .map(p -> take(plan, placed, p, catalog));
    }

    private static PlanEdit take(Plan plan, PlacedPart placed, Part part, Catalog catalog) {
        String variant = part.interfaceOf(placed.interfaceId()).isPresent()
                ? placed.interfaceId()
                : part.interfaces().get(0).id();
        Map<String, String> straps = new TreeMap<>();
        placed.straps()
                .forEach((strap, setting) ->
                        part.strap(strap).flatMap(s -> s.setting(setting)).ifPresent(s -> straps.put(strap, setting)));
        List<PlanEdit> edits = new ArrayList<>();
        edits.add(new PlanEdit.SetPartVersion(placed.id(), part.version(), variant, straps));
        edits.addAll(LooseEnds.of(edits.get(0).apply(plan), catalog));
        return new PlanEdit.Together("took version " + part.version() + " of " + placed.name(), edits);
    }

    /** Empty when the plan has it already, or the shelf has the board no more. */
    public static Optional<PlanEdit> ofBoard(Plan plan, Catalog catalog) {
        return catalog.board(plan.board())
                .filter(b -> plan.boardVersion() != null && b.version() != plan.boardVersion())
                .map(b -> take(plan, b));
    }

    private static PlanEdit take(Plan plan, Board board) {
        List<PlanEdit> edits = new ArrayList<>();
        for (Connection c : plan.connections()) {
            if (gone(c.to(), board)) {
                edits.add(new PlanEdit.Disconnect(c.from()));
            }
        }
        for (Resistor r : plan.resistors()) {
            if (gone(r.from(), board) || gone(r.to(), board)) {
                edits.add(new PlanEdit.RemoveResistor(r.id()));
            }
        }
        for (Bus bus : plan.buses()) {
            boolean there = bus.bitBanged()
                    || board.controller(bus.controller())
                            .map(Controller::kind)
                            .filter(k -> k == bus.kind())
                            .isPresent();
            if (!there) {
                edits.add(new PlanEdit.PutBus(new Bus(bus.id(), bus.kind(), bus.name(), null, bus.clockHz())));
            }
        }
        edits.add(new PlanEdit.SetBoardVersion(board.version()));
        return new PlanEdit.Together("took version " + board.version() + " of the board", edits);
    }

    private static boolean gone(Target end, Board board) {
        return end.isPin() && board.pin(end.name()).filter(p -> p.signal()).isEmpty()
                || end.isRail() && board.rail(end.name()).isEmpty();
    }
}
