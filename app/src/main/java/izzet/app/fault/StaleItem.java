package izzet.app.fault;

/** A change that was made on an older version of an own item than the one on the shelf. */
public final class StaleItem extends RuntimeException {

    private static final long serialVersionUID = 1L;

    /** @param version on the shelf now */
    public StaleItem(String id, int version) {
        super("'" + id + "' was changed meanwhile; the shelf has version " + version
                + " now. Nothing was saved; read it again and send your change on it.");
    }
}
