package izzet.app.plan;

import izzet.app.catalog.Shelf;
import izzet.core.assign.Migration;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.PlanProblems;
import izzet.core.quantity.Names;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Lazy;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Plans with their history. Every change is one revision; undo and redo move a pointer, so both survive a restart. A new change after an
 * undo forgets what was undone. Made at the start, so that a locked database is told then.
 */
@Service
@Lazy(false)
@Transactional
public class PlanStore {

    private static final int DONE_LENGTH = 800;
    private static final int COPY_NAME = 80;
    private static final Logger LOG = LoggerFactory.getLogger(PlanStore.class);

    private final JdbcClient db;
    private final PlanDocument documents;
    private final Shelf shelf;
    private final Clock clock;

    PlanStore(JdbcClient db, PlanDocument documents, Shelf shelf, Clock clock) {
        this.db = db;
        this.documents = documents;
        this.shelf = shelf;
        this.clock = clock;
    }

    /**
     * @param board id in the catalogue; empty when the current revision cannot be read
     * @param readable whether the current revision can be read
     */
    public record Entry(long id, String name, String board, int parts, java.time.Instant changed, boolean readable) {}

    /** Plans that are not deleted, last changed first. */
    public List<Entry> list() {
        return entries("p.deleted_at is null");
    }

    /** Deleted plans, which can be taken back. */
    public List<Entry> deleted() {
        return entries("p.deleted_at is not null");
    }

    private List<Entry> entries(String condition) {
        return db.sql("select p.id, p.name, p.changed_at, r.document from plan p join plan_revision r"
                        + " on r.plan_id = p.id and r.number = p.current_number where " + condition
                        + " order by p.changed_at desc, p.id desc")
                .query((row, n) -> entry(
                        row.getLong("id"),
                        row.getString("name"),
                        row.getString("document"),
                        row.getTimestamp("changed_at").toInstant()))
                .list();
    }

    private Entry entry(long id, String name, String document, java.time.Instant changed) {
        try {
            Plan plan = documents.readStored(document);
            return new Entry(id, plan.name(), plan.board(), plan.parts().size(), changed, true);
        } catch (RuntimeException e) {
            LOG.warn("The current revision of plan {} cannot be read.", id, e);
            return new Entry(id, name, "", 0, changed, false);
        }
    }

    public long create(Plan made, String done) {
        Plan plan = shelf.pinned(made);
        refuseBroken(plan);
        GeneratedKeyHolder key = new GeneratedKeyHolder();
        db.sql("insert into plan (name, current_number, version, changed_at) values (:name, 1, 1, :at)")
                .param("name", plan.name())
                .param("at", now())
                .update(key, "id");
        long id = key.getKeyAs(Long.class);
        insertRevision(id, 1, done, plan);
        return id;
    }

    /** @throws NoSuchThing when there is no such plan; deleted ones are found */
    @Transactional(readOnly = true)
    public StoredPlan get(long id) {
        return find(id).orElseThrow(() -> gone(id));
    }

    /** Where a plan stands, without its document. */
    private record Pointer(String name, int number, long version, boolean deleted) {}

    private Optional<Pointer> pointer(long id) {
        return db.sql("select name, current_number, version, deleted_at from plan where id = :id")
                .param("id", id)
                .query((row, n) -> new Pointer(
                        row.getString("name"),
                        row.getInt("current_number"),
                        row.getLong("version"),
                        row.getTimestamp("deleted_at") != null))
                .optional();
    }

    private Optional<StoredPlan> find(long id) {
        return pointer(id)
                .map(at -> new StoredPlan(
                        id,
                        at.version(),
                        at.number(),
                        revision(id, at.number()),
                        at.deleted(),
                        at.number() > 1 ? revision(id, at.number(), "done").orElse(null) : null,
                        revision(id, at.number() + 1, "done").orElse(null)));
    }

    /** @param done what undo would take back */
    public record Undoable(long version, String done) {}

    /** What undo would take back, also where the current revision cannot be read; empty when there is nothing. */
    @Transactional(readOnly = true)
    public Optional<Undoable> undoable(long id) {
        return pointer(id)
                .filter(at -> at.number() > 1)
                .map(at -> new Undoable(
                        at.version(), revision(id, at.number(), "done").orElse("the last change")));
    }

    private Optional<String> revision(long id, int number, String column) {
        return db.sql("select " + column + " from plan_revision where plan_id = :id and number = :number")
                .param("id", id)
                .param("number", number)
                .query(String.class)
                .optional();
    }

    /**
     * Applies an edit as one revision. An edit that changes nothing is none.
     *
     * @param version the state that the edit was made on
     * @throws StalePlan when the plan has another state
     * @throws PlanEdit.EditRefused when the plan cannot take the edit
     * @throws PlanProblems when the outcome does not hold together
     */
    public StoredPlan apply(long id, long version, PlanEdit edit) {
        StoredPlan stored = current(id, version);
        Plan next = edit.apply(stored.plan());
        return next.equals(stored.plan()) ? stored : save(stored, next, edit.describe(stored.plan()));
    }

