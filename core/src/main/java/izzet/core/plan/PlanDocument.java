package izzet.core.plan;

import com.networknt.schema.Schema;
import izzet.core.catalog.Board;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogException;
import izzet.core.catalog.CatalogItem;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.CatalogWriter;
import izzet.core.catalog.DocumentBounds;
import izzet.core.catalog.Part;
import izzet.core.catalog.Schemas;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

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

    private static final int AT_A_TIME = 20;

    private static final String OWN_BOARDS = "ownBoards";
    private static final String OWN_PARTS = "ownParts";

    /** As in the schema. */
    private static final Map<String, Integer> MOST =
            Map.of(OWN_BOARDS, 1, OWN_PARTS, 100, "parts", 100, "buses", 20, "connections", 1000, "resistors", 100);

    /** Made when the first document from outside is checked. */
    private static final class Published {
        static final Schema SCHEMA = Schemas.of("/schema/plan.schema.json");
    }

    private final CatalogReader reader = new CatalogReader();
    private final PlanUpgrades upgrades = new PlanUpgrades(PlanUpgrades.STEPS);

    /** The document of a plan with the own items that it is made with. */
    public String write(PlanParcel parcel) {
        ObjectNode tree = JSON.valueToTree(parcel.plan());
        put(tree, OWN_BOARDS, parcel.boards());
        put(tree, OWN_PARTS, parcel.parts());
        return JSON.writeValueAsString(tree) + "\n";
    }

    private static void put(ObjectNode tree, String list, List<? extends CatalogItem> items) {
        if (!items.isEmpty()) {
            ArrayNode array = tree.putArray(list);
            items.forEach(i -> array.add(CatalogWriter.tree(i)));
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
        return parcel(text, catalog).plan();
    }

    /**
     * Reads a document from outside, with the own items that came along.
     *
     * @throws PlanProblems with line, place, value and remedy of everything that is wrong
     */
    public PlanParcel parcel(String text, Catalog catalog) {
        if (text.length() > MAX_CHARS) {
            throw fault("the document has " + text.length() + " characters; " + MAX_CHARS + " are the most.");
        }
        try {
            String beyond = DocumentBounds.fault(text);
            if (beyond != null) {
                throw fault(beyond);
            }
            JsonNode read = JSON.readTree(text);
            if (read == null || read.isMissingNode()) {
                throw fault("it is empty; a plan document is one JSON object.");
            }
            JsonNode tree = read instanceof ObjectNode object ? upgrades.upgraded(object) : read;
            List<PlanProblem> problems = problems(text, tree);
            if (!problems.isEmpty()) {
                throw new PlanProblems(problems);
            }
            ObjectNode document = (ObjectNode) tree;
            List<PlanProblem> wrong = new ArrayList<>();
            List<Board> boards = items(text, document, OWN_BOARDS, reader::board, wrong);
            List<Part> parts = items(text, document, OWN_PARTS, reader::part, wrong);
            if (!wrong.isEmpty()) {
                throw new PlanProblems(wrong);
            }
            PlanParcel parcel = new PlanParcel(JSON.treeToValue(document, Plan.class), boards, parts);
            List<PlanProblem> broken = PlanChecks.of(parcel.plan(), parcel.catalog(catalog)).stream()
                    .limit(PlanProblems.MOST)
                    .map(p -> place(text, p.path(), p.message()))
                    .toList();
            if (!broken.isEmpty()) {
                throw new PlanProblems(broken);
            }
            return parcel;
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

    /** Takes a list of own items out of the document and reads each like a file of its own. */
    private static <T> List<T> items(
            String text,
            ObjectNode document,
            String list,
            BiFunction<String, String, T> read,
            List<PlanProblem> wrong) {
        List<T> items = new ArrayList<>();
        JsonNode found = document.remove(list);
        for (int i = 0; found != null && i < found.size(); i++) {
            try {
                String id = found.get(i).path("id").asString("");
                items.add(read.apply(id.isEmpty() ? list + " " + i : id, JSON.writeValueAsString(found.get(i))));
            } catch (CatalogException e) {
                wrong.add(place(text, "/" + list + "/" + i, e.getMessage()));
            }
        }
        return items;
    }

    /**
     * Reads a document that this application wrote, in whatever version; trusts it.
     *
     * @throws PlanProblems when a later version of the application wrote it
     */
    public Plan readStored(String text) {
        JsonNode tree = upgrades.upgraded((ObjectNode) JSON.readTree(text));
        if (tree.path("version").asInt() > Plan.VERSION) {
            throw fault(unknownVersion(tree));
        }
        return JSON.treeToValue(tree, Plan.class);
    }

    /** A few rows at a time, so that a document of wrong rows costs no more than the problems that are told. */
    private List<PlanProblem> problems(String text, JsonNode tree) {
        List<PlanProblem> found = new ArrayList<>();
        if (!(tree instanceof ObjectNode document)) {
            validate(text, tree, "", 0, found);
            return found;
        }
        ObjectNode frame = JSON.createObjectNode().setAll(document);
        List<String> lists = document.propertyNames().stream()
                .filter(name -> document.get(name).isArray())
                .toList();
        lists.forEach(name -> frame.set(name, JSON.createArrayNode()));
        validate(text, frame, "", 0, found);
        for (String name : lists) {
            ArrayNode all = (ArrayNode) document.get(name);
            for (int first = 0; first < all.size() && found.size() < PlanProblems.MOST; first += AT_A_TIME) {
                ArrayNode some = JSON.createArrayNode();
                for (int i = first; i < Math.min(all.size(), first + AT_A_TIME); i++) {
                    some.add(all.get(i));
                }
                ObjectNode part = JSON.createObjectNode().setAll(frame);
                part.set(name, some);
                validate(text, part, "/" + name + "/", first, found);
            }
        }
        Optional<PlanProblem> tooMany =
                lists.stream().flatMap(n -> beyond(text, document, n).stream()).findFirst();
        tooMany.ifPresent(p -> found.add(0, p));
        return found;
    }

    /** The schema's own limit of a list, which the rows by themselves do not meet. */
    private Optional<PlanProblem> beyond(String text, ObjectNode document, String name) {
        Integer most = MOST.get(name);
        int size = document.get(name).size();
        return most == null || size <= most
                ? Optional.empty()
                : Optional.of(place(text, "/" + name, "there are " + size + " entries; " + most + " are the most."));
    }

    private void validate(String text, JsonNode tree, String list, int first, List<PlanProblem> found) {
        Published.SCHEMA.validate(tree).stream()
                .filter(e -> e.getInstanceLocation().toString().startsWith(list))
                .limit(PlanProblems.MOST - (long) found.size())
                .forEach(e -> {
                    String path = e.getInstanceLocation().toString();
                    String there = list.isEmpty() ? path : shifted(path, list.length(), first);
                    found.add(place(text, there, readable(e.getMessage(), tree)));
                });
    }

    private static String shifted(String path, int from, int by) {
        int end = path.indexOf('/', from);
        int row = Integer.parseInt(end < 0 ? path.substring(from) : path.substring(from, end));
        return path.substring(0, from) + (row + by) + (end < 0 ? "" : path.substring(end));
    }

    private static PlanProblems fault(String message) {
        return new PlanProblems(List.of(new PlanProblem(0, "", message)));
    }

    private static String readable(String message, JsonNode tree) {
        if (message.contains("constant value '1'") || message.contains("must be the constant value '1'")) {
            return unknownVersion(tree);
        }
        return message;
    }

    private static String unknownVersion(JsonNode tree) {
        return "version " + tree.path("version") + " is not known here; this program reads version " + Plan.VERSION
                + ".";
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
