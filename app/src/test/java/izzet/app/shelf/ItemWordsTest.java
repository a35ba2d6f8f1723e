package izzet.app.shelf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import izzet.app.OneApplication;
import izzet.app.catalog.Shelf;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

/** The pages of all items speak words, not names of constants, and every figure is one. */
@OneApplication
class ItemWordsTest {

    private static final Pattern CONSTANT =
            Pattern.compile(">\\s*(FINE|FLOATS|PULLED_UP|PULLED_DOWN|GROUND|SUPPLY)\\s*<");
    private static final Pattern NO_FIGURE =
            Pattern.compile("\\b(null|NaN|Infinity)\\b|\\b\\d+(\\.\\d+)?[eE][+-]?\\d+\\b");

    @Autowired
    private MockMvc pages;

    @Autowired
    private Shelf shelf;

    @Test
    void everyItemPage() throws Exception {
        for (String id : shelf.catalog().parts().keySet()) {
            assertWords("/shelf/parts/" + id);
        }
        for (String id : shelf.catalog().boards().keySet()) {
            assertWords("/shelf/boards/" + id);
        }
    }

    private void assertWords(String path) throws Exception {
        String html = pages.perform(get(path))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString();
        String text = html.substring(html.indexOf("<main"), html.indexOf("</main>"));
        assertThat(text).as(path).doesNotContainPattern(CONSTANT).doesNotContainPattern(NO_FIGURE);
    }
}
