package izzet.app.store;

import jakarta.persistence.EntityManagerFactory;
import java.util.ArrayList;
import java.util.List;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;

/**
 * Writes blocks of a record in batches, each in a transaction of its own, without keeping any: managed entities would fill the memory.
 * One for each writer; to be closed.
 */
public final class BlockStream implements AutoCloseable {

    private static final int BATCH = 32;

    private final StatelessSession session;
    private final List<Object> waiting = new ArrayList<>(BATCH);

    public BlockStream(EntityManagerFactory factory) {
        session = factory.unwrap(SessionFactory.class).openStatelessSession();
        session.setJdbcBatchSize(BATCH);
    }

    public void add(Object block) {
        waiting.add(block);
        if (waiting.size() == BATCH) {
            flush();
        }
    }

    /** Writes what waits. */
    public void flush() {
        if (waiting.isEmpty()) {
            return;
        }
        var transaction = session.beginTransaction();
        try {
            session.insertMultiple(waiting);
            transaction.commit();
        } catch (RuntimeException e) {
            transaction.rollback();
            throw e;
        }
        waiting.clear();
    }

    @Override
    public void close() {
        session.close();
    }
}
