package izzet.app.store;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A record of bus lines. It counts once it is whole; until then its blocks are still being written. */
@Entity
@Table(name = "record")
public final class RecordRow {

    private static final int MOST_NAME = 200;

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private long planId;

    @Column(length = MOST_NAME, nullable = false)
    private String name;

    @Column(nullable = false)
    private Instant uploadedAt;

    private long bytes;

    private long tickFemtoseconds = 1;

    private long firstTick;

    private long lastTick;

    private boolean whole;

    protected RecordRow() {}

    public RecordRow(long planId, String name, Instant uploadedAt) {
        this.planId = planId;
        this.name = name;
        this.uploadedAt = uploadedAt;
    }

    /** All its changes are stored. */
    public void stored(long size, long femtoseconds, long first, long last) {
        bytes = size;
        tickFemtoseconds = femtoseconds;
        firstTick = first;
        lastTick = last;
    }

    public void complete() {
        whole = true;
    }

    public Long id() {
        return id;
    }

    public long planId() {
        return planId;
    }

    public String name() {
        return name;
    }

    public Instant uploadedAt() {
        return uploadedAt;
    }

    public long bytes() {
        return bytes;
    }

    public long tickFemtoseconds() {
        return tickFemtoseconds;
    }

    public long firstTick() {
        return firstTick;
    }

    public long lastTick() {
        return lastTick;
    }
}
