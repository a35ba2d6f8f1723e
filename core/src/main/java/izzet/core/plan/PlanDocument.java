package izzet.core.plan;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import izzet.core.catalog.Catalog;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * The open plan format: reading with every check, and writing. Safe to share. The schema is published as
 * {@code plan.schema.json}; {@code docs/formats.md} describes it.
 */
public final class PlanDocument {

    /** Longest document accepted, in characters; a plan with 100 parts stays far below. */
    public static final int MAX_CHARS = 2_000_000;

    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .enable(SerializationFeature.INDENT_OUTPUT)
            .build();

    private final Schema schema;

    public PlanDocument() {
        try (InputStream in = PlanDocument.class.getResourceAsStream("/schema/plan.schema.json")) {
            schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                    .getSchema(JSON.readTree(in));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The document of a plan, indented, with a line end. */
    public String write(Plan plan) {
        return JSON.writeValueAsString(plan) + "\n";
    }

    /**
     * Reads a document from outside.
     *
     * @throws PlanProblems with line, place, value and remedy of everything that is wrong
     */
    public Plan read(String text, Catalog catalog) {
        if (text.length() > MAX_CHARS) {
            throw fault("the document has " + text.length() + " characters; " + MAX_CHARS + " are the most.");
        }
        try {
            JsonNode tree = JSON.readTree(text);
            if (tree == null || tree.isMissingNode()) {
                throw fault("it is empty; a plan document is one JSON object.");
            }
            List<PlanProblem> problems = schema.validate(tree).stream()
                    .map(e -> place(text, e.getInstanceLocation().toString(), readable(e.getMessage(), tree)))
                    .limit(PlanProblems.MOST)
                    .toList();
            if (!problems.isEmpty()) {
                throw new PlanProblems(problems);
            }
            Plan plan = JSON.treeToValue(tree, Plan.class);
            List<PlanProblem> broken = PlanChecks.of(plan, catalog).stream()
                    .limit(PlanProblems.MOST)
                    .map(p -> place(text, p.path(), p.message()))
                    .toList();
            if (!broken.isEmpty()) {
                throw new PlanProblems(broken);
            }
            return plan;
        } catch (JacksonException e) {
            var at = e.getLocation();
            int line = at == null ? 0 : at.getLineNr();
            throw new PlanProblems(List.of(new PlanProblem(
                    line,
                    "",
                    "it is not valid JSON: " + e.getOriginalMessage() + " (column "
                            + (at == null ? 0 : at.getColumnNr()) + ").")));
        }
    }

    /** Reads a document that this application wrote; trusts it. */
    public Plan readStored(String text) {
        return JSON.readValue(text, Plan.class);
    }

    private static PlanProblems fault(String message) {
        return new PlanProblems(List.of(new PlanProblem(0, "", message)));
    }

    private static String readable(String message, JsonNode tree) {
        if (message.contains("constant value '1'") || message.contains("must be the constant value '1'")) {
            return "version " + tree.path("version") + " is not known here; this program reads version " + Plan.VERSION
                    + ".";
        }
        return message;
    }

    private static PlanProblem place(String text, String path, String message) {
        return new PlanProblem(lineOf(text, path), path, message);
    }

    /** The line where the value at a JSON pointer begins; that of its nearest parent where it is missing. */
    static int lineOf(String text, String pointer) {
        int best = 1;
        int bestLength = -1;
        try (JsonParser parser = JSON.createParser(text)) {
            for (JsonToken token = parser.nextToken(); token != null; token = parser.nextToken()) {
                if (token == JsonToken.PROPERTY_NAME) {
                    continue;
                }
                String here = parser.streamReadContext().pathAsPointer().toString();
                boolean onTheWay = pointer.equals(here) || pointer.startsWith(here + "/");
                if (onTheWay && here.length() > bestLength) {
                    best = parser.currentTokenLocation().getLineNr();
                    bestLength = here.length();
                }
            }
        } catch (JacksonException e) {
            return best;
        }
        return best;
    }
}
