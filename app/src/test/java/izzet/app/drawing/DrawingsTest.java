package izzet.app.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.catalog.Board;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.Part;
import java.util.List;
import org.junit.jupiter.api.Test;

class DrawingsTest {

    private static final Catalog CATALOG = CatalogReader.shipped();

    private final Drawings drawings = new Drawings();

    private static List<Shape> pins(ItemDrawing drawing) {
        return drawing.shapes().stream()
                .filter(s -> s.look().startsWith("pin "))
                .toList();
    }

    private static List<String> texts(ItemDrawing drawing) {
        return drawing.shapes().stream()
                .filter(s -> s.tag().equals("text"))
                .map(Shape::text)
                .toList();
    }

    /** A header of places that two lines share is drawn at them all; nothing lies outside the picture. */
    @Test
    void everyPartIsDrawnWithItsWholeHeaderInsideThePicture() {
        for (Part part : CATALOG.parts().values()) {
            long header = part.lines().stream().filter(l -> l.header() != null).count();
            for (ItemDrawing drawing : List.of(drawings.small(part), drawings.large(part))) {
                assertThat(pins(drawing)).as(part.id()).hasSize((int) header);
                assertThat(drawing.shapes()).as(part.id()).allSatisfy(s -> {
                    assertThat(s.x()).isBetween(0.0, drawing.width());
                    assertThat(s.y()).isBetween(-1.0, drawing.height());
                });
            }
        }
    }

    /** What the page draws is what the drawing holds: each circle, line and box begins once. */
    @Test
    void thePageDrawsEveryShape() {
        for (Part part : CATALOG.parts().values()) {
            for (ItemDrawing drawing : List.of(drawings.small(part), drawings.large(part))) {
                long begun = drawing.strokes().stream()
                        .mapToLong(s -> s.tag().equals("path")
                                ? s.text().chars().filter(c -> c == 'M').count()
                                : 1)
                        .sum();
                assertThat(begun).as(part.id()).isEqualTo(drawing.shapes().size());
                assertThat(drawing.strokes()).extracting(Shape::tag).isSubsetOf("rect", "text", "path");
            }
        }
    }

    @Test
    void labelsStandInTheOrderOfTheHeader() {
        ItemDrawing drawing =
                drawings.large(CATALOG.part("oled-128x64-page-2wire-vcc-first").orElseThrow());
        assertThat(texts(drawing).subList(0, 4)).containsExactly("VCC", "GND", "SCL", "SDA");
        List<Double> places = pins(drawing).stream().map(Shape::x).toList();
        assertThat(places).isSorted();
        assertThat(texts(drawing)).anyMatch(t -> t.endsWith("0x3D"));
        assertThat(drawing.title()).contains("header VCC GND SCL SDA");
    }

    /** Leg 1 stands at the left of the lower edge, the last one above it. */
    @Test
    void numbersRunRoundAChip() {
        Part chip = CATALOG.part("shift-register-8").orElseThrow();
        List<Shape> legs = pins(drawings.small(chip));
        assertThat(legs.get(0).x()).isEqualTo(legs.get(legs.size() - 1).x());
        assertThat(legs.get(0).y()).isGreaterThan(legs.get(legs.size() - 1).y());
    }

    @Test
    void aGlassHasItsProportionsAndItsCharacters() {
        Part text = CATALOG.part("character-16x2-direct").orElseThrow();
        assertThat(drawings.small(text).shapes())
                .filteredOn(s -> s.look().equals("cell"))
                .hasSize(32);
        Shape tall = glass("colour-128x160-serial-3v3");
        assertThat(tall.w() / tall.h()).isCloseTo(128.0 / 160, org.assertj.core.data.Offset.offset(0.02));
        Shape wide = glass("oled-256x64-grey-serial");
        assertThat(wide.w() / wide.h()).isCloseTo(4.0, org.assertj.core.data.Offset.offset(0.05));
    }

    private Shape glass(String id) {
        return drawings.large(CATALOG.part(id).orElseThrow()).shapes().stream()
                .filter(s -> s.look().equals("glass"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aBoardHasAsManyHolesAsPins() {
        for (Board board : CATALOG.boards().values()) {
            assertThat(pins(drawings.small(board)))
                    .as(board.id())
                    .hasSize(board.pins().size());
        }
        Board board = CATALOG.boards().get("sbc-40-pin");
        assertThat(drawings.small(board)).isSameAs(drawings.small(board));
    }
}
