package izzet.app.store;

import java.util.List;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.NativeQuery;

/** Plans, deleted ones too. */
public interface PlanRows extends JpaRepository<PlanRow, Long> {

    /** Those that are not deleted, last changed first. */
    @NativeQuery("select * from plan where deleted_at is null order by changed_at desc, id desc")
    List<PlanRow> kept(Pageable stretch);

    /** Those that are deleted, last changed first. */
    @NativeQuery("select * from plan where deleted_at is not null order by changed_at desc, id desc")
    List<PlanRow> deleted(Pageable stretch);

    /** How many are not deleted. */
    @NativeQuery("select count(*) from plan where deleted_at is null")
    long countKept();
}
