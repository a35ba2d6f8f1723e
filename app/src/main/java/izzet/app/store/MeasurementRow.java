package izzet.app.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;

/** What was measured at a check of a plan. */
@Entity
@Table(name = "measurement")
public final class MeasurementRow {

    private static final int MOST_KEY = 300;
    private static final int MOST_TOLD = 40;

    @Embeddable
    public record Key(long planId, @Column(length = MOST_KEY) String checkKey) implements Serializable {}

    @EmbeddedId
    private Key id;

    @Column(length = MOST_TOLD, nullable = false)
    private String told;

    private double measured;

    @Column(nullable = false)
    private Instant measuredAt;

    protected MeasurementRow() {}

    public MeasurementRow(Key id, String told, double measured, Instant measuredAt) {
        this.id = id;
        this.told = told;
        this.measured = measured;
        this.measuredAt = measuredAt;
    }

    public String checkKey() {
        return id.checkKey();
    }

    /** As it was typed. */
    public String told() {
        return told;
    }

    /** In the base unit of its check; infinite for an open circuit. */
    public double measured() {
        return measured;
    }

    public Instant measuredAt() {
        return measuredAt;
    }
}
