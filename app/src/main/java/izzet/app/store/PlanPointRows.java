package izzet.app.store;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** Revisions with names. */
public interface PlanPointRows extends JpaRepository<PlanPointRow, PlanPointRow.Key> {

    @Query("select p from PlanPointRow p where p.id.planId = :plan order by p.id.number desc")
    List<PlanPointRow> of(long plan);

    /** Of revisions that an undo and a new change have replaced. */
    @Modifying
    @Query("delete from PlanPointRow p where p.id.planId = :plan and p.id.number > :number")
    void forgetAfter(long plan, int number);
}
