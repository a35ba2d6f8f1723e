package izzet.app.store;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** Something that a maker told once and that pages go by from then on. */
@Entity
@Table(name = "preference")
public final class PreferenceRow {

    private static final int MOST_NAME = 40;
    private static final int MOST_TOLD = 4000;

    @Id
    @Column(length = MOST_NAME)
    private String name;

    @Column(length = MOST_TOLD, nullable = false)
    private String told;

    protected PreferenceRow() {}

    public PreferenceRow(String name, String told) {
        this.name = name;
        this.told = told;
    }

    public String told() {
        return told;
    }
}
