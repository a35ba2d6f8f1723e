package izzet.core.catalog;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SchemaRegistryConfig;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Locale;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The published schemas, which tell what is wrong in one language, whatever the machine speaks. */
public final class Schemas {

    private Schemas() {}

    /** @param resource on the class path, such as {@code /schema/plan.schema.json} */
    public static Schema of(String resource) {
        SchemaRegistryConfig config =
                SchemaRegistryConfig.builder().locale(Locale.ENGLISH).build();
        return SchemaRegistry.withDefaultDialect(
                        SpecificationVersion.DRAFT_2020_12, registry -> registry.schemaRegistryConfig(config))
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
