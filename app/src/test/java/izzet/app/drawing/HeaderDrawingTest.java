package izzet.app.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.catalog.Board;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.CatalogWriter;
import izzet.core.catalog.Part;
import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

class HeaderDrawingTest {

    private static final Catalog CATALOG = CatalogReader.shipped();

    private static List<String> side(String board, String side) {
        return HeaderDrawing.of(CATALOG.board(board).orElseThrow()).holes().stream()
                .filter(h -> h.side().equals(side))
                .sorted(Comparator.comparingInt(HeaderDrawing.Hole::y))
                .map(HeaderDrawing.Hole::place)
                .toList();
    }

    @Test
    void aChipsNumbersRunRoundIt() {
        assertThat(side("mcu-8bit-bare-28", "left")).startsWith("1", "2").endsWith("14");
        assertThat(side("mcu-8bit-bare-28", "right")).startsWith("28", "27").endsWith("15");
    }

    @Test
    void theBoardWithFortyPlacesHasOddOnTheLeft() {
        assertThat(side("sbc-40-pin", "left")).startsWith("1", "3").endsWith("39");
        assertThat(side("sbc-40-pin", "right")).startsWith("2", "4").endsWith("40");
    }

    @Test
    void aLayoutSaysWhereSinglePinsAndStripsLie() {
        assertThat(side("mcu-8bit-5v-14-6", "left")).endsWith("analog 6");
        assertThat(side("mcu-8bit-5v-14-6", "right"))
                .startsWith("digital 16", "digital 15")
                .endsWith("digital 1");
    }

    @Test
    void everyPinOfEveryBoardIsDrawnOnce() {
        for (Board board : CATALOG.boards().values()) {
            assertThat(HeaderDrawing.of(board).holes())
                    .as(board.id())
                    .extracting(HeaderDrawing.Hole::place)
                    .containsExactlyInAnyOrderElementsOf(
                            board.pins().stream().map(p -> p.position()).toList());
        }
    }

    @Test
    void anItemAndItsFileAreDrawnAlike() {
        for (Board board : CATALOG.boards().values()) {
            assertThat(HeaderDrawing.of(board))
                    .as(board.id())
                    .isEqualTo(HeaderDrawing.of(CatalogWriter.tree(board), true));
        }
        for (Part part : CATALOG.parts().values()) {
            assertThat(HeaderDrawing.of(part))
                    .as(part.id())
                    .isEqualTo(HeaderDrawing.of(CatalogWriter.tree(part), false));
        }
    }

    @Test
    void anUnfinishedPartIsDrawnAsFarAsItGoes() {
        var file = JsonMapper.shared()
                .readTree(
                        "{\"lines\": [{\"header\": 3, \"id\": \"SCL\"}, {\"header\": 1, \"role\": \"ground\"}, {\"id\": \"NC\"}]}");
        assertThat(HeaderDrawing.of(file, false).holes())
                .extracting(HeaderDrawing.Hole::place)
                .containsExactly("1", "3");
        assertThat(HeaderDrawing.of(JsonMapper.shared().createObjectNode(), true)
                        .holes())
                .isEmpty();
    }
}
