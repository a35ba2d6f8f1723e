package izzet.app.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.io.Serializable;

/** Packed events of a bus of a record. Written and let go at once, never a managed entity for long. */
@Entity
@Table(name = "event_block")
public final class EventBlockRow {

    @Embeddable
    public record Key(long busId, int seq) implements Serializable {}

    @EmbeddedId
    private Key id;

    private long firstTick;

    private long lastTick;

    @Lob
    @Column(nullable = false)
    private byte[] packed;

    protected EventBlockRow() {}

    public EventBlockRow(Key id, long firstTick, long lastTick, byte[] packed) {
        this.id = id;
        this.firstTick = firstTick;
        this.lastTick = lastTick;
        this.packed = packed;
    }
}
