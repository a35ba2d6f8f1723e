package izzet.core.catalog;

import java.util.List;

/** A catalogue file that cannot be used. The message names the file, the place inside, and what was expected there. */
public final class CatalogException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public CatalogException(String file, List<String> faults) {
        super("Catalogue file " + file + ": " + String.join("; ", faults));
    }
}
