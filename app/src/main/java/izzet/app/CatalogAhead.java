package izzet.app;

import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;

/** Reads the shipped catalogue beside the start of everything else: it takes as long as the database does, and needs nothing of it. */
final class CatalogAhead {

    private static final CompletableFuture<Catalog> READING = CompletableFuture.supplyAsync(CatalogReader::shipped);

    private CatalogAhead() {}

    /** Begins to read, once. */
    static void begin() {
        // Loading this class has begun it.
    }

    /** Waits for what was begun, or begins now. */
    static Catalog get() {
        try {
            return READING.join();
        } catch (CompletionException e) {
            throw e.getCause() instanceof RuntimeException fault ? fault : e;
        }
    }
}
