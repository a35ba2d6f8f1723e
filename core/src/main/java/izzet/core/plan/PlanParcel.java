package izzet.core.plan;

import izzet.core.catalog.Board;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogItem;
import izzet.core.catalog.Part;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A plan with the own items that it is made with, as it travels from one shelf to another.
 *
 * @param boards at most one: the plan's own board
 * @param parts own parts, each version once
 */
public record PlanParcel(Plan plan, List<Board> boards, List<Part> parts) {

    public PlanParcel {
        boards = List.copyOf(boards);
        parts = List.copyOf(parts);
    }

    /** @param own by which id an item is an own one */
    public static PlanParcel of(Plan plan, Catalog catalog, java.util.function.Predicate<String> own) {
        List<Board> boards =
                Optional.of(plan.board()).filter(own).flatMap(id -> catalog.board(id, plan.boardVersion())).stream()
                        .toList();
        List<Part> parts = plan.parts().stream()
                .filter(p -> own.test(p.part()))
                .flatMap(p -> catalog.part(p.part(), p.partVersion()).stream())
                .distinct()
                .toList();
        return new PlanParcel(plan, boards, parts);
    }

    /** In which the plan can be read. */
    public Catalog catalog(Catalog shelf) {
        return shelf.with(boards, parts);
    }

    /** The plan with items as they are called on another shelf; those not named keep their names. */
    public Plan renamed(Map<CatalogItem, CatalogItem> names) {
        Plan renamed =
                plan.withParts(plan.parts().stream().map(p -> renamed(p, names)).toList());
        for (Board board : boards) {
            if (names.get(board) instanceof Board other && plan.board().equals(board.id())) {
                renamed = renamed.withBoard(other.id(), renamed.buses(), renamed.connections(), renamed.resistors())
                        .withBoardVersion(other.version());
            }
        }
        return renamed;
    }

    private PlacedPart renamed(PlacedPart placed, Map<CatalogItem, CatalogItem> names) {
        return parts.stream()
                .filter(p -> p.id().equals(placed.part()) && p.version() == placed.partVersion())
                .map(names::get)
                .filter(java.util.Objects::nonNull)
                .map(other -> placed.withPart(other.id(), other.version(), placed.interfaceId(), placed.straps()))
                .findFirst()
                .orElse(placed);
    }
}
