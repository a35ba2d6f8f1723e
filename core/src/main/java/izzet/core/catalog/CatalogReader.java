package izzet.core.catalog;

import com.networknt.schema.Schema;
import izzet.core.discovery.Discovery;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads the catalogue: every {@code .json} file below {@code /catalog/boards} and {@code /catalog/parts} on the class path. A new
 * file there is a new item; nothing else has to be told. Each file is checked against its published schema and then for what a
 * schema cannot say.
 */
public final class CatalogReader {

    /** Made when the first file is read. */
    private static final class Shape {
        static final JsonMapper JSON = JsonMapper.builder()
                .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .build();
        static final Schema BOARD = Schemas.of("/schema/board.schema.json");
        static final Schema PART = Schemas.of("/schema/part.schema.json");
    }

    /** The catalogue that ships with the application. Its files were checked when they were packed: {@link #main}. */
    public static Catalog shipped() {
        return CatalogPack.shipped();
    }

    /**
     * The same from its files, with every check.
     *
     * @throws CatalogException naming file, place, value and expected form
     */
    static Catalog checked() {
        CatalogReader reader = new CatalogReader();
        List<Board> boards = new ArrayList<>();
        List<Part> parts = new ArrayList<>();
        Discovery.texts("/catalog/boards", ".json").forEach((name, text) -> boards.add(reader.board(name, text)));
        Discovery.texts("/catalog/parts", ".json").forEach((name, text) -> parts.add(reader.part(name, text)));
        return new Catalog(boards, parts);
    }

    /**
     * Run by the build, so that a file that cannot be used is told there, and so that a start finds all of them packed.
     *
     * @param folder of the compiled classes
     * @throws IOException when the pack cannot be written
     */
    public static void main(String[] folder) throws IOException {
        try {
            Catalog all = checked();
            Path classes = Path.of(folder[0]);
            Files.write(
                    classes.resolve(CatalogPack.FILE),
                    CatalogPack.of(all.boards().values(), all.parts().values()));
            KeptItems.number(classes);
        } catch (CatalogException e) {
            System.err.println(e.getMessage());
            System.exit(1);
        }
    }

    /** @throws CatalogException naming file, place, value and expected form */
    public Board board(String file, String text) {
        return read(file, text, Shape.BOARD, Board.class, b -> new CatalogChecks().faultsOf(b));
    }

    /** @throws CatalogException naming file, place, value and expected form */
    public Part part(String file, String text) {
        return read(file, text, Shape.PART, Part.class, p -> new CatalogChecks().faultsOf(p));
    }

    /** Everything that is wrong with a board's file; empty when it can be read. */
    public List<CatalogFault> faultsOfBoard(JsonNode tree) {
        return faults(tree, Shape.BOARD, Board.class, b -> new CatalogChecks().faultsOf(b));
    }

    /** Everything that is wrong with a part's file; empty when it can be read. */
    public List<CatalogFault> faultsOfPart(JsonNode tree) {
        return faults(tree, Shape.PART, Part.class, p -> new CatalogChecks().faultsOf(p));
    }

    private static <T> List<CatalogFault> faults(
            JsonNode tree, Schema schema, Class<T> type, Function<T, List<CatalogFault>> checks) {
        List<CatalogFault> faults =
                schema.validate(tree).stream().map(CatalogReader::fault).toList();
        return faults.isEmpty() ? checks.apply(Shape.JSON.treeToValue(tree, type)) : faults;
    }

    /** With the value, which the schema's own sentence leaves out. */
    private static CatalogFault fault(com.networknt.schema.Error e) {
        JsonNode node = e.getInstanceNode();
        boolean told = node == null || node.isContainer() || node.isMissingNode();
        return new CatalogFault(
                e.getInstanceLocation().toString(),
                told ? e.getMessage() : "'" + node.asString() + "': " + e.getMessage());
    }

    private static <T> T read(
            String file, String text, Schema schema, Class<T> type, Function<T, List<CatalogFault>> checks) {
        try {
            String beyond = DocumentBounds.fault(text);
            if (beyond != null) {
                throw new CatalogException(file, List.of(beyond));
            }
            JsonNode tree = Shape.JSON.readTree(text);
            if (tree == null || tree.isMissingNode()) {
                throw new CatalogException(file, List.of("it is empty; one JSON object is expected"));
            }
            refuse(
                    file,
                    schema.validate(tree).stream().map(CatalogReader::fault).toList());
            T item = Shape.JSON.treeToValue(tree, type);
            refuse(file, checks.apply(item));
            return item;
        } catch (JacksonException e) {
            var at = e.getLocation();
            throw new CatalogException(
                    file,
                    List.of((at == null ? "" : "line " + at.getLineNr() + ", column " + at.getColumnNr() + ": ")
                            + e.getOriginalMessage()));
        }
    }

    private static void refuse(String file, List<CatalogFault> faults) {
        if (!faults.isEmpty()) {
            throw new CatalogException(
                    file, faults.stream().map(CatalogFault::toString).toList());
        }
    }
}
