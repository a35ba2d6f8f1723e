package izzet.app.store;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** An entry of the log of a plan. A deleted one can be taken back. */
@Entity
@Table(name = "log_entry")
public final class LogEntryRow {

    public static final int MOST_TITLE = 200;
    public static final int MOST_TEXT = 20_000;
    public static final int MOST_ABOUT = 300;
    public static final int MOST_TROUBLE = 60;

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private long planId;

    private int revision;

    @Column(nullable = false)
    private Instant at;

    @Column(nullable = false)
    private Instant changedAt;

    private boolean deleted;

    @Column(length = MOST_TITLE, nullable = false)
    private String title;

    @Column(length = MOST_TEXT, nullable = false)
    private String text;

    @Column(length = MOST_ABOUT, nullable = false)
    private String about;

    @Column(length = MOST_ABOUT, nullable = false)
    private String aboutWords;

    @Column(length = MOST_TROUBLE, nullable = false)
    private String trouble;

    protected LogEntryRow() {}

    /**
     * @param revision of the plan that it was written at
     * @param at when what it tells of happened
     */
    public LogEntryRow(long planId, int revision, Instant at) {
        this.planId = planId;
        this.revision = revision;
        this.at = at;
    }

    /**
     * @param about what it is tied to, as {@code kind:id}; empty where it is to nothing
     * @param aboutWords the same for people
     * @param trouble under which it is found again; empty for none
     */
    public void write(String newTitle, String newText, String about, String aboutWords, String trouble, Instant now) {
        this.title = newTitle;
        this.text = newText;
        this.about = about;
        this.aboutWords = aboutWords;
        this.trouble = trouble;
        this.changedAt = now;
    }

    public void delete(boolean gone) {
        deleted = gone;
    }

    public Long id() {
        return id;
    }

    public long planId() {
        return planId;
    }

    public int revision() {
        return revision;
    }

    public Instant at() {
        return at;
    }

    public boolean deleted() {
        return deleted;
    }

    public String title() {
        return title;
    }

    /** In Markdown. */
    public String text() {
        return text;
    }

    public String about() {
        return about;
    }

    public String aboutWords() {
        return aboutWords;
    }

    public String trouble() {
        return trouble;
    }
}
