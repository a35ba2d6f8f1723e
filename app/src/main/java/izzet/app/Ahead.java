package izzet.app;

import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import java.util.Locale;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import org.unbescape.html.HtmlEscape;

/**
 * What is done beside the start of everything else, since it takes long and needs nothing of it: the shipped catalogue is read, and the
 * tables of libraries that every page needs are filled.
 */
final class Ahead {

    private static final CompletableFuture<Catalog> READING = CompletableFuture.supplyAsync(CatalogReader::shipped);

    static {
        CompletableFuture.runAsync(() -> {
            Locale.getAvailableLocales();
            HtmlEscape.escapeHtml4Xml("<");
        });
    }

    private Ahead() {}

    /** Begins, once. */
    static void begin() {
        // Loading this class has begun it.
    }

    /** Waits for what was begun, or begins now. */
    static Catalog catalog() {
        try {
            return READING.join();
        } catch (CompletionException e) {
            throw e.getCause() instanceof RuntimeException fault ? fault : e;
        }
    }
}
