package izzet.app.shelf;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.catalog.Board;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import java.util.List;
import org.junit.jupiter.api.Test;

class BoardViewTest {

    private static final Catalog CATALOG = CatalogReader.shipped();

    private static List<String> with(String board, String words) {
        return BoardView.picture(CATALOG.board(board).orElseThrow()).spots().stream()
                .filter(s -> s.words().contains(words))
                .map(s -> s.at().label())
                .toList();
    }

    @Test
    void aSearchFindsThePinsOfAFunction() {
        assertThat(with("mcu-8bit-5v-14-6", "sda")).containsExactly("A4");
        assertThat(with("mcu-8bit-5v-14-6", "pwm")).containsExactlyInAnyOrder("3", "5", "6", "9", "10", "11");
        assertThat(with("mcu-8bit-5v-14-6", "console")).containsExactlyInAnyOrder("0", "1");
        assertThat(with("sbc-40-pin", "ground")).hasSize(8);
    }

    @Test
    void everyPinStandsInThePictureWithWhatItIs() {
        for (Board board : CATALOG.boards().values()) {
            BoardView.Picture picture = BoardView.picture(board);
            assertThat(picture.spots()).as(board.id()).hasSize(board.pins().size());
            assertThat(picture.spots()).as(board.id()).allSatisfy(s -> {
                assertThat(s.about()).startsWith(s.at().label() + " at " + s.at().place());
                assertThat(s.textX()).matches(x -> x < 0 == s.at().side().equals("left"));
            });
        }
    }
}
