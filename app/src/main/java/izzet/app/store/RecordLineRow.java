package izzet.app.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;

/** A line of a record. */
@Entity
@Table(name = "record_line")
public final class RecordLineRow {

    private static final int MOST_NAME = 400;

    @Embeddable
    public record Key(long recordId, int line) implements Serializable {}

    @EmbeddedId
    private Key id;

    @Column(length = MOST_NAME, nullable = false)
    private String name;

    private long edges;

    protected RecordLineRow() {}

    public RecordLineRow(Key id, String name, long edges) {
        this.id = id;
        this.name = name;
        this.edges = edges;
    }

    public Key id() {
        return id;
    }

    public String name() {
        return name;
    }

    public long edges() {
        return edges;
    }
}
