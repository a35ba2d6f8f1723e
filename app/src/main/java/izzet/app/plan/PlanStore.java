package izzet.app.plan;

import izzet.app.catalog.Shelf;
import izzet.app.fault.NoSuchThing;
import izzet.app.fault.StalePlan;
import izzet.app.fault.UnreadableRevision;
import izzet.app.fault.WrongField;
import izzet.app.store.PlanPointRow;
import izzet.app.store.PlanPointRows;
import izzet.app.store.PlanRow;
import izzet.app.store.PlanRows;
import izzet.app.store.RevisionRow;
import izzet.app.store.RevisionRows;
import izzet.core.assign.Migration;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.PlanProblems;
import izzet.core.quantity.Names;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Lazy;
import org.springframework.data.domain.Limit;
import org.springframework.data.domain.PageRequest;
import org.springframework.orm.ObjectOptimisticLockingFailureException;
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

    private static final int MOST_DELETED = 100;
    /** Documents in the memory at a time. */
    private static final int AT_ONCE = 50;

    private static final int COPY_NAME = 80;
    private static final Logger LOG = LoggerFactory.getLogger(PlanStore.class);

    private final PlanRows plans;
    private final RevisionRows revisions;
    private final PlanPointRows points;
    private final EntityManager entities;
    private final PlanDocument documents;
    private final Shelf shelf;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    PlanStore(
            PlanRows plans,
            RevisionRows revisions,
            PlanPointRows points,
            EntityManager entities,
            PlanDocument documents,
            Shelf shelf,
            Clock clock,
            ApplicationEventPublisher events) {
        this.plans = plans;
        this.revisions = revisions;
        this.points = points;
        this.entities = entities;
        this.documents = documents;
        this.shelf = shelf;
        this.clock = clock;
        this.events = events;
    }

    /**
     * @param board id in the catalogue; empty when the current revision cannot be read
     * @param readable whether the current revision can be read
     */
    public record Entry(
            long id, long version, String name, String board, int parts, java.time.Instant changed, boolean readable) {}

    /**
     * A page of the plans that are not deleted, last changed first.
     *
     * @param page counted from 0
     */
    public List<Entry> list(int page, int size) {
        List<Entry> all = new ArrayList<>();
        List<PlanRow> rows = plans.kept(PageRequest.of(page, size));
        for (int from = 0; from < rows.size(); from += AT_ONCE) {
            List<PlanRow> some = rows.subList(from, Math.min(rows.size(), from + AT_ONCE));
            Map<Long, String> documents = revisions
                    .current(some.stream().map(PlanRow::id).toList())
                    .stream()
                    .collect(Collectors.toMap(r -> r.id().planId(), RevisionRow::document));
            some.forEach(r -> all.add(entry(r, documents.get(r.id()))));
        }
        return all;
    }

    /** A plan by its name. */
    public record Named(long id, String name) {}

    /** The names of the last changed plans, without reading them. */
    public List<Named> names(int most) {
        return named(plans.kept(PageRequest.of(0, most)));
    }

    /** Plans that are not deleted. */
    public long count() {
        return plans.countKept();
    }

    /** Deleted plans, which can be taken back; the latest. */
    public List<Named> deleted() {
        return named(plans.deleted(PageRequest.of(0, MOST_DELETED)));
    }

    private static List<Named> named(List<PlanRow> rows) {
        return rows.stream().map(r -> new Named(r.id(), r.name())).toList();
    }

    private Entry entry(PlanRow row, String document) {
        try {
            Plan plan = documents.readStored(document);
            return new Entry(
                    row.id(),
                    row.version(),
                    plan.name(),
                    plan.board(),
                    plan.parts().size(),
                    row.changedAt(),
                    true);
        } catch (RuntimeException e) {
            LOG.warn("The current revision of plan {} cannot be read.", row.id(), e);
            return new Entry(row.id(), row.version(), row.name(), "", 0, row.changedAt(), false);
        }
    }

    public long create(Plan made, String done) {
        Plan plan = shelf.pinned(made);
        refuseBroken(plan);
        long id = plans.save(new PlanRow(plan.name(), clock.instant())).id();
        insertRevision(id, 1, done, plan);
        return id;
    }

    /** @throws NoSuchThing when there is no such plan; deleted ones are found */
    @Transactional(readOnly = true)
    public StoredPlan get(long id) {
        PlanRow row = row(id);
        int number = row.currentNumber();
        return new StoredPlan(
                id,
                row.version(),
                number,
                revision(id, number),
                row.deleted(),
                number > 1 ? revisions.done(id, number).orElse(null) : null,
                revisions.done(id, number + 1).orElse(null));
    }

    private PlanRow row(long id) {
        return plans.findById(id).orElseThrow(() -> gone(id));
    }

    /** @param done what made the plan what it is */
    public record Head(long version, String done) {}

    /** @throws NoSuchThing when there is no such plan; deleted ones are found */
    @Transactional(readOnly = true)
    public Head head(long id) {
        PlanRow row = row(id);
        return new Head(row.version(), revisions.done(id, row.currentNumber()).orElse("a change"));
    }

    /** @param done what undo would take back */
    public record Undoable(long version, String done) {}

    /** What undo would take back, also where the current revision cannot be read; empty when there is nothing. */
    @Transactional(readOnly = true)
    public Optional<Undoable> undoable(long id) {
        return plans.findById(id)
                .filter(row -> row.currentNumber() > 1)
                .map(row -> new Undoable(
                        row.version(), revisions.done(id, row.currentNumber()).orElse("the last change")));
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
        StoredPlan stored = at(id, version);
        Plan next = edit.apply(stored.plan());
        return next.equals(stored.plan()) ? stored : save(stored, next, edit.describe(stored.plan()));
    }

    /** Takes a whole new document as one revision. */
    public StoredPlan replace(long id, long version, Plan plan, String done) {
        return save(at(id, version), plan, done);
    }

    private StoredPlan save(StoredPlan stored, Plan made, String done) {
        Plan next = shelf.pinned(made);
        refuseBroken(next);
        move(stored.id(), stored.version(), stored.number() + 1, next.name());
        revisions.forgetAfter(stored.id(), stored.number());
        points.forgetAfter(stored.id(), stored.number());
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
        PlanRow row = row(id, version);
        int number = row.currentNumber() + by;
        if (number >= 1 && revisions.done(id, number).isPresent()) {
            move(id, version, number, revision(id, number).name());
        }
        return get(id);
    }

    private static NoSuchThing gone(long id) {
        return new NoSuchThing("There is no plan " + id + "; it may have been removed for good.");
    }

    private void move(long id, long version, int number, String name) {
        PlanRow row = row(id, version);
        row.stand(number, name, clock.instant());
        write(row);
    }

    private PlanRow row(long id, long version) {
        PlanRow row = row(id);
        if (row.version() != version) {
            throw stale(row);
        }
        return row;
    }

    private StalePlan stale(PlanRow row) {
        return new StalePlan(
                row.version(), revisions.done(row.id(), row.currentNumber()).orElse("a change"));
    }

    /** At once, so that a change that came between is told here. */
    private void write(PlanRow row) {
        try {
            plans.saveAndFlush(row);
            events.publishEvent(new PlanChanged(row.id()));
        } catch (ObjectOptimisticLockingFailureException e) {
            // Another one was quicker by a moment; what it did is seen once this transaction is over.
            throw new StalePlan(row.version() + 1, "a change of this moment");
        }
    }

    /**
     * A plan that has not changed since.
     *
     * @throws StalePlan when it has
     */
    @Transactional(readOnly = true)
    public StoredPlan at(long id, long version) {
        row(id, version);
        return get(id);
    }

    /** A deleted plan is kept and can be taken back. */
    public void delete(long id, long version) {
        PlanRow row = row(id, version);
        row.delete(clock.instant());
        write(row);
    }

    public void restore(long id) {
        PlanRow row = row(id);
        row.delete(null);
        write(row);
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
        String document = revisions
                .findById(new RevisionRow.Key(id, number))
                .map(RevisionRow::document)
                .orElseThrow(() -> new NoSuchThing("Plan " + id + " has no revision " + number + "."));
        try {
            return documents.readStored(document);
        } catch (RuntimeException e) {
            throw new UnreadableRevision(id, number, e);
        }
    }

    /** @param number of the revision */
    public record Change(int number, java.time.Instant at, String done, boolean current) {}

    /** The latest, newest first. */
    @Transactional(readOnly = true)
    public List<Change> history(long id, int most) {
        return history(id, Integer.MAX_VALUE, most);
    }

    /**
     * A stretch of the history, newest first.
     *
     * @param before number that they lie before
     */
    @Transactional(readOnly = true)
    public List<Change> history(long id, int before, int most) {
        int number = row(id).currentNumber();
        return revisions.changesBefore(id, before, Limit.of(most)).stream()
                .map(c -> new Change(c.number(), c.at(), c.done(), c.number() == number))
                .toList();
    }

    /** Names of revisions, by their number. */
    @Transactional(readOnly = true)
    public Map<Integer, String> points(long id) {
        Map<Integer, String> names = new LinkedHashMap<>();
        points.of(id).forEach(p -> names.put(p.number(), p.name()));
        return names;
    }

    /**
     * Gives a revision a name, or takes it away where the name is blank.
     *
     * @throws WrongField when the name is too long
     */
    public void name(long id, int number, String name) {
        revision(id, number);
        String clean = Names.cleaned(name).strip();
        if (clean.length() > PlanPointRow.MOST_NAME) {
            throw new WrongField("name", "A name has " + PlanPointRow.MOST_NAME + " characters at most.");
        }
        PlanPointRow.Key key = new PlanPointRow.Key(id, number);
        if (clean.isEmpty()) {
            points.deleteById(key);
        } else {
            points.save(new PlanPointRow(key, clean));
        }
    }

    private void insertRevision(long id, int number, String done, Plan plan) {
        shelf.keep(plan);
        entities.persist(new RevisionRow(
                id, number, clock.instant(), Names.cut(done, RevisionRow.MOST_DONE), documents.write(plan)));
    }

    private void refuseBroken(Plan plan) {
        // The schema's limits hold for edits made on pages, too.
        documents.read(documents.write(plan), shelf.catalog());
    }
}
