package izzet.app.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;

/** Which line of the record has a role of a bus. */
@Entity
@Table(name = "record_bus_line")
public final class RecordBusLineRow {

    private static final int MOST_ROLE = 40;

    @Embeddable
    public record Key(long busId, @Column(length = MOST_ROLE) String role) implements Serializable {}

    @EmbeddedId
    private Key id;

    private int line;

    protected RecordBusLineRow() {}

    public RecordBusLineRow(Key id, int line) {
        this.id = id;
        this.line = line;
    }

    public Key id() {
        return id;
    }

    public int line() {
        return line;
    }
}
