package izzet.app.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;

/** A wiring step that is done. */
@Entity
@Table(name = "tick")
public final class TickRow {

    private static final int MOST_KEY = 200;

    @Embeddable
    public record Key(long planId, @Column(length = MOST_KEY) String stepKey) implements Serializable {}

    @EmbeddedId
    private Key id;

    protected TickRow() {}

    public TickRow(Key id) {
        this.id = id;
    }
}