    /** Takes a whole new document as one revision. */
    public StoredPlan replace(long id, long version, Plan plan, String done) {
        return save(current(id, version), plan, done);
    }

    private StoredPlan save(StoredPlan stored, Plan made, String done) {
        Plan next = shelf.pinned(made);
        refuseBroken(next);
        move(stored.id(), stored.version(), stored.number() + 1, next.name());
        db.sql("delete from plan_revision where plan_id = :id and number > :number")
                .param("id", stored.id())
                .param("number", stored.number())
                .update();
        insertRevision(stored.id(), stored.number() + 1, done, next);
        return get(stored.id());
    }

    public StoredPlan undo(long id, long version) {
        return step(id, version, -1);
    }

    public StoredPlan redo(long id, long version) {
        return step(id, version, 1);
    }

    /** Moves the pointer; where it stands now need not be readable. */
    private StoredPlan step(long id, long version, int by) {
        Pointer at = pointer(id).orElseThrow(() -> gone(id));
        if (at.version() != version) {
            throw new StalePlan();
        }
        int number = at.number() + by;
        if (number >= 1 && revision(id, number, "document").isPresent()) {
            move(id, version, number, revision(id, number).name());
        }
        return get(id);
    }

    private static NoSuchThing gone(long id) {
        return new NoSuchThing("There is no plan " + id + "; it may have been removed for good.");
    }

    private void move(long id, long version, int number, String name) {
        int changed = db.sql("update plan set current_number = :number, name = :name, version = version + 1,"
                        + " changed_at = :at where id = :id and version = :version")
                .param("number", number)
                .param("name", name)
                .param("at", now())
                .param("id", id)
                .param("version", version)
                .update();
        if (changed == 0) {
            throw new StalePlan();
        }
    }

    private StoredPlan current(long id, long version) {
        StoredPlan stored = get(id);
        if (stored.version() != version) {
            throw new StalePlan();
        }
        return stored;
    }

    /** A deleted plan is kept and can be taken back. */
    public void delete(long id, long version) {
        current(id, version);
        db.sql("update plan set deleted_at = :at, version = version + 1 where id = :id")
                .param("at", now())
                .param("id", id)
                .update();
    }

    public void restore(long id) {
        get(id);
        db.sql("update plan set deleted_at = null, version = version + 1 where id = :id")
                .param("id", id)
                .update();
    }

    public long duplicate(long id) {
        Plan plan = get(id).plan();
        String name = plan.name() + ", copy";
        Plan copy = new PlanEdit.Rename(Names.cut(name, COPY_NAME)).apply(plan);
        return create(copy, "copied from " + plan.name());
    }

    /** When the plan was on a board last, so that it can go back to the places it had there. */
    @Transactional(readOnly = true)
    public Optional<Migration.Stay> lastOn(long id, String board) {
        int current = get(id).number();
        Plan after = null;
        for (int number = current; number > 0; number--) {
            Plan plan = revision(id, number);
            if (plan.board().equals(board)) {
                return after == null ? Optional.empty() : Optional.of(new Migration.Stay(plan, after));
            }
            after = plan;
        }
        return Optional.empty();
    }

    /** The plan as a revision left it. */
    @Transactional(readOnly = true)
    public Plan revision(long id, int number) {
        String document = revision(id, number, "document")
                .orElseThrow(() -> new NoSuchThing("Plan " + id + " has no revision " + number + "."));
        try {
            return documents.readStored(document);
        } catch (RuntimeException e) {
            throw new UnreadableRevision(id, number, e);
        }
    }

    /** @param number of the revision */
    public record Change(int number, java.time.Instant at, String done, boolean current) {}

    /** Newest first. */
    @Transactional(readOnly = true)
    public List<Change> history(long id) {
        int number = get(id).number();
        return db.sql("select number, at, done from plan_revision where plan_id = :id order by number desc")
                .param("id", id)
                .query((row, n) -> new Change(
                        row.getInt("number"),
                        row.getTimestamp("at").toInstant(),
                        row.getString("done"),
                        row.getInt("number") == number))
                .list();
    }

    private void insertRevision(long id, int number, String done, Plan plan) {
        shelf.keep(plan);
        db.sql(
                        "insert into plan_revision (plan_id, number, at, done, document) values (:id, :number, :at, :done, :document)")
                .param("id", id)
                .param("number", number)
                .param("at", now())
                .param("done", Names.cut(done, DONE_LENGTH))
                .param("document", documents.write(plan))
                .update();
    }

    private void refuseBroken(Plan plan) {
        // The schema's limits hold for edits made on pages, too.
        documents.read(documents.write(plan), shelf.catalog());
    }

    private Timestamp now() {
        return Timestamp.from(clock.instant());
    }
}
