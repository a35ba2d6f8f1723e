package izzet.app.store;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** Histories of plans. */
public interface RevisionRows extends JpaRepository<RevisionRow, RevisionRow.Key> {

    /** A revision without its document. */
    record Change(int number, Instant at, String done) {}

    @Query("select r.document from RevisionRow r where r.id.planId = :plan and r.id.number = :number")
    Optional<String> document(long plan, int number);

    @Query("select r.done from RevisionRow r where r.id.planId = :plan and r.id.number = :number")
    Optional<String> done(long plan, int number);

    /** What a plan is now. */
    record Current(long planId, String document) {}

    /** Of some plans; few at once, since documents may be long. */
    @Query(
            """
            select new izzet.app.store.RevisionRows$Current(p.id, r.document)
            from PlanRow p join RevisionRow r on r.id.planId = p.id and r.id.number = p.currentNumber where p.id in :plans""")
    List<Current> current(List<Long> plans);

    /** Newest first, of those before a number. */
    @Query(
            """
            select new izzet.app.store.RevisionRows$Change(r.id.number, r.at, r.done)
            from RevisionRow r where r.id.planId = :plan and r.id.number < :before order by r.id.number desc""")
    List<Change> changesBefore(long plan, int before, Limit limit);

    /** Forgets what was undone. */
    @Modifying
    @Query("delete from RevisionRow r where r.id.planId = :plan and r.id.number > :number")
    void forgetAfter(long plan, int number);
}
