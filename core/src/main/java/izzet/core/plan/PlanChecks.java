package izzet.core.plan;

import izzet.core.catalog.Board;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.Part;
import izzet.core.quantity.Names;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Whether a plan refers only to things that exist: what a schema cannot say. Not the check of the electronics. */
public final class PlanChecks {

    private final Catalog catalog;
    private final Plan plan;
    private final List<PlanProblem> problems = new ArrayList<>();

    private PlanChecks(Plan plan, Catalog catalog) {
        this.plan = plan;
        this.catalog = catalog;
    }

    /** @return empty when the plan holds together */
    public static List<PlanProblem> of(Plan plan, Catalog catalog) {
        PlanChecks checks = new PlanChecks(plan, catalog);
        checks.all();
        return checks.problems;
    }

    private void all() {
        Optional<Board> board = catalog.board(plan.board(), plan.boardVersion());
        if (board.isEmpty()) {
            add(
                    "/board",
                    "the catalogue has no board '" + plan.board() + "'; known are "
                            + String.join(", ", catalog.boards().keySet()) + ".");
            return;
        }
        readable("/name", plan.name());
        Set<String> ids = new HashSet<>();
        for (int i = 0; i < plan.buses().size(); i++) {
            Bus bus = plan.buses().get(i);
            unique(ids, "/buses/" + i + "/id", bus.id());
            readable("/buses/" + i + "/name", bus.name());
            if (!bus.bitBanged()
                    && board.get().controllersOf(bus.kind()).stream().noneMatch(c -> c.id().equals(bus.controller()))) {
                add(
                        "/buses/" + i + "/controller",
                        "the board has no " + bus.kind().text() + " controller '" + bus.controller() + "'; it has "
                                + board.get().controllersOf(bus.kind()).stream()
                                        .map(c -> c.id())
                                        .toList()
                                + ". Leave it out for a bit-banged bus.");
            }
        }
        for (int i = 0; i < plan.parts().size(); i++) {
            part("/parts/" + i, ids, plan.parts().get(i));
        }
        Set<Set<Target>> wired = new HashSet<>();
        for (int i = 0; i < plan.connections().size(); i++) {
            Connection c = plan.connections().get(i);
            String path = "/connections/" + i;
            if (!c.from().isLine()) {
                add(path + "/from", "a wire starts at a part's line, not at '" + c.from() + "'; swap the ends.");
            }
            end(path + "/from", c.from(), board.get());
            end(path + "/to", c.to(), board.get());
            if (c.from().equals(c.to())) {
                add(path, "the wire leads from '" + c.from() + "' to itself.");
                continue;
            }
            if (!wired.add(Set.of(c.from(), c.to()))) {
                add(path, "'" + c.from() + "' and '" + c.to() + "' are connected twice; keep one.");
            }
        }
        for (int i = 0; i < plan.resistors().size(); i++) {
            Resistor r = plan.resistors().get(i);
            unique(ids, "/resistors/" + i + "/id", r.id());
            end("/resistors/" + i + "/from", r.from(), board.get());
            end("/resistors/" + i + "/to", r.to(), board.get());
        }
    }

    /** Names end up in pages, pictures and tables; none of them can hold control characters or half a character. */
    private void readable(String path, String name) {
        if (!Names.readable(name)) {
            add(path, "the name has a character that cannot be shown; type it again.");
        }
    }

    private void part(String path, Set<String> ids, PlacedPart placed) {
        unique(ids, path + "/id", placed.id());
        readable(path + "/name", placed.name());
        if (placed.id().equals(Target.BOARD) || placed.id().equals(Target.RAIL)) {
            add(path + "/id", "'" + placed.id() + "' is a reserved word; choose another id.");
        }
        Optional<Part> part = catalog.part(placed.part(), placed.partVersion());
        if (part.isEmpty()) {
            add(
                    path + "/part",
                    "the catalogue has no part '" + placed.part() + "'; known are "
                            + String.join(", ", catalog.parts().keySet()) + ".");
            return;
        }
        if (part.get().interfaceOf(placed.interfaceId()).isEmpty()) {
            add(
                    path + "/interface",
                    "the part has no interface '" + placed.interfaceId() + "'; it has "
                            + part.get().interfaces().stream()
                                    .map(Part.Interface::id)
                                    .toList() + ".");
        }
        placed.straps().forEach((strapId, settingId) -> {
            Optional<Part.Strap> strap = part.get().strap(strapId);
            if (strap.isEmpty()) {
                add(
                        path + "/straps/" + strapId,
                        "the part has no such strap; it has "
                                + part.get().straps().stream()
                                        .map(Part.Strap::id)
                                        .toList() + ".");
            } else if (strap.get().setting(settingId).isEmpty()) {
                add(
                        path + "/straps/" + strapId,
                        "the strap has no setting '" + settingId + "'; it has "
                                + strap.get().settings().stream()
                                        .map(Part.Strap.Setting::id)
                                        .toList() + ".");
            }
        });
        if (placed.bus() != null && plan.bus(placed.bus()).isEmpty()) {
            add(path + "/bus", "the plan has no bus '" + placed.bus() + "'; add it to the buses or leave it out.");
        }
    }

    private void end(String path, Target end, Board board) {
        if (end.isPin() && board.pin(end.name()).isEmpty()) {
            add(path, "the board has no pin '" + end.name() + "'; see the board's page for its pins.");
        } else if (end.isPin() && !board.pin(end.name()).orElseThrow().signal()) {
            add(
                    path,
                    "'" + end.name() + "' is a supply pin; write rail:"
                            + board.pin(end.name()).orElseThrow().rail() + ".");
        } else if (end.isRail() && board.rail(end.name()).isEmpty()) {
            add(
                    path,
                    "the board has no rail '" + end.name() + "'; it has "
                            + board.rails().stream().map(r -> r.id()).toList() + ".");
        } else if (end.isLine()) {
            Optional<PlacedPart> placed = plan.part(end.owner());
            if (placed.isEmpty()) {
                add(path, "the plan has no part '" + end.owner() + "'.");
                return;
            }
            catalog.part(placed.get().part(), placed.get().partVersion()).ifPresent(part -> {
                if (part.line(end.name()).isEmpty()) {
                    add(
                            path,
                            "'" + placed.get().name() + "' has no line '" + end.name() + "'; it has "
                                    + part.linesOf(placed.get().interfaceId()).stream()
                                            .map(l -> l.id())
                                            .toList() + ".");
                }
            });
        }
    }

    private void unique(Set<String> ids, String path, String id) {
        if (!ids.add(id)) {
            add(path, "the id '" + id + "' is used twice; ids are unique over parts, buses and resistors.");
        }
    }

    private void add(String path, String message) {
        problems.add(new PlanProblem(0, path, message));
    }
}
