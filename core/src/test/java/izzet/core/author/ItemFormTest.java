package izzet.core.author;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.catalog.Board;
import izzet.core.catalog.CatalogItem;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.CatalogWriter;
import izzet.core.catalog.Part;
import java.io.IOException;
import java.io.InputStream;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class ItemFormTest {

    private static final CatalogReader READER = new CatalogReader();

    static Stream<CatalogItem> shelf() {
        return Stream.concat(Workbench.CATALOG.boards().values().stream(), Workbench.CATALOG.parts().values().stream());
    }

    @ParameterizedTest
    @MethodSource("shelf")
    void everyItemOfTheShelfGoesThroughTheFormAndComesBackTheSame(CatalogItem item) {
        ItemForm form = item instanceof Part ? Forms.PART : Forms.BOARD;
        Map<String, String> fields = form.fieldsOf(CatalogWriter.tree(item));
        fields.put("/id", item.id());
        ItemForm.Reading reading = form.read(fields, item.version());
        reading.tree().put("id", item.id());
        assertThat(reading.problems()).isEmpty();
        String text = CatalogWriter.text(reading.tree());
        CatalogItem back = item instanceof Part ? READER.part("form", text) : READER.board("form", text);
        assertThat(back).isEqualTo(item);
    }

    @ParameterizedTest
    @MethodSource("shelf")
    void everyItemIsWrittenAsAFileThatReadsBackTheSame(CatalogItem item) {
        String text = CatalogWriter.text(item);
        CatalogItem back = item instanceof Part ? READER.part("file", text) : READER.board("file", text);
        assertThat(back).isEqualTo(item);
    }

    /** A part as a person would type it from a data sheet. */
    private static Map<String, String> typed() {
        Map<String, String> fields = new LinkedHashMap<>(Map.of(
                "/name", "Tide gauge display",
                "/shortName", "tide gauge",
                "/kind", "display",
                "/summary", "A small panel from a drawer.",
                "/supply/minVolts", "3,0",
                "/supply/maxVolts", "5.5",
                "/supply/source", "own",
                "/sources/0/@key", "own",
                "/sources/0/@value", "Measured on the module in hand"));
        String[][] lines = {{"GND", "ground", "passive"}, {"VCC", "supply", "passive"}, {"IN", "control", "in"}};
        for (int i = 0; i < lines.length; i++) {
            fields.put("/lines/" + (i + 3) + "/id", lines[i][0]);
            fields.put("/lines/" + (i + 3) + "/role", lines[i][1]);
            fields.put("/lines/" + (i + 3) + "/direction", lines[i][2]);
            fields.put("/lines/" + (i + 3) + "/required", "yes");
        }
        fields.put("/levels/0/@key", "logic");
        fields.put("/levels/0/vih", "0.7 VCC");
        fields.put("/levels/0/vil", "0.3 VDD");
        fields.put("/levels/0/absMax", "VCC+0.3");
        fields.put("/levels/0/source", "own");
        fields.put("/interfaces/0/id", "direct");
        fields.put("/interfaces/0/name", "one line");
        return fields;
    }

    private static List<ItemForm.Problem> problems(Map<String, String> fields) {
        ItemForm.Reading reading = Forms.PART.read(fields, 1);
        reading.tree().put("id", "own-tide-gauge");
        return Forms.PART.problems(reading, READER.faultsOfPart(reading.tree()));
    }

    @Test
    void aTypedPartIsAPartOfTheShelf() {
        assertThat(problems(typed())).isEmpty();
        ItemForm.Reading reading = Forms.PART.read(typed(), 1);
        reading.tree().put("id", "own-tide-gauge");
        Part part = READER.part("typed", CatalogWriter.text(reading.tree()));
        assertThat(part.supply().minVolts()).isEqualTo(3.0);
        assertThat(part.lines()).extracting("id").containsExactly("GND", "VCC", "IN");
        assertThat(part.levels().get("logic").vih().at(5)).isEqualTo(3.5);
        assertThat(part.levels().get("logic").absMax().at(5)).isEqualTo(5.3);
    }

    @Test
    void faultsStandAtTheFieldThatTheyComeFrom() {
        Map<String, String> fields = typed();
        fields.put("/lines/4/role", "suply");
        fields.remove("/lines/5/direction");
        fields.put("/levels/0/vil", "lowish");
        fields.put("/supply/maxVolts", "five");
        fields.put("/supply/source", "elsewhere");
        assertThat(problems(fields))
                .extracting(ItemForm.Problem::field)
                .containsExactlyInAnyOrder("/supply/maxVolts", "/levels/0/vil", "/lines/4/role", "/lines/5/direction");
        assertThat(problems(fields))
                .anySatisfy(p -> assertThat(p.message()).contains("'suply'").contains("supply"));
        assertThat(problems(fields)).anySatisfy(p -> assertThat(p.message()).isEqualTo("needs a value"));
        assertThat(problems(fields))
                .anySatisfy(p -> assertThat(p.message()).contains("'five'").contains("3.3"));
    }

    @Test
    void whatTheSchemaCannotSayStandsAtItsFieldToo() {
        Map<String, String> fields = typed();
        fields.put("/supply/source", "elsewhere");
        fields.put("/lines/5/levels", "quiet");
        fields.put("/lines/4/interfaces", "direct sideways");
        assertThat(problems(fields))
                .extracting(ItemForm.Problem::field)
                .containsExactlyInAnyOrder("/supply/source", "/lines/5/levels", "/lines/4/interfaces");
    }

    @Test
    void otherThingsAreToldWhenTheyAreNoJson() {
        Map<String, String> fields = typed();
        fields.put(ItemForm.OTHER, "{\"kin\": ");
        assertThat(problems(fields)).extracting(ItemForm.Problem::field).containsExactly(ItemForm.OTHER);
        fields.put(ItemForm.OTHER, "[1]");
        assertThat(problems(fields)).extracting(ItemForm.Problem::field).containsExactly(ItemForm.OTHER);
        fields.put(ItemForm.OTHER, "{\"colour\": \"red\"}");
        assertThat(problems(fields)).isNotEmpty();
        fields.put(ItemForm.OTHER, "{\"kin\": {\"serial\": \"led\"}}");
        assertThat(problems(fields)).isEmpty();
    }

    @Test
    void tooManyRowsAreToldAndNotRead() {
        Map<String, String> fields = typed();
        for (int i = 0; i <= ItemForm.MOST_ROWS; i++) {
            fields.put("/traps/" + i + "/text", "mind the step");
        }
        assertThat(problems(fields)).anySatisfy(p -> {
            assertThat(p.field()).isEqualTo("/traps");
            assertThat(p.message()).contains("201 rows").contains("200");
        });
    }

    /** The form offers what the schema allows, no more and no less. */
    @ParameterizedTest
    @MethodSource("forms")
    void choicesAreThoseOfTheSchema(String name, ItemForm form) throws IOException {
        JsonNode schema;
        try (InputStream in = ItemFormTest.class.getResourceAsStream("/schema/" + name + ".schema.json")) {
            schema = JsonMapper.shared().readTree(in);
        }
        int compared = 0;
        for (var column : form.groups().values().stream().flatMap(List::stream).toList()) {
            compared += compare(schema, column.path(), column);
        }
        for (Sheet sheet : form.sheets()) {
            JsonNode table = property(schema, sheet.pointer().substring(1));
            JsonNode row = table.has("items") ? table.get("items") : table.get("additionalProperties");
            for (Column column : sheet.columns()) {
                if (sheet.shape() == Sheet.Shape.LIST) {
                    compared += compare(row, column.path(), column);
                }
            }
        }
        assertThat(compared).isGreaterThanOrEqualTo(3);
    }

    static Stream<org.junit.jupiter.params.provider.Arguments> forms() {
        return Stream.of(
                org.junit.jupiter.params.provider.Arguments.of("part", Forms.PART),
                org.junit.jupiter.params.provider.Arguments.of("board", Forms.BOARD));
    }

    private static int compare(JsonNode schema, String path, Column column) {
        JsonNode property = property(schema, path);
        assertThat(property.isMissingNode()).as("schema has %s", path).isFalse();
        if (!property.has("enum")) {
            assertThat(column.kind()).as(path).isNotEqualTo(Column.Kind.CHOICE);
            return 0;
        }
        List<String> allowed =
                property.get("enum").values().stream().map(JsonNode::asString).toList();
        assertThat(column.choices()).as(path).containsExactlyInAnyOrderElementsOf(allowed);
        return 1;
    }

    private static JsonNode property(JsonNode schema, String path) {
        JsonNode at = schema;
        for (String step : path.split("/")) {
            at = at.path("properties").path(step);
        }
        return at;
    }

    @Test
    void aBoardTypedWithAWrongRailIsToldAtThePin() {
        Board board = Workbench.CATALOG.board(Workbench.MCU).orElseThrow();
        Map<String, String> fields = Forms.BOARD.fieldsOf(CatalogWriter.tree(board));
        String rail = fields.keySet().stream()
                .filter(f -> f.endsWith("/rail"))
                .findFirst()
                .orElseThrow();
        fields.put(rail, "9V");
        ItemForm.Reading reading = Forms.BOARD.read(fields, 1);
        reading.tree().put("id", "own-board");
        assertThat(Forms.BOARD.problems(reading, READER.faultsOfBoard(reading.tree())))
                .extracting(ItemForm.Problem::field)
                .containsExactly(rail);
    }
}
