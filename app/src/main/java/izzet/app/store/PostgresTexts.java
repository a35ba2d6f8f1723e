package izzet.app.store;

import java.sql.Types;
import org.hibernate.boot.model.TypeContributions;
import org.hibernate.dialect.PostgreSQLDialect;
import org.hibernate.engine.jdbc.dialect.spi.DialectResolutionInfo;
import org.hibernate.service.ServiceRegistry;
import org.hibernate.type.descriptor.jdbc.LongVarcharJdbcType;
import org.hibernate.type.descriptor.jdbc.VarbinaryJdbcType;

/**
 * Documents and blocks in their rows, as {@code text} and {@code bytea} under the names of the migrations; the usual dialect keeps them as
 * objects beside, which nobody sweeps.
 */
public final class PostgresTexts extends PostgreSQLDialect {

    public PostgresTexts(DialectResolutionInfo info) {
        super(info);
    }

    /** The driver tells of a named type only that it is one. */
    @Override
    public boolean equivalentTypes(int one, int other) {
        return one == Types.DISTINCT || other == Types.DISTINCT || super.equivalentTypes(one, other);
    }

    @Override
    public void contributeTypes(TypeContributions contributions, ServiceRegistry registry) {
        super.contributeTypes(contributions, registry);
        var types = contributions.getTypeConfiguration().getJdbcTypeRegistry();
        types.addDescriptor(Types.CLOB, LongVarcharJdbcType.INSTANCE);
        types.addDescriptor(Types.BLOB, VarbinaryJdbcType.INSTANCE);
    }
}
