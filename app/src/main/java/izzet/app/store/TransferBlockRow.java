package izzet.app.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.io.Serializable;

/** Packed transfers of a record. Written by {@link BlockStream}, never a managed entity. */
@Entity
@Table(name = "transfer_block")
public final class TransferBlockRow {

    @Embeddable
    public record Key(long recordId, int seq) implements Serializable {}

    @EmbeddedId
    private Key id;

    private long firstTick;

    private long lastTick;

    @Lob
    @Column(nullable = false)
    private byte[] packed;

    protected TransferBlockRow() {}

    public TransferBlockRow(Key id, long firstTick, long lastTick, byte[] packed) {
        this.id = id;
        this.firstTick = firstTick;
        this.lastTick = lastTick;
        this.packed = packed;
    }
}
