package izzet.app.store;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

/** What was measured. */
public interface MeasurementRows extends JpaRepository<MeasurementRow, MeasurementRow.Key> {

    @Query("select m from MeasurementRow m where m.id.planId = :plan")
    List<MeasurementRow> of(long plan);
}
