package izzet.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.catalog.Board;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.CatalogWriter;
import izzet.core.catalog.Differences;
import izzet.core.catalog.Part;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.circuit.Circuit;
import izzet.core.repair.Repair;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A plan keeps the version that it was made with, and says when the shelf has a newer one. */
class ShelfVersionTest {

    private final Part old = Workbench.CATALOG.part(Workbench.OLED).orElseThrow();
    private final Board board = Workbench.CATALOG.board(Workbench.MCU).orElseThrow();

    private static Part changed(Part part, java.util.function.Consumer<ObjectNode> how) {
        ObjectNode tree = CatalogWriter.tree(part);
        tree.put("version", part.version() + 1);
        how.accept(tree);
        return new CatalogReader().part("changed", CatalogWriter.text(tree));
    }

    private Catalog shelfWith(Part newer) {
        List<Part> parts = new ArrayList<>(Workbench.CATALOG.parts().values());
        parts.removeIf(p -> p.id().equals(newer.id()));
        parts.add(newer);
        return new Catalog(Workbench.CATALOG.boards().values(), parts, List.of(), List.of(old));
    }

    private static List<Finding> versions(Plan plan, Catalog catalog) {
        return Workbench.CHECKER.check(new Circuit(plan, catalog)).findings().stream()
                .filter(f -> f.rule().equals("V1"))
                .toList();
    }

    private final Plan plan = Workbench.mcu().with("sign", Workbench.OLED).plan();

    @Test
    void theOldVersionIsUsedAndTheNewOneTold() {
        Part newer = changed(old, t -> ((ObjectNode) t.get("i2c")).put("maxHz", 100_000));
        Catalog catalog = shelfWith(newer);
        assertThat(new Circuit(plan, catalog).unit("sign").orElseThrow().part()).isEqualTo(old);
        assertThat(versions(plan, Workbench.CATALOG)).isEmpty();
        Finding told = versions(plan, catalog).get(0);
        assertThat(told.sentence()).contains("version " + old.version()).contains("version " + (old.version() + 1));
        assertThat(told.figures()).anySatisfy(f -> {
            assertThat(f.name()).isEqualTo("i2c maxHz");
            assertThat(f.value()).isEqualTo("400000 → 100000");
        });
    }

    @Test
    void theRepairTakesTheNewVersionAndKeepsTheWires() {
        Catalog catalog = shelfWith(changed(old, t -> t.put("summary", "The same, told better.")));
        Circuit circuit = new Circuit(plan, catalog);
        Report report = Workbench.CHECKER.check(circuit);
        Finding told = versions(plan, catalog).get(0);
        List<Repair> repairs = Workbench.REPAIRS.of(circuit, report, told);
        assertThat(repairs).hasSize(1);
        Plan taken = repairs.get(0).edit().apply(plan);
        assertThat(taken.connections()).isEqualTo(plan.connections());
        assertThat(taken.part("sign").orElseThrow().partVersion()).isEqualTo(old.version() + 1);
        assertThat(versions(taken, catalog)).isEmpty();
    }

    @Test
    void linesThatTheNewVersionLacksComeOffAndAllElseStays() {
        Part newer = changed(old, t -> {
            ArrayNode lines = (ArrayNode) t.get("lines");
            for (int i = lines.size() - 1; i >= 0; i--) {
                if (lines.get(i).get("id").asString().equals("SDA")) {
                    ((ObjectNode) lines.get(i)).put("id", "DATA");
                }
            }
            t.remove("pullUps");
        });
        Catalog catalog = shelfWith(newer);
        Plan taken = ShelfVersion.ofPart(plan, plan.part("sign").orElseThrow(), catalog)
                .orElseThrow()
                .apply(plan);
        assertThat(PlanChecks.of(taken, catalog)).isEmpty();
        assertThat(taken.connection(Target.line("sign", "SDA"))).isEmpty();
        assertThat(taken.connection(Target.line("sign", "SCL"))).isPresent();
    }

    @Test
    void aBoardsNewVersionTakesOffWhatItLacks() {
        ObjectNode tree = CatalogWriter.tree(board);
        tree.put("version", 2);
        ArrayNode pins = (ArrayNode) tree.get("pins");
        for (int i = pins.size() - 1; i >= 0; i--) {
            if (pins.get(i).get("id").asString().equals("A4")) {
                pins.remove(i);
            }
        }
        ((ObjectNode) tree.get("current")).remove("groups");
        Board newer = new CatalogReader().board("newer", CatalogWriter.text(tree));
        List<Board> boards = new ArrayList<>(Workbench.CATALOG.boards().values());
        boards.replaceAll(b -> b.id().equals(newer.id()) ? newer : b);
        Catalog catalog = new Catalog(boards, Workbench.CATALOG.parts().values(), List.of(board), List.of());
        Plan made = plan.withBoardVersion(1);
        assertThat(versions(made, catalog)).hasSize(1);
        assertThat(versions(plan, catalog)).isEmpty();
        Plan taken = ShelfVersion.ofBoard(made, catalog).orElseThrow().apply(made);
        assertThat(PlanChecks.of(taken, catalog)).isEmpty();
        assertThat(taken.connection(Target.line("sign", "SDA"))).isEmpty();
        assertThat(taken.connection(Target.line("sign", "SCL"))).isPresent();
        assertThat(taken.boardVersion()).isEqualTo(2);
    }

    @Test
    void aVersionThatIsNotKnownHereIsToldAndCheckedWithTheShelfs() {
        Plan foreign = new PlanEdit.SetPartVersion(
                        "sign", 9, plan.part("sign").orElseThrow().interfaceId(), java.util.Map.of())
                .apply(plan);
        assertThat(versions(foreign, Workbench.CATALOG).get(0).sentence())
                .contains("version 9")
                .contains("not known here");
    }

    @Test
    void anItemOffTheShelfServesThePlansThatHaveIt() {
        List<Part> parts = new ArrayList<>(Workbench.CATALOG.parts().values());
        parts.removeIf(p -> p.id().equals(old.id()));
        Catalog catalog = new Catalog(Workbench.CATALOG.boards().values(), parts, List.of(), List.of(old));
        assertThat(catalog.part(old.id())).isEmpty();
        assertThat(PlanChecks.of(plan, catalog)).isEmpty();
        assertThat(versions(plan, catalog)).isEmpty();
    }

    @Test
    void aLineBetweenOthersIsOneDifference() {
        Part newer = changed(old, t -> {
            ObjectNode line = ((ArrayNode) t.get("lines")).insertObject(1);
            line.put("id", "NC")
                    .put("role", "control")
                    .put("direction", "passive")
                    .put("required", false);
        });
        assertThat(Differences.between(old, newer)).singleElement().satisfies(d -> {
            assertThat(d.place()).isEqualTo("lines NC");
            assertThat(d.before()).isEmpty();
        });
    }
}
