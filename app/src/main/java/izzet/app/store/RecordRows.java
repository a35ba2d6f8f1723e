package izzet.app.store;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.NativeQuery;
import org.springframework.data.jpa.repository.Query;

/** Records with their lines. */
public interface RecordRows extends JpaRepository<RecordRow, Long> {

    /** Newest first. */
    @Query("select r from RecordRow r where r.planId = :plan and r.whole order by r.id desc")
    List<RecordRow> of(long plan, Pageable stretch);

    @Query("select r from RecordRow r where r.id = :id and r.planId = :plan and r.whole")
    Optional<RecordRow> whole(long plan, long id);

    @NativeQuery("select count(*) from record where plan_id = :plan and whole")
    long countOf(long plan);

    @Query("select l from RecordLineRow l where l.id.recordId = :id order by l.id.line")
    List<RecordLineRow> lines(long id);

    @Query("select b from RecordBusRow b where b.recordId = :id order by b.id")
    List<RecordBusRow> buses(long id);

    @Query("select b from RecordBusRow b where b.recordId = :record and b.id = :bus")
    Optional<RecordBusRow> bus(long record, long bus);

    @Query(
            "select l from RecordBusLineRow l where l.id.busId in (select b.id from RecordBusRow b where b.recordId = :id)")
    List<RecordBusLineRow> busLines(long id);

    @Modifying
    @Query("delete from RecordBusLineRow l where l.id.busId = :bus")
    void forgetLines(long bus);

    @Modifying
    @Query("delete from RecordBusRow b where b.recordId = :record and b.id = :bus")
    int removeBus(long record, long bus);

    @Modifying
    @Query("delete from RecordRow r where r.id = :id and r.planId = :plan")
    void remove(long plan, long id);

    /** Those that an earlier run left half. */
    @Modifying
    @NativeQuery("delete from record where not whole and uploaded_at < :before")
    int sweep(Instant before);
}
