package izzet.app.catalog;

import izzet.app.backup.DataFolder;
import izzet.app.store.ShelfItemRow;
import izzet.core.catalog.CatalogException;
import izzet.core.catalog.CatalogItem;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.KeptItems;
import java.io.IOException;
import java.nio.file.Files;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Reads the stored documents of items, and keeps beside the database what it read: the next start of the same build finds the same
 * documents ready.
 */
final class ReadItems {

    private static final Logger LOG = LoggerFactory.getLogger(ReadItems.class);

    private final CatalogReader reader;
    private final Optional<DataFolder> folder;

    /** @param folder empty where the database is no file; then nothing is kept */
    ReadItems(CatalogReader reader, Optional<DataFolder> folder) {
        this.reader = reader;
        this.folder = folder;
    }

    /**
     * The items of these rows; none for a row whose document cannot be read.
     *
     * @param unreadable takes the reasons
     */
    Map<ShelfItemRow.Key, CatalogItem> of(List<ShelfItemRow> rows, List<String> unreadable) {
        Map<ShelfItemRow.Key, CatalogItem> items = new HashMap<>();
        KeptItems kept = new KeptItems();
        rows.forEach(r -> kept.document(r.key().kind() + " " + r.key().itemId(), r.document()));
        Optional<List<CatalogItem>> ready = ready(kept, rows.size());
        for (int i = 0; i < rows.size(); i++) {
            ShelfItemRow row = rows.get(i);
            try {
                items.put(row.key(), ready.isPresent() ? ready.get().get(i) : read(row));
            } catch (CatalogException e) {
                unreadable.add(e.getMessage());
            }
        }
        if (ready.isEmpty() && !rows.isEmpty() && unreadable.isEmpty()) {
            keep(kept, rows.stream().map(r -> items.get(r.key())).toList());
        }
        return items;
    }

    private CatalogItem read(ShelfItemRow row) {
        String id = row.key().itemId();
        return Shelf.isBoard(row.key()) ? reader.board(id, row.document()) : reader.part(id, row.document());
    }

    private Optional<List<CatalogItem>> ready(KeptItems kept, int rows) {
        if (folder.isEmpty() || rows == 0 || !Files.exists(folder.get().readItems())) {
            return Optional.empty();
        }
        try {
            return kept.unpack(Files.readAllBytes(folder.get().readItems()));
        } catch (IOException e) {
            LOG.debug("The items read before are read again.", e);
            return Optional.empty();
        }
    }

    private void keep(KeptItems kept, List<CatalogItem> items) {
        if (folder.isPresent()) {
            try {
                folder.get().write(folder.get().readItems(), kept.pack(items));
            } catch (IOException e) {
                LOG.debug("The items are read again at the next start.", e);
            }
        }
    }
}
