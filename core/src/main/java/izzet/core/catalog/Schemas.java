package izzet.core.catalog;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SchemaRegistryConfig;
import com.networknt.schema.dialect.Dialect;
import com.networknt.schema.dialect.Dialects;
import com.networknt.schema.keyword.NonValidationKeyword;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The published schemas, which tell what is wrong in one language, whatever the machine speaks. */
public final class Schemas {

    /** What our schemas say beside JSON Schema: how a form asks for a field. */
    private static final List<String> FORMS = List.of("unit", "hint", "group", "row", "rare", "form");

    private Schemas() {}

    /** @param resource on the class path, such as {@code /schema/plan.schema.json} */
    public static Schema of(String resource) {
        SchemaRegistryConfig config =
                SchemaRegistryConfig.builder().locale(Locale.ENGLISH).build();
        Dialect.Builder dialect = Dialect.builder(Dialects.getDraft202012());
        FORMS.forEach(keyword -> dialect.keyword(new NonValidationKeyword(keyword)));
        return SchemaRegistry.withDefaultDialect(dialect.build(), registry -> registry.schemaRegistryConfig(config))
                .getSchema(tree(resource));
    }

    /** What stands in it. */
    public static JsonNode tree(String resource) {
        try (InputStream in = Schemas.class.getResourceAsStream(resource)) {
            return JsonMapper.shared().readTree(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
