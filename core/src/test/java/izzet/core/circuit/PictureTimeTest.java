package izzet.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.Part;
import org.junit.jupiter.api.Test;

class PictureTimeTest {

    private static final Catalog SHELF = CatalogReader.shipped();

    private static String formula(String id) {
        Part part = SHELF.part(id).orElseThrow();
        return PictureTime.of(
                        SHELF.board("mcu-8bit-5v-14-6").orElseThrow(),
                        part,
                        part.interfaces().get(0),
                        400_000)
                .orElseThrow()
                .formula();
    }

    /** A last piece that is not full is one, too. */
    @Test
    void theTwoWireBusTakesAPictureInPieces() {
        assertThat(formula("oled-128x64-page-2wire")).isEqualTo("1024 bytes in 32 pieces at 400 kHz");
        assertThat(formula("matrix-8x8-2wire")).isEqualTo("8 bytes in 1 piece at 400 kHz");
    }
}
