package izzet.app.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;

/** What a change of a plan left, as a document. Written once. */
@Entity
@Table(name = "plan_revision")
public final class RevisionRow {

    public static final int MOST_DONE = 800;

    /** @param number from 1 */
    @Embeddable
    public record Key(long planId, int number) implements Serializable {}

    @EmbeddedId
    private Key id;

    @Column(nullable = false)
    private Instant at;

    @Column(length = MOST_DONE, nullable = false)
    private String done;

    @Lob
    @Column(nullable = false)
    private String document;

    protected RevisionRow() {}

    public RevisionRow(long planId, int number, Instant at, String done, String document) {
        this.id = new Key(planId, number);
        this.at = at;
        this.done = done;
        this.document = document;
    }

    public Key id() {
        return id;
    }

    public String document() {
        return document;
    }
}
