package izzet.core.draw;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.decode.CharacterTransfer;
import izzet.core.display.Glass;
import izzet.core.display.Interpreter;
import izzet.core.display.Interpreters;
import izzet.core.display.Panel;
import izzet.core.display.Picture;
import izzet.core.display.Session;
import izzet.core.display.Window;
import izzet.core.draw.tools.CommandsTool;
import izzet.core.draw.tools.WindowTool;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What the tools answer, and that what they make is read back as what was meant. */
class ToolsTest {

    private static JsonNode ask(String tool, String json) {
        return Tools.of(tool).orElseThrow().answer(new Asked(JsonMapper.shared().readTree(json.replace('\'', '"'))));
    }

    private static List<String> strings(JsonNode list) {
        List<String> all = new ArrayList<>();
        list.forEach(one -> all.add(one.asString()));
        return all;
    }

    @Test
    void aTextIsPlacedByItsAnchor() {
        JsonNode answer = ask(
                "text",
                "{'columns':16,'rows':2,'texts':[{'text':'Up','anchor':'top right'},{'text':'late','anchor':'bottom centre'}]}");
        assertThat(strings(answer.get("lines"))).containsExactly("              Up", "      late      ");
        assertThat(answer.get("placed").get(1).get("command").asString()).isEqualTo("0xC6");
        assertThat(answer.get("placed").get(1).get("remarks")).isEmpty();
    }

    /** The 41st character of a line goes on in the other; on four rows, the 21st of the first goes on in the third. */
    @Test
    void whatDoesNotFitIsToldWhereItGoes() {
        JsonNode two = ask("text", "{'columns':16,'rows':2,'texts':[{'text':'" + "x".repeat(42) + "'}]}");
        assertThat(strings(two.get("placed").get(0).get("remarks")))
                .anyMatch(r -> r.contains("beyond the glass"))
                .anyMatch(r -> r.startsWith("“xx” goes on in another row"));
        JsonNode four = ask("text", "{'columns':20,'rows':4,'texts':[{'text':'" + "y".repeat(21) + "'}]}");
        assertThat(strings(four.get("lines")).get(2)).startsWith("y ");
    }

    @Test
    void textsOverOneAnotherAndLettersThatAreNotThereAreTold() {
        JsonNode answer = ask("text", "{'columns':16,'rows':2,'texts':[{'text':'Platform'},{'text':'Hał'}]}");
        assertThat(strings(answer.get("placed").get(1).get("remarks")))
                .anyMatch(r -> r.contains("over text 1"))
                .anyMatch(r -> r.contains("“ł”"));
        assertThat(strings(answer.get("lines")).get(0)).startsWith("Ha?tform");
        JsonNode shifted = ask("text", "{'columns':16,'rows':2,'shift':3,'texts':[{'text':'Platform'}]}");
        assertThat(strings(shifted.get("lines")).get(0)).startsWith("tform");
    }

