package izzet.app.store;

import java.util.Set;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.NativeQuery;

/** Wiring steps that are done. */
public interface TickRows extends JpaRepository<TickRow, TickRow.Key> {

    @NativeQuery("select step_key from tick where plan_id = :plan")
    Set<String> keys(long plan);
}
