package izzet.app.store;

import java.sql.Types;
import org.hibernate.boot.model.TypeContributions;
import org.hibernate.dialect.PostgreSQLDialect;
import org.hibernate.engine.jdbc.dialect.spi.DialectResolutionInfo;
import org.hibernate.service.ServiceRegistry;
import org.hibernate.type.descriptor.jdbc.LongVarcharJdbcType;
import org.hibernate.type.descriptor.jdbc.VarbinaryJdbcType;

/**
 * Documents and blocks in their rows, as {@code text} and {@code bytea}; the usual dialect keeps them as objects beside, which nobody
 * sweeps.
 */
public final class PostgresTexts extends PostgreSQLDialect {

    public PostgresTexts(DialectResolutionInfo info) {
        super(info);
    }

    @Override
    protected String columnType(int sqlTypeCode) {
        return switch (sqlTypeCode) {
            case Types.CLOB -> "text";
            case Types.BLOB -> "bytea";
            default -> super.columnType(sqlTypeCode);
        };
    }

    @Override
    public void contributeTypes(TypeContributions contributions, ServiceRegistry registry) {
        super.contributeTypes(contributions, registry);
        var types = contributions.getTypeConfiguration().getJdbcTypeRegistry();
        types.addDescriptor(Types.CLOB, LongVarcharJdbcType.INSTANCE);
        types.addDescriptor(Types.BLOB, VarbinaryJdbcType.INSTANCE);
    }
}
