package izzet.app.store;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A bus that was found on lines of a record, or chosen by the user. */
@Entity
@Table(name = "record_bus")
public final class RecordBusRow {

    private static final int MOST_PROTOCOL = 40;
    private static final int MOST_OPTIONS = 2000;
    private static final int MOST_WHY = 400;
    private static final int MOST_PART = 60;

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private long recordId;

    @Column(length = MOST_PROTOCOL, nullable = false)
    private String protocol;

    /** As {@code name=value}, one a line. */
    @Column(length = MOST_OPTIONS, nullable = false)
    private String options;

    @Column(length = MOST_WHY, nullable = false)
    private String why;

    @Column(length = MOST_PART)
    private String partId;

    private int events;

    protected RecordBusRow() {}

    public RecordBusRow(long recordId) {
        this.recordId = recordId;
        protocol = "";
        options = "";
        why = "";
    }

    public void set(String newProtocol, String newOptions, String newWhy, String newPart) {
        protocol = newProtocol;
        options = newOptions;
        why = newWhy.length() > MOST_WHY ? newWhy.substring(0, MOST_WHY) : newWhy;
        partId = newPart;
    }

    public void decoded(int count) {
        events = count;
    }

    public Long id() {
        return id;
    }

    public long recordId() {
        return recordId;
    }

    public String protocol() {
        return protocol;
    }

    public String options() {
        return options;
    }

    public String why() {
        return why;
    }

    public String partId() {
        return partId;
    }

    public int events() {
        return events;
    }
}
