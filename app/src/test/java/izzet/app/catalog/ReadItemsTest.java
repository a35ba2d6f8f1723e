package izzet.app.catalog;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import izzet.app.backup.DataFolder;
import izzet.app.store.ShelfItemRow;
import izzet.core.catalog.CatalogException;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.Part;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ReadItemsTest {

    private static final Part PART =
            CatalogReader.shipped().parts().values().iterator().next();
    private static final ShelfItemRow ROW = row("{}");

    @TempDir
    private Path data;

    private final CatalogReader reader = mock(CatalogReader.class);
    private final List<String> unreadable = new ArrayList<>();

    private static ShelfItemRow row(String document) {
        return new ShelfItemRow(new ShelfItemRow.Key("part", "own-x", 1), true, Instant.EPOCH, document);
    }

    private ReadItems start() {
        return new ReadItems(reader, Optional.of(new DataFolder(data)));
    }

    @BeforeEach
    void everyDocumentIsThePart() {
        when(reader.part(anyString(), anyString())).thenReturn(PART);
    }

    @Test
    void aSecondStartReadsNoDocumentThatTheFirstHasRead() {
        start().of(List.of(ROW), unreadable);

        assertThat(start().of(List.of(ROW), unreadable)).containsEntry(ROW.key(), PART);
        verify(reader, times(1)).part("own-x", "{}");
        assertThat(unreadable).isEmpty();
    }

    @Test
    void aChangedDocumentIsRead() {
        start().of(List.of(ROW), unreadable);
        start().of(List.of(row("{ }")), unreadable);

        verify(reader).part("own-x", "{ }");
    }

    @Test
    void whatCannotBeReadIsToldAtEveryStart() {
        when(reader.part("own-x", "{}")).thenThrow(new CatalogException("own-x", List.of("it is empty")));
        for (int i = 0; i < 2; i++) {
            unreadable.clear();
            assertThat(start().of(List.of(ROW), unreadable)).isEmpty();
            assertThat(unreadable).hasSize(1).first().asString().contains("own-x", "it is empty");
        }
    }

    @Test
    void aDamagedFileIsReadAnew() throws IOException {
        start().of(List.of(ROW), unreadable);
        Path kept = new DataFolder(data).readItems();
        Files.write(kept, new byte[] {1, 2, 3});

        assertThat(start().of(List.of(ROW), unreadable)).containsEntry(ROW.key(), PART);
        verify(reader, times(2)).part("own-x", "{}");
        assertThat(Files.size(kept)).isGreaterThan(3);
    }

    @Test
    void itIsForItsOwnerOnly() throws IOException {
        start().of(List.of(ROW), unreadable);

        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(new DataFolder(data).readItems())))
                .isEqualTo("rw-------");
        assertThat(data).isDirectoryNotContaining("glob:**.new");
    }

    @Test
    void aFolderThatTakesNothingHarmsNothing() {
        ReadItems gone = new ReadItems(reader, Optional.of(new DataFolder(data.resolve("gone"))));

        assertThat(gone.of(List.of(ROW), unreadable)).containsEntry(ROW.key(), PART);
    }

    @Test
    void noItemsLeaveNoFile() {
        start().of(List.of(), unreadable);

        assertThat(data).isEmptyDirectory();
        verify(reader, never()).part(anyString(), anyString());
    }
}
