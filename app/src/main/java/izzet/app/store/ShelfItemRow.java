package izzet.app.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;

/** One version of an item that a plan was made with, or of an own one. */
@Entity
@Table(name = "shelf_item")
public final class ShelfItemRow {

    private static final int MOST_KIND = 8;
    private static final int MOST_ID = 64;

    /**
     * @param kind {@code board} or {@code part}
     * @param itemId of the file
     */
    @Embeddable
    public record Key(
            @Column(length = MOST_KIND) String kind, @Column(name = "id", length = MOST_ID) String itemId, int version)
            implements Serializable {}

    @EmbeddedId
    private Key key;

    private boolean own;

    private boolean offShelf;

    @Column(nullable = false)
    private Instant savedAt;

    @Lob
    @Column(nullable = false)
    private String document;

    protected ShelfItemRow() {}

    public ShelfItemRow(Key key, boolean own, Instant savedAt, String document) {
        this.key = key;
        this.own = own;
        this.savedAt = savedAt;
        this.document = document;
    }

    public Key key() {
        return key;
    }

    public boolean own() {
        return own;
    }

    public boolean offShelf() {
        return offShelf;
    }

    public String document() {
        return document;
    }
}
