package izzet.core.edit;

import izzet.core.assign.Proposal;
import izzet.core.catalog.Board;
import izzet.core.catalog.Catalog;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.util.List;

/** The plan goes to another board, and what comes loose there is connected anew. */
public final class BoardChoice {

    private BoardChoice() {}

    /** @throws PlanEdit.EditRefused when the catalogue has no such board */
    public static PlanEdit of(Plan plan, Catalog catalog, String boardId) {
        Board board = catalog.board(boardId)
                .orElseThrow(() -> new PlanEdit.EditRefused("The catalogue has no board '" + boardId + "'."));
        PlanEdit choose = new PlanEdit.ChooseBoard(boardId);
        PlanEdit connect = Proposal.of(choose.apply(plan), catalog).edit();
        return new PlanEdit.Together("chose the " + board.name(), List.of(choose, connect));
    }
}
