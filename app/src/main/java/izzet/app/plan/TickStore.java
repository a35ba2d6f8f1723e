package izzet.app.plan;

import izzet.app.store.TickRow;
import izzet.app.store.TickRows;
import java.util.Set;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;

/** Which wiring steps of a plan are done. A tick belongs to a wire: when the wire changes, its tick is gone. */
@Service
public class TickStore {

    private final TickRows ticks;

    TickStore(TickRows ticks) {
        this.ticks = ticks;
    }

    public Set<String> of(long planId) {
        return ticks.keys(planId);
    }

    /** Not in a transaction around it: one that failed could not go on. */
    public void set(long planId, String key, boolean done) {
        TickRow.Key row = new TickRow.Key(planId, key);
        if (!done) {
            ticks.deleteById(row);
            return;
        }
        try {
            ticks.save(new TickRow(row));
        } catch (DataIntegrityViolationException e) {
            if (!ticks.existsById(row)) {
                throw e;
            }
            // Another device ticked the same step in this moment; it is done.
        }
    }
}
