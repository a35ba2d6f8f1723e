package izzet.app.store;

import java.time.Instant;
import java.util.List;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

/** Plans, deleted ones too. */
public interface PlanRows extends JpaRepository<PlanRow, Long> {

    /** A plan without its document, which may be long. */
    record Head(long id, long version, String name, Instant changedAt) {}

    /** Last changed first. */
    @Query(
            """
            select new izzet.app.store.PlanRows$Head(p.id, p.version, p.name, p.changedAt) from PlanRow p
            where p.deletedAt is not null and :deleted = true or p.deletedAt is null and :deleted = false
            order by p.changedAt desc, p.id desc""")
    List<Head> heads(boolean deleted, Pageable stretch);

    /** Plans that are not deleted. */
    long countByDeletedAtIsNull();
}
