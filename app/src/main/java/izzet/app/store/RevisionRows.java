package izzet.app.store;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.NativeQuery;
import org.springframework.data.jpa.repository.Query;

/** Histories of plans. */
public interface RevisionRows extends JpaRepository<RevisionRow, RevisionRow.Key> {

    /** A revision without its document. */
    record Change(int number, Instant at, String done) {}

    @NativeQuery("select done from plan_revision where plan_id = :plan and number = :number")
    Optional<String> done(long plan, int number);

    /** What some plans are now; few at once, since documents may be long. */
    @NativeQuery(
            """
            select r.* from plan p join plan_revision r on r.plan_id = p.id and r.number = p.current_number
            where p.id in (:plans)""")
    List<RevisionRow> current(List<Long> plans);

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
