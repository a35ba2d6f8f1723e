package izzet.app.store;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A device that was paired, or a link that lets somebody read one plan; found by the digest of its key, which is not kept itself. */
@Entity
@Table(name = "paired_device")
public final class PairedDeviceRow {

    /** In characters. */
    public static final int MOST_NAME = 80;

    private static final int DIGEST = 64;

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    @Column(length = DIGEST, nullable = false, unique = true)
    private String keyDigest;

    @Column(length = MOST_NAME, nullable = false)
    private String name;

    private Long planId;

    @Column(nullable = false)
    private Instant madeAt;

    @Column(nullable = false)
    private Instant seenAt;

    @Column(nullable = false)
    private Instant endsAt;

    protected PairedDeviceRow() {}

    /** @param planId the only plan it may read; null for a device that may do everything */
    public PairedDeviceRow(String keyDigest, String name, Long planId, Instant madeAt, Instant endsAt) {
        this.keyDigest = keyDigest;
        this.name = name;
        this.planId = planId;
        this.madeAt = madeAt;
        this.seenAt = madeAt;
        this.endsAt = endsAt;
    }

    public long id() {
        return id;
    }

    public String name() {
        return name;
    }

    /** Null for a device that may do everything. */
    public Long planId() {
        return planId;
    }

    public Instant madeAt() {
        return madeAt;
    }

    public Instant seenAt() {
        return seenAt;
    }

    public Instant endsAt() {
        return endsAt;
    }

    /** @param endsAt later than before where it was used */
    public void seen(Instant at, Instant endsAt) {
        this.seenAt = at;
        this.endsAt = endsAt;
    }
}