    @Test
    void boxesOfPixelsAreCut() {
        JsonNode answer = ask(
                "text",
                "{'kind':'pixels','columns':128,'rows':64,'size':2,'texts':[{'text':'Platform twelve','row':50}]}");
        JsonNode placed = answer.get("placed").get(0);
        assertThat(placed.get("width").asInt()).isEqualTo(180);
        assertThat(placed.get("seen").asInt()).isEqualTo(10);
        assertThat(strings(placed.get("remarks"))).hasSize(2);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "..#.. .###. ##### ..#.. ..#.. ..#.. ..... ..... | 04 0E 1F 04 04 04 00 00",
                "{0x04, 0x0E, 0x1F, 4, 4, 4} | 04 0E 1F 04 04 04 00 00",
                "byte arrow[8] = {B00100, B01110, B11111, B00100, B00100, B00100, B00000, B00000}; | 04 0E 1F 04 04 04 00 00",
                "$04 $0E $1F ; rows | 04 0E 1F 00 00 00 00 00",
                "\\x04\\x0e\\x1f | 04 0E 1F 00 00 00 00 00",
            })
    void glyphsAreReadInAnyForm(String rows, String bytes) {
        ObjectNode asked = JsonMapper.shared().createObjectNode().put("rows", rows);
        JsonNode answer = Tools.of("glyph").orElseThrow().answer(new Asked(asked));
        assertThat(answer.get("hex").asString()).isEqualTo(bytes);
        for (String form : List.of("c", "python", "assembler", "binary")) {
            ObjectNode again = JsonMapper.shared()
                    .createObjectNode()
                    .put("rows", answer.get(form).asString().replace("glyph:", ""));
            assertThat(Tools.of("glyph")
                            .orElseThrow()
                            .answer(new Asked(again))
                            .get("hex")
                            .asString())
                    .as(form)
                    .isEqualTo(bytes);
        }
    }

    /** What it takes of the board's memory and flash, where these are told. */
    @Test
    void aPictureIsHeldAgainstTheBoard() {
        String picture = "{'columns':128,'rows':64,'width':2,'pixels':[0,16777215],'form':'page'";
        assertThat(ask("picture", picture + "}").get("room")).isEmpty();
        assertThat(strings(
                        ask("picture", picture + ",'ram':2048,'flash':32768}").get("room")))
                .containsExactly(
                        "Held in variables, as a frame buffer is, it takes 1024 of the board's 2048 bytes of memory (50 %).",
                        "As a constant it takes 1024 of the board's 32768 bytes of flash (3 %), which the program itself needs, too.");
        assertThat(strings(ask("picture", picture + ",'ram':512,'flash':1000}").get("room")))
                .allMatch(r -> r.contains("it does not fit"));
    }

    @Test
    void aGlyphIsMirroredAndInverted() {
        assertThat(ask("glyph", "{'rows':'0x01','mirror':true}").get("hex").asString())
                .startsWith("10 00");
        assertThat(ask("glyph", "{'rows':'0x01','invert':true}").get("hex").asString())
                .startsWith("1E 1F");
        assertThatThrownBy(() -> ask("glyph", "{'rows':'0x20'}")).hasMessageContaining("0x1F");
    }

    @Test
    void aSetUpIsExplainedWithItsMistakes() {
        JsonNode answer = ask(
                "commands", "{'family':'page-oled','bytes':'AE 21 00 80 22 00 07 A8 1F AF','columns':128,'rows':64}");
        assertThat(answer.get("lines").get(1).get("words").asString()).isEqualTo("columns 0 to 128");
        assertThat(strings(answer.get("lines").get(1).get("mistakes")))
                .singleElement()
                .asString()
                .contains("127");
        assertThat(answer.get("lines").get(2).get("mistakes")).isEmpty();
        assertThat(strings(answer.get("differs")))
                .anyMatch(d -> d.contains("32 of its 64"))
                .anyMatch(d -> d.contains("charge pump"));
        JsonNode clear = ask("commands", "{'family':'character','bytes':'38 0C 10'}");
        assertThat(strings(clear.get("lines").get(2).get("mistakes")))
                .singleElement()
                .asString()
                .contains("0x01");
        JsonNode window = ask(
                "commands", "{'family':'dcs','bytes':'2A 00 0A 00 80\\n2C\\nB1 01 2C 2D','columns':128,'rows':160}");
        assertThat(strings(window.get("lines").get(0).get("mistakes")))
                .singleElement()
                .asString()
                .contains("127");
        assertThat(window.get("lines").get(2).get("words").asString()).startsWith("command 0xB1 with 3 bytes");
    }

    @Test
    void bytesThatBelongToACommandAreExplainedWithIt() {
        JsonNode scroll =
                ask("commands", "{'family':'page-oled','bytes':'29 00 00 07 03 01 2F 91 3F 3F 3F 3F D8 05 A8'}");
        assertThat(words(scroll))
                .containsExactly(
                        "scroll right, pages 0 to 3, a column each 2 frames, rows up each: 1",
                        "scroll on",
                        "look-up table of pulse widths",
                        "area colours 0x05",
                        "rows …");
        assertThat(strings(scroll.get("lines").get(4).get("mistakes")))
                .containsExactly("It takes 1 byte more; none is here.");
        JsonNode pixels = ask("commands", "{'family':'dcs','bytes':'2C F8 00 29\\n29'}");
        assertThat(words(pixels)).containsExactly("writes pixels, 3 bytes of them", "display on");
        JsonNode paper = ask("commands", "{'family':'electronic-paper','bytes':'44 00 C7','columns':200,'rows':200}");
        assertThat(strings(paper.get("lines").get(0).get("mistakes")))
                .containsExactly("Columns are told by bytes of 8 pixels: the last one is 24.");
    }

    @Test
    void driversOfLampsAreExplainedByTheirWordsAndTransfers() {
        assertThat(words(ask("commands", "{'family':'digit-driver','bytes':'0C 01 0A 08 0B 07 01 FF'}")))
                .containsExactly("switched on", "brightness 8 of 15", "8 rows", "lamps");
        assertThat(words(ask("commands", "{'family':'lamp-driver','bytes':'21\\n83\\nA3\\nE7\\n00 FF 01'}")))
                .containsExactly(
                        "clock on",
                        "switched on, blinking at 2 Hz",
                        "its last pin tells of keys, high",
                        "brightness 7 of 15",
                        "lamps, 2 bytes of them");
        assertThat(strings(ask("commands", "{'family':'digit-driver','bytes':'09 00 0B 07'}")
                        .get("differs")))
                .anyMatch(d -> d.contains("shutdown"));
    }

    private static List<String> words(JsonNode answer) {
        List<String> all = new ArrayList<>();
        answer.get("lines").forEach(line -> all.add(line.get("words").asString()));
        return all;
    }

    /** A form tells which command its fields were filled in for. */
    @Test
    void aFormFilledInForAnotherCommandSaysNothing() {
        String form = "{'family':'page-oled','compose':'charge pump','given':'%s','on':'%s'}";
        assertThat(ask("commands", form.formatted("charge pump", ""))
                        .get("composedHex")
                        .asString())
                .isEqualTo("8D 10");
        assertThat(ask("commands", form.formatted("charge pump", "on"))
                        .get("composedHex")
                        .asString())
                .isEqualTo("8D 14");
        assertThat(ask("commands", form.formatted("display", ""))
                        .get("composedHex")
                        .asString())
                .isEqualTo("8D 14");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "AE;D5;80 | AE D5 80",
                "0xAE; 0xD5; 0x80; | AE D5 80",
                "0xAE ; D5 is the clock | AE",
                "AE D5 80 ; off, then 80 | AE D5 80",
                "AED580 | AE D5 80",
                "AEh, 0D5h, 80H | AE D5 80",
                "send(0xAE); | AE",
                "174, 213, 128 | AE D5 80",
            })
    void bytesAreReadWhateverStandsBetween(String text, String bytes) {
        assertThat(ByteText.hex(ByteText.read(text))).isEqualTo(bytes);
    }

    @Test
    void theWordThatIsNoByteIsTold() {
        assertThatThrownBy(() -> ByteText.read("AE GG 80")).hasMessageStartingWith("'GG' is no byte");
        assertThatThrownBy(() -> ByteText.read("lamp")).hasMessageStartingWith("No byte was found");
    }

    @Test
    void eachFamilyThatShowsHasItsCommands() {
        assertThat(CommandTable.all().keySet()).isEqualTo(CommandsTool.families());
        assertThat(CommandTable.all().values())
                .allSatisfy(t -> assertThat(t.title()).isNotBlank());
    }

    /** Whatever is composed is explained as the command that it was made from. */
    @Test
    void whatIsComposedIsExplained() {
        CommandTable.all().forEach((family, table) -> table.commands().forEach(command -> {
            ObjectNode asked =
                    JsonMapper.shared().createObjectNode().put("family", family).put("compose", command.name());
            String bytes = Tools.of("commands")
                    .orElseThrow()
                    .answer(new Asked(asked))
                    .get("composedHex")
                    .asString();
            ObjectNode back =
                    JsonMapper.shared().createObjectNode().put("family", family).put("bytes", bytes);
            JsonNode lines =
                    Tools.of("commands").orElseThrow().answer(new Asked(back)).get("lines");
            assertThat(lines).as(family + ": " + command.name()).hasSize(1);
            assertThat(lines.get(0).get("words").asString()).doesNotContain("…").doesNotContain("not known");
        }));
    }

    @Test
    void aWindowHasItsEndsIncluded() {
        JsonNode answer = ask(
                "window",
                "{'family':'dcs','x':10,'y':20,'width':32,'height':24,'columns':128,'rows':160,'offsetX':2,'offsetY':1}");
        assertThat(answer.get("lines").get(0).get("bytes").asString()).isEqualTo("2A 00 0C 00 2B");
        assertThat(answer.get("lines").get(1).get("bytes").asString()).isEqualTo("2B 00 15 00 2C");
        assertThat(answer.get("fills").get(0).get("bytes").asInt()).isEqualTo(32 * 24 * 2);
        assertThat(answer.get("remarks")).isEmpty();
        assertThat(strings(ask("window", "{'family':'dcs','x':120,'width':32,'columns':128}")
                        .get("remarks")))
                .hasSize(1);
        JsonNode pages = ask("window", "{'family':'page-oled-132','x':0,'y':8,'width':16,'height':16}");
        assertThat(pages.get("lines").get(0).get("bytes").asString()).isEqualTo("B1 02 10");
    }

    @Test
    void addressesOfSeveralPixelsAreToldAsSuch() {
        JsonNode grey = ask(
                "window",
                "{'family':'grey-oled','x':6,'y':2,'width':9,'height':3,'columns':256,'rows':64,'offsetX':112}");
        assertThat(grey.get("lines").get(0).get("bytes").asString()).isEqualTo("15 1D 1F");
        assertThat(strings(grey.get("remarks"))).singleElement().asString().contains("from 4 to 15");
        assertThat(grey.get("fills").get(0).get("bytes").asInt()).isEqualTo(12 / 2 * 3);
        JsonNode paper = ask(
                "window",
                "{'family':'electronic-paper','x':0,'y':0,'width':200,'height':200,'columns':200,'rows':200}");
        assertThat(paper.get("lines").get(1).get("bytes").asString()).isEqualTo("45 00 00 C7 00");
        assertThat(paper.get("fills").get(0).get("bytes").asInt()).isEqualTo(200 / 8 * 200);
    }

    /** What the window's commands open is what is filled, and nothing beside it. */
    @Test
    void aWindowIsFilledAndNothingBesideIt() {
        Random random = new Random(8);
        for (String family : WindowTool.families()) {
            Interpreter interpreter = Interpreters.of(family).orElseThrow();
            for (int round = 0; round < 20; round++) {
                Panel panel = Panel.plain(family, 128, 64);
                Glass.Area area =
                        new Glass.Area(8 * random.nextInt(8), 8 * random.nextInt(7), 8 * (1 + random.nextInt(8)), 8);
                Session session = interpreter.begin(panel);
                fill(session, interpreter, panel, new Glass.Area(0, 0, 128, 8), 0);
                for (int y = 8; y < 64; y += 8) {
                    fill(session, interpreter, panel, new Glass.Area(0, y, 128, 8), 0);
                }
                fill(session, interpreter, panel, area, 0xFF);
                Picture memory = ((Glass.Pixels) session.glass().orElseThrow()).memory(new Glass.Area(0, 0, 128, 64));
                for (int i = 0; i < 128 * 64; i++) {
                    int x = i % 128;
                    int y = i / 128;
                    boolean inside = x >= area.x()
                            && x < area.x() + area.width()
                            && y >= area.y()
                            && y < area.y() + area.height();
                    assertThat(memory.rgb()[i] != 0)
                            .as(family + " " + area + " at " + x + ", " + y)
                            .isEqualTo(inside);
                }
            }
        }
    }

    private static void fill(Session session, Interpreter interpreter, Panel panel, Glass.Area area, int value) {
        Window window = interpreter.window(panel, area).orElseThrow();
        for (Window.Line line : window.lines()) {
            interpreter.sent(panel.family(), line.bytes()).forEach(session::hear);
        }
        for (long i = 0; i < window.fills().get(0).bytes(); i++) {
            session.hear(new CharacterTransfer(0, 0, true, false, value, 0));
        }
    }

    @Test
    void coloursLoseWhatTheyLose() {
        JsonNode answer = ask("colour", "{'colour':'#FF8001'}");
        assertThat(answer.get("forms").get(2).get("bytes").asString()).isEqualTo("FC 00");
        assertThat(answer.get("forms").get(2).get("swapped").asString()).isEqualTo("00 FC");
        assertThat(ask("colour", "{'colour':'0xF800'}").get("colour").asString())
                .isEqualTo("#FF0000");
        assertThatThrownBy(() -> ask("colour", "{'colour':'rust'}")).hasMessageContaining("#2F6B9A");
        Random random = new Random(5);
        for (int i = 0; i < 2000; i++) {
            int colour = random.nextInt(1 << 24);
            for (Colours.Form form : Colours.Form.values()) {
                int back = form.back(form.value(colour));
                assertThat(form.value(back)).as("%s of %06x", form, colour).isEqualTo(form.value(colour));
                if (form != Colours.Form.GREY_4) {
                    assertThat(Colours.worst(colour, back)).isLessThanOrEqualTo(form == Colours.Form.BITS_12 ? 9 : 5);
                }
            }
        }
    }

    /** Text to bytes to glass to text: what was placed is what a display shows that gets these bytes. */
    @Test
    void aPlacedTextIsShown() {
        Random random = new Random(8);
        for (int round = 0; round < 200; round++) {
            int rows = List.of(1, 2, 4).get(random.nextInt(3));
            int columns = rows == 4 ? 20 : 16;
            StringBuilder text = new StringBuilder();
            for (int i = random.nextInt(columns); i >= 0; i--) {
                text.append((char) ('0' + random.nextInt(40)));
            }
            String clean = text.toString().replace('\\', '/').replace('"', '+');
            ObjectNode asked = JsonMapper.shared()
                    .createObjectNode()
                    .put("columns", columns)
                    .put("rows", rows);
            asked.putArray("texts").addObject().put("text", clean).put("row", random.nextInt(rows));
            JsonNode answer = Tools.of("text").orElseThrow().answer(new Asked(asked));
            Session session = Interpreters.of("character").orElseThrow().begin(Panel.plain("character", columns, rows));
            for (String set : List.of(rows > 1 ? "28" : "20", "0C", "01")) {
                session.hear(new CharacterTransfer(0, 0, false, false, Integer.parseInt(set, 16), 2));
            }
            int command =
                    Integer.decode(answer.get("placed").get(0).get("command").asString());
            session.hear(new CharacterTransfer(0, 0, false, false, command, 2));
            clean.chars().forEach(c -> session.hear(new CharacterTransfer(0, 0, true, false, c, 2)));
            assertThat(((Glass.Text) session.glass().orElseThrow()).lines()).isEqualTo(strings(answer.get("lines")));
        }
    }

    /** Picture to bytes to glass to picture, for pages and for 16 bits. */
    @Test
    void aPictureComesBackFromTheGlass() {
        Random random = new Random(3);
        int[] rgb = new int[128 * 64];
        for (int i = 0; i < rgb.length; i++) {
            rgb[i] = random.nextBoolean() ? 0xFFFFFF : 0;
        }
        PictureBytes pages = PictureBytes.of(
                new Picture(128, 64, false, rgb),
                new PictureBytes.Wish(128, 64, PictureBytes.Form.PAGE, "none", "whole", 0, 128, false, false));
        Session oled = Interpreters.of("page-oled").orElseThrow().begin(Panel.plain("page-oled", 128, 64));
        for (int c : new int[] {0x20, 0, 0xA1, 0xC8, 0xAF}) {
            oled.hear(new CharacterTransfer(0, 0, false, false, c, 0));
        }
        for (byte b : pages.bytes()) {
            oled.hear(new CharacterTransfer(0, 0, true, false, b & 0xFF, 0));
        }
        assertThat(((Glass.Pixels) oled.glass().orElseThrow()).seen().differences(pages.picture()))
                .isZero();
        PictureBytes colour = PictureBytes.of(
                new Picture(
                        64,
                        64,
                        false,
                        java.util.Arrays.stream(rgb)
                                .limit(4096)
                                .map(c -> c & random.nextInt(1 << 24))
                                .toArray()),
                new PictureBytes.Wish(32, 32, PictureBytes.Form.BITS_16, "diffuse", "fill", 1, 128, false, false));
        Session panel = Interpreters.of("dcs").orElseThrow().begin(Panel.plain("dcs", 32, 32));
        panel.hear(new CharacterTransfer(0, 0, false, false, 0x2C, 0));
        for (byte b : colour.bytes()) {
            panel.hear(new CharacterTransfer(0, 0, true, false, b & 0xFF, 0));
        }
        Picture shown = ((Glass.Pixels) panel.glass().orElseThrow()).memory(new Glass.Area(0, 0, 32, 32));
        for (int i = 0; i < shown.rgb().length; i++) {
            assertThat(Colours.worst(shown.rgb()[i], colour.picture().rgb()[i])).isLessThanOrEqualTo(4);
        }
    }

    @Test
    void aBitmapFileIsWholeAndHasItsSize() {
        PictureBytes made = PictureBytes.of(
                new Picture(3, 2, false, new int[] {1, 2, 3, 4, 5, 6}),
                new PictureBytes.Wish(3, 2, PictureBytes.Form.BITMAP, "none", "whole", 0, 128, false, false));
        assertThat(made.bytes()).hasSize(54 + 12 * 2).startsWith('B', 'M');
        // The lowest row comes first, blue before green before red.
        assertThat(made.bytes()[54]).isEqualTo((byte) 4);
    }
}
