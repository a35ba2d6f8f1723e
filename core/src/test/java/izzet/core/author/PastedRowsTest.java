package izzet.core.author;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.catalog.Level;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PastedRowsTest {

    private static final Sheet LINES = sheet(Forms.PART, "/lines");
    private static final Sheet PINS = sheet(Forms.BOARD, "/pins");

    private static Sheet sheet(ItemForm form, String pointer) {
        return form.sheets().stream()
                .filter(s -> s.pointer().equals(pointer))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void withoutHeadingTheColumnsAreThoseOfTheTable() {
        PastedRows pasted = PastedRows.of("1\tGND\tground\n2\tVCC\tsupply\tpassive\n", LINES);
        assertThat(pasted.rows())
                .containsExactly(
                        Map.of("header", "1", "id", "GND", "role", "ground"),
                        Map.of("header", "2", "id", "VCC", "role", "supply", "direction", "passive"));
    }

    @Test
    void aHeadingSaysWhichIsWhichAndForeignColumnsAreTold() {
        PastedRows pasted = PastedRows.of("Symbol;Pin;Colour;I/O\nSDA;4;blue;both\nSCL;3;green;in", LINES);
        assertThat(pasted.rows())
                .containsExactly(
                        Map.of("id", "SDA", "header", "4", "direction", "both"),
                        Map.of("id", "SCL", "header", "3", "direction", "in"));
        assertThat(pasted.ignored()).containsExactly("Colour");
    }

    @Test
    void aTooLongTextIsRefusedWithItsLimit() {
        assertThatThrownBy(() -> PastedRows.of("x\t1\n".repeat(202), LINES))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("202")
                .hasMessageContaining("200");
        assertThatThrownBy(() -> PastedRows.of("x".repeat(PastedRows.MOST_CHARS + 1), LINES))
                .hasMessageContaining("100001");
    }

    /** Random tables, quoted as spreadsheets do, come back cell by cell under their headings in any order. */
    @RepeatedTest(60)
    void randomTablesComeBack(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        List<Column> columns = new ArrayList<>(LINES.columns());
        java.util.Collections.shuffle(columns, random);
        columns = columns.subList(0, 2 + random.nextInt(5));
        char between = "\t;,|".charAt(random.nextInt(4));
        StringBuilder text = new StringBuilder(String.join(
                String.valueOf(between),
                columns.stream().map(c -> '"' + c.title() + '"').toList()));
        List<Map<String, String>> expected = new ArrayList<>();
        for (int i = 0; i < 1 + random.nextInt(8); i++) {
            Map<String, String> row = new LinkedHashMap<>();
            List<String> cells = new ArrayList<>();
            for (Column column : columns) {
                String cell = cell(random, between);
                if (!cell.isEmpty()) {
                    row.put(column.path(), cell);
                }
                boolean quote = cell.indexOf(between) >= 0 || cell.indexOf('"') >= 0 || random.nextInt(4) == 0;
                cells.add(quote ? '"' + cell.replace("\"", "\"\"") + '"' : cell);
            }
            String line = String.join(String.valueOf(between), cells);
            if (!line.isBlank()) {
                text.append(random.nextBoolean() ? "\n" : "\r\n").append(line);
                if (!row.isEmpty()) {
                    expected.add(row);
                }
            }
        }
        assertThat(PastedRows.of(text.toString(), LINES).rows()).isEqualTo(expected);
    }

    private static String cell(Random random, char between) {
        String signs = "aZ09 /._\"" + between;
        StringBuilder cell = new StringBuilder();
        for (int i = random.nextInt(6); i > 0; i--) {
            cell.append(signs.charAt(random.nextInt(signs.length())));
        }
        return cell.toString().strip();
    }

    @ParameterizedTest
    @CsvSource({
        "GND,ground,passive",
        "vcc,supply,passive",
        "SDA,i2c.sda,both",
        "SCL,i2c.scl,in",
        "DC,data-command,in",
        "RES,reset,in",
        "CS,select,in",
        "DB7,data,in"
    })
    void labelsTellTheirRole(String label, String role, String direction) {
        Map<String, String> row = LabelGuess.complete(Map.of("id", label), LINES);
        assertThat(row).containsEntry("role", role).containsEntry("direction", direction);
    }

    @Test
    void aGuessNeverOverwritesAndKeepsAwayFromAnotherRole() {
        assertThat(LabelGuess.complete(Map.of("id", "SDA", "direction", "in"), LINES))
                .containsEntry("direction", "in")
                .containsEntry("role", "i2c.sda");
        assertThat(LabelGuess.complete(Map.of("id", "DC", "role", "select"), LINES))
                .isEqualTo(Map.of("id", "DC", "role", "select"));
        assertThat(LabelGuess.complete(Map.of("id", "WHAT"), LINES)).isEqualTo(Map.of("id", "WHAT"));
    }

    @Test
    void aBoardsLabelsTellTheirFunctionsAndKeys() {
        assertThat(LabelGuess.complete(Map.of("label", "A0"), PINS))
                .containsEntry("id", "A0")
                .containsEntry("functions", "digital-in digital-out analog-in");
        assertThat(LabelGuess.complete(Map.of("label", "gnd"), PINS)).containsEntry("rail", "GND");
    }

    @ParameterizedTest
    @CsvSource({
        "2.0,0,2",
        "0.7 VCC,0.7,0",
        "VDD+0.3,1,0.3",
        "0.7 x VDD - 0.1,0.7,-0.1",
        "'0,25 supply + 0,8 V',0.25,0.8",
        "3.3 V,0,3.3"
    })
    void levelsAreReadAsDataSheetsWriteThem(String text, double ratio, double volts) {
        assertThat(LevelText.parse(text)).contains(new Level(ratio, volts));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "high", "0.7 of VCC", "VCC VCC", "1e9", "0.7 VCC + ", "--3"})
    void whatIsNoLevelIsRefused(String text) {
        assertThat(LevelText.parse(text)).isEmpty();
    }

    @RepeatedTest(60)
    void levelsComeBackAsWritten(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        double ratio = random.nextInt(3) == 0 ? random.nextInt(2) : random.nextInt(1200) / 1000.0;
        double volts = random.nextInt(3) == 0 ? 0 : (random.nextInt(12000) - 6000) / 1000.0;
        assertThat(LevelText.parse(LevelText.of(ratio, volts))).contains(new Level(ratio, volts));
    }
}
