package izzet.core.author;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

class FormsTest {

    private static final String SCHEMA =
            """
            {"$defs": {"source": {"title": "Source", "hint": "its key", "type": "string"}},
             "type": "object", "required": ["name"], "properties": {
              "name": {"title": "Name", "group": "What it is", "type": "string", "maxLength": 40},
              "pump": {"group": "Water", "type": "object", "required": ["litres"], "properties": {
               "litres": {"title": "Moves", "unit": "l", "hint": "2.5", "type": "number", "exclusiveMinimum": 0, "description": "In an hour."},
               "dry": {"title": "Runs dry", "rare": true, "type": "boolean"},
               "source": {"$ref": "#/$defs/source"}}},
              "valves": {"title": "Valves", "row": "valve", "type": "array", "items": {"type": "object", "properties": {
               "way": {"title": "Way", "enum": ["in", "out"]},
               "drive": {"type": "object", "properties": {"volts": {"title": "Opens at", "unit": "V", "type": "number"}}}}}},
              "secret": {"type": "array", "items": {"type": "string"}, "description": "Only in files."}}}
            """;

    private static final FileField FILE = FileField.of(JsonMapper.shared().readTree(SCHEMA));

    @Test
    void aFieldOfTheSchemaIsAFieldOfTheForm() {
        ItemForm form = Forms.of(FILE);
        assertThat(form.groups()).containsOnlyKeys("What it is", "Water");
        assertThat(form.groups().get("Water"))
                .containsExactly(
                        new Column("pump/litres", "Moves, l", Column.Kind.NUMBER, List.of(), "2.5", false),
                        new Column("pump/dry", "Runs dry", Column.Kind.YES_NO, List.of("yes", "no"), "", true),
                        new Column("pump/source", "Source", Column.Kind.TEXT, List.of(), "its key", false));
        assertThat(form.sheets()).singleElement().satisfies(sheet -> {
            assertThat(sheet.pointer()).isEqualTo("/valves");
            assertThat(sheet.columns()).extracting(Column::path).containsExactly("way", "drive/volts");
            assertThat(sheet.columns()).extracting(Column::title).containsExactly("Way", "Opens at, V");
        });
        assertThat(form.others()).containsExactly("secret");
    }

    @Test
    void theGuideTellsEveryPlaceWithItsLimits() {
        List<FieldGuide.Row> rows = FieldGuide.of(FILE).sections().stream()
                .flatMap(s -> s.rows().stream())
                .toList();
        assertThat(rows)
                .extracting(FieldGuide.Row::place)
                .containsExactlyInAnyOrder(
                        "name",
                        "pump/litres",
                        "pump/dry",
                        "pump/source",
                        "valves[]/way",
                        "valves[]/drive/volts",
                        "secret");
        assertThat(rows)
                .contains(
                        new FieldGuide.Row("name", "Name", "text", "up to 40 characters", true, "", ""),
                        new FieldGuide.Row("pump/litres", "Moves, l", "number", "above 0", true, "In an hour.", "2.5"),
                        new FieldGuide.Row("valves[]/way", "Way", "in, out", "", false, "", ""),
                        new FieldGuide.Row("secret", "", "list: text", "", false, "Only in files.", ""));
    }

    /** What a form asks for and what the guide calls by the form's words are the same places. */
    @Test
    void formAndGuideKnowTheSameFields() {
        assertThat(titles(FieldGuide.PART)).containsExactlyInAnyOrderElementsOf(titles(Forms.PART));
        assertThat(titles(FieldGuide.BOARD)).containsExactlyInAnyOrderElementsOf(titles(Forms.BOARD));
    }

    private static List<String> titles(FieldGuide guide) {
        return guide.sections().stream()
                .flatMap(s -> s.rows().stream())
                .filter(r -> !r.title().isEmpty())
                // Sources of gates and switches, and the parts of a duty, stand in no form.
                .filter(r -> !r.place().matches("(busSwitch|clockGates?|pins\\[]/duties).*"))
                .map(FieldGuide.Row::title)
                .sorted()
                .toList();
    }

    private static List<String> titles(ItemForm form) {
        Stream<Column> columns = Stream.concat(
                form.groups().values().stream().flatMap(List::stream),
                form.sheets().stream().flatMap(s -> s.columns().stream()));
        return Stream.concat(
                        columns.filter(c -> !c.path().startsWith("@") && c.kind() != Column.Kind.DUTIES)
                                .map(Column::title),
                        Stream.of("Sources"))
                .sorted()
                .toList();
    }
}
