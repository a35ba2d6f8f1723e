package izzet.app.store;

import izzet.core.capture.WaveBlock;
import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.io.Serializable;

/** Sums of the changes of one line. Written by {@link BlockStream} and read as {@link WaveBlock}, never as a managed entity. */
@Entity
@Table(name = "wave_block")
public final class WaveBlockRow {

    @Embeddable
    public record Key(long recordId, int line, int level, long firstTick) implements Serializable {}

    @EmbeddedId
    private Key id;

    private long lastTick;

    @Lob
    @Column(nullable = false)
    private byte[] packed;

    protected WaveBlockRow() {}

    public WaveBlockRow(long recordId, int line, int level, WaveBlock block) {
        this.id = new Key(recordId, line, level, block.firstTick());
        this.lastTick = block.lastTick();
        this.packed = block.packed();
    }
}
