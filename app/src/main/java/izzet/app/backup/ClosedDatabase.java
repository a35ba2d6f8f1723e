package izzet.app.backup;

import java.nio.file.Path;
import org.h2.api.ErrorCode;
import org.h2.jdbcx.JdbcDataSource;
import org.hibernate.JDBCException;
import org.hibernate.SessionFactory;
import org.hibernate.StatelessSession;
import org.hibernate.cfg.AvailableSettings;
import org.hibernate.cfg.Configuration;
import org.hibernate.dialect.H2Dialect;

/** A database file that no program runs on, through a persistence unit without entities: for questions before the start and to backups. */
final class ClosedDatabase implements Database, AutoCloseable {

    private final SessionFactory factory;
    private final StatelessSession session;

    private ClosedDatabase(SessionFactory factory) {
        this.factory = factory;
        this.session = factory.openStatelessSession();
    }

    /**
     * Opens nothing yet: the first question does.
     *
     * @param url of the file, with its settings
     */
    static ClosedDatabase at(String url) {
        JdbcDataSource file = new JdbcDataSource();
        file.setUrl(url);
        file.setUser("sa");
        Configuration unit = new Configuration();
        unit.getProperties().put(AvailableSettings.JAKARTA_NON_JTA_DATASOURCE, file);
        unit.setProperty(AvailableSettings.DIALECT, H2Dialect.class.getName());
        unit.setProperty("hibernate.boot.allow_jdbc_metadata_access", "false");
        return new ClosedDatabase(unit.buildSessionFactory());
    }

    @Override
    public long number(String question) {
        begin();
        return ((Number) session.createNativeQuery(question, Object.class).getSingleResult()).longValue();
    }

    @Override
    public void copyTo(Path zip) {
        begin();
        session.createNativeMutationQuery("backup to ?1")
                .setParameter(1, zip.toString())
                .executeUpdate();
    }

    /** One transaction for all questions: without it the file would be opened for each. */
    private void begin() {
        if (!session.isJoinedToTransaction()) {
            session.beginTransaction();
        }
    }

    /** Whether a fault says that another program has the file open. */
    static boolean inUse(JDBCException e) {
        return e.getErrorCode() == ErrorCode.DATABASE_ALREADY_OPEN_1;
    }

    /** The last connection closes the file. */
    @Override
    public void close() {
        try {
            session.close();
        } finally {
            factory.close();
        }
    }
}
