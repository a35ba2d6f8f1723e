package izzet.app.store;

import com.zaxxer.hikari.HikariDataSource;
import com.zaxxer.hikari.SQLExceptionOverride;
import izzet.app.files.Reserve;
import java.nio.file.Path;
import java.sql.SQLException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.stereotype.Component;

/**
 * A file database that could not write closes itself, and the connections that are kept stay closed with it. They are let go, and the
 * next one opens the database again: without a restart, and on a full disk with the room of the {@link Reserve}.
 */
@Component
class Reopening implements BeanPostProcessor {

    private final Reserve reserve;

    Reopening(@Value("${izzet.data}") String data) {
        this.reserve = Reserve.in(Path.of(data).toAbsolutePath());
    }

    @Override
    public Object postProcessAfterInitialization(Object bean, String name) {
        if (bean instanceof HikariDataSource pool) {
            pool.setExceptionOverride(new Closed(pool, reserve));
        }
        return bean;
    }

    /** What to do with a connection that told of a fault. */
    record Closed(HikariDataSource pool, Reserve reserve) implements SQLExceptionOverride {

        @java.lang.Override
        public Override adjudicate(SQLException e) {
            if (!ClosedByFault.is(e)) {
                return Override.CONTINUE_EVICT;
            }
            reserve.release();
            if (pool.getHikariPoolMXBean() != null) {
                pool.getHikariPoolMXBean().softEvictConnections();
            }
            return Override.MUST_EVICT;
        }
    }
}
