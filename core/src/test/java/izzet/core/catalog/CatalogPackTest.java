package izzet.core.catalog;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class CatalogPackTest {

    private static final Catalog FILES = CatalogReader.checked();

    private static List<JsonNode> documents(Catalog catalog) {
        List<JsonNode> documents = new ArrayList<>();
        catalog.boards().values().forEach(b -> documents.add(CatalogWriter.tree(b)));
        catalog.parts().values().forEach(p -> documents.add(CatalogWriter.tree(p)));
        return documents;
    }

    @Test
    void thePackHoldsWhatTheFilesSay() {
        Catalog shipped = CatalogReader.shipped();

        assertThat(shipped.boards().values())
                .containsExactlyElementsOf(FILES.boards().values());
        assertThat(shipped.parts().values())
                .containsExactlyElementsOf(FILES.parts().values());
        assertThat(documents(shipped)).isEqualTo(documents(FILES));
    }

    @Test
    void aPackThatIsNoneIsRefused() {
        assertThatThrownBy(() -> CatalogPack.read(new byte[] {99}))
                .isInstanceOf(IllegalStateException.class)
                .hasMessageContaining("unknown kind: 99");
    }
}
