package izzet.app.plan;

import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Which wiring steps of a plan are done. A tick belongs to a wire: when the wire changes, its tick is gone. */
@Service
@Transactional
public class TickStore {

    private final JdbcClient db;

    TickStore(JdbcClient db) {
        this.db = db;
    }

    public Set<String> of(long planId) {
        return db.sql("select step_key from tick where plan_id = :id").param("id", planId).query(String.class).stream()
                .collect(Collectors.toSet());
    }

    public void set(long planId, String key, boolean done) {
        db.sql("delete from tick where plan_id = :id and step_key = :key")
                .param("id", planId)
                .param("key", key)
                .update();
        if (done) {
            try {
                db.sql("insert into tick (plan_id, step_key) values (:id, :key)")
                        .param("id", planId)
                        .param("key", key)
                        .update();
            } catch (DuplicateKeyException e) {
                // Another device ticked the same step in this moment; it is done.
                return;
            }
        }
    }
}
