package izzet.app.store;

import java.util.Set;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

/** Wiring steps that are done. */
public interface TickRows extends JpaRepository<TickRow, TickRow.Key> {

    @Query("select t.id.stepKey from TickRow t where t.id.planId = :plan")
    Set<String> keys(long plan);
}
