package izzet.app.store;

import izzet.core.capture.EdgeBlock;
import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.io.Serializable;

/** Packed changes of one line. Written by {@link BlockStream} and read as {@link EdgeBlock}, never as a managed entity. */
@Entity
@Table(name = "edge_block")
public final class EdgeBlockRow {

    @Embeddable
    public record Key(long recordId, int line, int seq) implements Serializable {}

    @EmbeddedId
    private Key id;

    private long firstTick;

    private long lastTick;

    private int levelBefore;

    private int levelAfter;

    private int edges;

    @Lob
    @Column(nullable = false)
    private byte[] packed;

    protected EdgeBlockRow() {}

    public EdgeBlockRow(Key id, EdgeBlock block) {
        this.id = id;
        this.firstTick = block.firstTick();
        this.lastTick = block.lastTick();
        this.levelBefore = block.before();
        this.levelAfter = block.after();
        this.edges = block.count();
        this.packed = block.packed();
    }
}
