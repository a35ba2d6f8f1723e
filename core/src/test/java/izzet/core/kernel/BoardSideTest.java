package izzet.core.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.CatalogWriter;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ObjectNode;

class BoardSideTest {

    private static BoardSide side(String part, String way, String buses, Catalog catalog) {
        Plan plan = new PlanDocument()
                .read(
                        """
                        {"format": "izzet-plan", "version": 1, "name": "Weir Hall", "board": "sbc-40-pin",
                         "parts": [{"id": "map", "part": "%s", "partVersion": 3, "name": "Line map", "interface": "%s", "bus": "d"}],
                         "buses": [{"id": "d", "kind": "rgb", "name": "pixel bus", "controller": "dpi", "clockHz": 33300000}%s],
                         "connections": []}
                        """
                                .formatted(part, way, buses),
                        catalog);
        return BoardSide.of(new Circuit(plan, catalog));
    }

    private static List<String> lines(String part, String way) {
        return side(part, way, "", Workbench.CATALOG).lines();
    }

    /** Pictures, blanking and pulses come to the totals of the panel: 800 + 210 + 20 + 26 = 1056, 480 + 22 + 10 + 13 = 525. */
    @Test
    void aPanelWithoutMemoryGetsItsTimes() {
        assertThat(lines("rgb-800x480", "rgb-18"))
                .containsExactly(
                        "dtoverlay=vc4-kms-dpi-generic",
                        "dtparam=clock-frequency=33300000,rgb666",
                        "dtparam=hactive=800,hfp=210,hsync=20,hbp=26",
                        "dtparam=vactive=480,vfp=22,vsync=10,vbp=13");
        assertThat(lines("rgb-480x272", "rgb-16"))
                .contains("dtparam=hactive=480,hfp=2,hsync=41,hbp=2", "dtparam=vactive=272,vfp=2,vsync=10,vbp=2");
    }

    /** Lines behind the name of an overlay would be taken for its own. */
    @Test
    void overlaysComeBehindWhatBelongsToTheBoard() {
        String i2c =
                ",{\"id\": \"i\", \"kind\": \"i2c\", \"name\": \"I2C bus\", \"controller\": \"i2c1\", \"clockHz\": 400000}";
        assertThat(side("rgb-480x272", "rgb-16", i2c, Workbench.CATALOG).lines())
                .startsWith("dtparam=i2c_arm=on", "dtparam=i2c_arm_baudrate=400000", "dtoverlay=vc4-kms-dpi-generic");
    }

    @Test
    void aPanelWhoseTimesNobodyToldGetsNoLinesButAStep() {
        ObjectNode file =
                CatalogWriter.tree(Workbench.CATALOG.part("rgb-800x480").orElseThrow());
        ((ObjectNode) file.get("pixelBus")).remove(List.of("frontColumns", "syncColumns", "frontRows", "syncRows"));
        Catalog catalog = new Catalog(
                Workbench.CATALOG.boards().values(),
                List.of(new CatalogReader().part("untold", CatalogWriter.text(file))));
        BoardSide side = side("rgb-800x480", "rgb-18", "", catalog);
        assertThat(side.lines()).isEmpty();
        assertThat(side.steps()).extracting(BoardSide.Step::what).anySatisfy(w -> assertThat(w)
                .contains("times of the panel"));
    }

    @Test
    void moreThanTheBlankingOrAPartOfItIsAFaultOfTheFile() {
        ObjectNode file =
                CatalogWriter.tree(Workbench.CATALOG.part("rgb-800x480").orElseThrow());
        ((ObjectNode) file.get("pixelBus")).put("frontColumns", 240);
        assertThat(new CatalogReader().faultsOfPart(file)).singleElement().satisfies(f -> assertThat(f.pointer())
                .isEqualTo("/pixelBus/frontColumns"));
        ObjectNode bus = (ObjectNode) file.get("pixelBus");
        bus.put("frontColumns", 210);
        bus.remove("syncRows");
        assertThat(new CatalogReader().faultsOfPart(file)).singleElement().satisfies(f -> {
            assertThat(f.pointer()).isEqualTo("/pixelBus/syncRows");
            assertThat(f.message()).contains("go together");
        });
    }
}
