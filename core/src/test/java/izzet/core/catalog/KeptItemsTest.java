package izzet.core.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class KeptItemsTest {

    private static final Catalog SHIPPED = CatalogReader.shipped();
    private static final CatalogItem BOARD =
            SHIPPED.boards().values().iterator().next();
    private static final CatalogItem PART = SHIPPED.parts().values().iterator().next();
    private static final byte[] KEPT = asked("a", "b").pack(List.of(BOARD, PART));

    private static KeptItems asked(String first, String second) {
        return new KeptItems().document("one", first).document("two", second);
    }

    @Test
    void theSameDocumentsGiveTheSameItems() {
        assertThat(asked("a", "b").unpack(KEPT)).contains(List.of(BOARD, PART));
    }

    @Test
    void otherDocumentsNamesAndOrdersGiveNone() {
        assertThat(asked("a", "c").unpack(KEPT)).isEmpty();
        assertThat(asked("b", "a").unpack(KEPT)).isEmpty();
        assertThat(asked("a", "b").document("three", "c").unpack(KEPT)).isEmpty();
        assertThat(new KeptItems().document("one", "a").unpack(KEPT)).isEmpty();
        // The same letters, parted elsewhere.
        assertThat(new KeptItems().document("onea", "").document("two", "b").unpack(KEPT))
                .isEmpty();
    }

    @Test
    void aPackWithOneBitChangedOrCutShortGivesNone() {
        for (int i = 0; i < KEPT.length; i++) {
            byte[] damaged = KEPT.clone();
            damaged[i] ^= 1;
            assertThat(asked("a", "b").unpack(damaged)).as("byte %d", i).isEmpty();
            assertThat(asked("a", "b").unpack(Arrays.copyOf(KEPT, i)))
                    .as("%d bytes", i)
                    .isEmpty();
        }
    }

    /** As by another build under the same number. */
    @Test
    void aPackOfOtherShapesGivesNone() throws NoSuchAlgorithmException {
        for (byte[] packed : new byte[][] {{99}, {8, 0}, {10, 0, 0, 0, 0, 0, 0, 0, 1, 'x'}}) {
            byte[] kept = ByteBuffer.allocate(64 + packed.length)
                    .put(KEPT, 0, 32)
                    .put(MessageDigest.getInstance("SHA-256").digest(packed))
                    .put(packed)
                    .array();
            assertThat(asked("a", "b").unpack(kept)).isEmpty();
        }
    }

    @Test
    void anyChangeOfAFileOfTheBuildMakesAnotherNumber(@TempDir Path classes) throws IOException {
        Path number = classes.resolve("catalog/build.id");
        Files.createDirectories(number.getParent());
        Files.writeString(classes.resolve("A.class"), "one");
        KeptItems.number(classes);
        byte[] first = Files.readAllBytes(number);

        KeptItems.number(classes);
        assertThat(number).hasBinaryContent(first);

        Files.writeString(classes.resolve("A.class"), "two");
        KeptItems.number(classes);
        assertThat(Files.readAllBytes(number)).isNotEqualTo(first);
    }
}
