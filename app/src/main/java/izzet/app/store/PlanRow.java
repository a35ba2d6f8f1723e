package izzet.app.store;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;

/** A plan: where its history stands. A change on another version than the stored one is refused when it is written. */
@Entity
@Table(name = "plan")
public final class PlanRow {

    private static final int MOST_NAME = 160;

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    @Column(length = MOST_NAME, nullable = false)
    private String name;

    private int currentNumber = 1;

    @Version
    private long version = 1;

    @Column(nullable = false)
    private Instant changedAt;

    private Instant deletedAt;

    protected PlanRow() {}

    public PlanRow(String name, Instant changedAt) {
        this.name = name;
        this.changedAt = changedAt;
    }

    /** Moves to another revision. */
    public void stand(int number, String named, Instant at) {
        currentNumber = number;
        name = named;
        changedAt = at;
    }

    /** @param at null to take it back */
    public void delete(Instant at) {
        deletedAt = at;
    }

    public Long id() {
        return id;
    }

    public String name() {
        return name;
    }

    public int currentNumber() {
        return currentNumber;
    }

    public long version() {
        return version;
    }

    public Instant changedAt() {
        return changedAt;
    }

    public boolean deleted() {
        return deletedAt != null;
    }
}
