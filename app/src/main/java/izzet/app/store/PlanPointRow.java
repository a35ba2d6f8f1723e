package izzet.app.store;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;

/** A revision with a name, to be found again. */
@Entity
@Table(name = "plan_point")
public final class PlanPointRow {

    public static final int MOST_NAME = 80;

    @Embeddable
    public record Key(long planId, int number) implements Serializable {}

    @EmbeddedId
    private Key id;

    @Column(length = MOST_NAME, nullable = false)
    private String name;

    protected PlanPointRow() {}

    public PlanPointRow(Key id, String name) {
        this.id = id;
        this.name = name;
    }

    public int number() {
        return id.number();
    }

    public String name() {
        return name;
    }
}
