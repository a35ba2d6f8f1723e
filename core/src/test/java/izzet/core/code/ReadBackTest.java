package izzet.core.code;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.Workbench;
import izzet.core.circuit.Circuit;
import izzet.core.code.ReadBack.Row;
import izzet.core.code.ReadBack.Verdict;
import izzet.core.kernel.Overlay;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ReadBackTest {

    private final Circuit circuit = Workbench.mcu()
            .with("sign", Workbench.OLED)
            .with("map", "colour-128x160-serial-shifted")
            .circuit();

    private Row only(String text) {
        List<Row> rows = ReadBack.of(circuit, text);
        assertThat(rows).hasSize(1);
        return rows.get(0);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "#define OLED_ADDRESS 0x3C|AGREES|address",
                "#define SCREEN_ADDRESS 0x3D ///< as on its back|DIFFERS|address",
                "display.begin(SWITCH, 0x3D);|DIFFERS|address",
                "const uint8_t lcdAddr = 60;|AGREES|address",
                "#define SCREEN_HEIGHT 32|DIFFERS|rows",
                "#define SCREEN_HEIGHT 64|AGREES|rows",
                "WIDTH = 128|AGREES|columns",
                "solomon,height = <64>;|AGREES|rows",
                "reg = <0x3c>;|AGREES|address",
                "#define TFT_CS 10|AGREES|select pin",
                "const int sdaPin = A4;|AGREES|bus data pin",
                "SDA = A5|DIFFERS|bus data pin",
                "address: 0x3C|AGREES|address",
                "'\"height\": 32,'|DIFFERS|rows"
            })
    void constantsAreHeldAgainstThePlan(String line, Verdict verdict, String what) {
        Row row = only(line);
        assertThat(row.verdict()).isEqualTo(verdict);
        assertThat(row.what()).isEqualTo(what);
    }

    @Test
    void aDifferenceSaysWhatThePlanHasAndWhatCouldBeTakenOver() {
        Row row = only("#define OLED_ADDR 0x3D");
        assertThat(row.plan()).isEqualTo("0x3C the sign");
        assertThat(row.take().words()).isEqualTo("Move the sign to 0x3D");
        assertThat(row.instead()).isEqualTo(new ReadBack.Instead(18, 22, "0x3C"));
        assertThat(only("#define OLED_ADDR 0x78").why()).contains("0x3C with the read/write bit");
        assertThat(only("#define OLED_ADDR 0x50").take()).isNull();
    }

    /** Reset on a pin that is not wired: the plan's display has no reset line at all. */
    @Test
    void aPinThatNothingHasIsTold() {
        Circuit alone = Workbench.mcu().with("sign", Workbench.OLED).circuit();
        Row row = ReadBack.of(alone, "#define OLED_RESET 4").get(0);
        assertThat(row.verdict()).isEqualTo(Verdict.UNKNOWN);
        assertThat(row.why()).contains("no such line");
    }

    /** Most examples say it of a display that has no reset; beside a panel that has one it is right all the same. */
    @Test
    void notConnectedIsRightForADisplayWithoutTheLine() {
        Row row = only("#define OLED_RESET -1");
        assertThat(row.verdict()).isEqualTo(Verdict.AGREES);
        assertThat(row.plan()).startsWith("the sign has none");
        Circuit panel =
                Workbench.mcu().with("map", "colour-128x160-serial-shifted").circuit();
        Row wired = ReadBack.of(panel, "#define TFT_RST -1").get(0);
        assertThat(wired.verdict()).isEqualTo(Verdict.DIFFERS);
        assertThat(wired.why()).contains("leaves the line alone");
    }

    /** After it is taken over the line agrees, whichever side was taken. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "mcu-8bit-5v-14-6|#define OLED_ADDR 0x3D|both",
                "mcu-8bit-5v-14-6|#define OLED_ADDR 0x50|text",
                "mcu-8bit-5v-14-6|THE_SIGN_HEIGHT = 32|both",
                "mcu-8bit-5v-14-6|#define OLED_RESET 4|text",
                "mcu-8bit-5v-14-6|#define TFT_RST 5|both",
                "mcu-8bit-5v-14-6|#define TFT_RST D5|both",
                "mcu-8bit-5v-14-6|#define THE_LINE_MAP_RST -1|text",
                "mcu-8bit-5v-14-6|int sda = A5;|text",
                "sbc-40-pin|reset-gpios = <&gpio 21 1>;|both",
                "sbc-40-pin|reset_pin=GPIO21|both",
            })
    void eitherSideIsTakenOver(String board, String text, String sides) {
        Workbench bench = Workbench.on(board)
                .with("sign", Workbench.OLED)
                .with("map", "colour-128x160-serial-shifted")
                .edit(new PlanEdit.RenamePart("map", "the line map"));
        Circuit mixed = bench.circuit();
        Row row = ReadBack.of(mixed, text).stream()
                .filter(r -> r.verdict() != Verdict.AGREES)
                .findFirst()
                .orElseThrow();
        String corrected = ReadBack.corrected(text, List.of(row));
        assertThat(ReadBack.of(mixed, corrected))
                .as(corrected)
                .extracting(Row::verdict)
                .containsOnly(Verdict.AGREES);
        assertThat(row.take() != null).as("take").isEqualTo(sides.equals("both"));
        if (row.take() != null) {
            Circuit taken = new Circuit(row.take().edit().apply(bench.plan()), Workbench.CATALOG);
            assertThat(ReadBack.of(taken, text)).extracting(Row::verdict).containsOnly(Verdict.AGREES);
        }
    }

    /** A constant that is named for one of two parts is held against that one. */
    @Test
    void aConstantIsHeldAgainstThePartItIsNamedFor() {
        Circuit two = Workbench.mcu()
                .with("up", Workbench.OLED)
                .with("down", "oled-128x32-page-2wire")
                .edit(new PlanEdit.SetStrap("down", "address", "moved"))
                .circuit();
        List<Row> rows = ReadBack.of(two, "THE_UP_ROWS = 32\nTHE_DOWN_ROWS = 32\nROWS = 32\nTHE_UP_ADDRESS = 0x3D");
        assertThat(rows)
                .extracting(Row::verdict)
                .containsExactly(Verdict.DIFFERS, Verdict.AGREES, Verdict.AGREES, Verdict.DIFFERS);
        assertThat(rows.get(0).instead().text()).isEqualTo("64");
    }

    /** The panel's reset is not the small one's: nothing of another kind is put in its place. */
    @Test
    void aConstantOfAKindIsHeldAgainstThatKind() {
        Row row = only("#define OLED_RESET 4");
        assertThat(row.verdict()).isEqualTo(Verdict.UNKNOWN);
        assertThat(row.why()).isEqualTo("the sign has no such line.");
        assertThat(row.instead().text()).isEqualTo("-1");
        assertThat(only("#define OLED_HEIGHT 160").verdict()).isEqualTo(Verdict.DIFFERS);
        assertThat(only("#define TFT_HEIGHT 160").verdict()).isEqualTo(Verdict.AGREES);
    }

    /** Many let a display's reset follow the board's own: no program moves that pin, and none has a number for it. */
    @ParameterizedTest
    @CsvSource({"mcu-8bit-5v-14-6,RESET", "mcu-8bit-bare-28,PC6", "mcu-dual-40,RUN"})
    void aResetThatFollowsTheBoardsIsOnNoPinOfTheProgram(String board, String pin) {
        Circuit circuit = Workbench.on(board)
                .with("map", "colour-128x160-serial-shifted")
                .off("map:RST")
                .wire("map:RST", "board:" + pin)
                .circuit();
        assertThat(BringUp.of(circuit).constants())
                .filteredOn(c -> c.name().equals("THE_MAP_RST"))
                .extracting(Constant::text)
                .containsExactly("-1");
        assertThat(CodeTarget.all())
                .filteredOn(t -> t.kinds().contains("microcontroller"))
                .anyMatch(t -> t.missing(circuit).isEmpty());
        assertThat(ReadBack.of(circuit, "TFT_RST = -1").get(0).verdict()).isEqualTo(Verdict.AGREES);
        Row other = ReadBack.of(circuit, "TFT_RST = 9").get(0);
        assertThat(other.verdict()).isEqualTo(Verdict.DIFFERS);
        assertThat(other.instead().text()).isEqualTo("-1");
    }

    /** A wire that somebody drew from an expander to the display stays where it is: no second one is put beside it. */
    @Test
    void aWireDrawnFromItsOtherEndIsNotDoubled() {
        Workbench bench = Workbench.mcu()
                .with("levers", "expander-8")
                .with("map", "colour-128x160-serial-shifted")
                .off("map:RST");
        assertThat(ReadBack.of(bench.circuit(), "TFT_RST = 5").get(0).take()).isNotNull();
        bench.wire("levers:P0", "map:RST");
        Row row = ReadBack.of(bench.circuit(), "TFT_RST = 5").get(0);
        assertThat(row.verdict()).isEqualTo(Verdict.DIFFERS);
        assertThat(row.take()).isNull();
    }

    @Test
    void whoHasThePinIsTold() {
        Circuit crowded = Workbench.mcu()
                .with("map", "colour-128x160-serial-shifted")
                .with("lever", "push-button")
                .circuit();
        String lever = crowded.wire(Target.of("lever:A"))
                .map(w -> crowded.pinsUnder(w).iterator().next().label())
                .orElseThrow();
        Row row = ReadBack.of(crowded, "#define TFT_RST " + lever).get(0);
        assertThat(row.why()).endsWith(" " + lever + " is the lever A's.");
        assertThat(row.take()).isNull();
    }

    /** The reg of a channel or a serial select is no address; pins in an overlay are read behind their chip. */
    @Test
    void anOverlayIsReadInItsOwnWords() {
        assertThat(only("i2c@0 { reg = <0>; rows = <64>; }").what()).isEqualTo("rows");
        Circuit sbc = Workbench.sbc()
                .with("gate", "bus-switch-4")
                .with("sign", Workbench.OLED)
                .with("map", "colour-128x160-serial-3v3")
                .circuit();
        assertThat(ReadBack.of(sbc, Overlay.of(sbc))).extracting(Row::what).contains("address", "reset pin", "rows");
        assertThat(ReadBack.of(sbc, Overlay.of(sbc)))
                .filteredOn(r -> r.verdict() == Verdict.DIFFERS)
                .isEmpty();
    }

    /** What the exports say agrees with the plan that they were made from. */
    @Test
    void ourOwnProgramsAgree() {
        for (CodeTarget target : CodeTarget.all()) {
            if (target.missing(circuit).isEmpty() && !target.pins().equals("port")) {
                assertThat(ReadBack.of(circuit, target.text(circuit)))
                        .as(target.file())
                        .filteredOn(r -> r.name().startsWith("THE_"))
                        .isNotEmpty()
                        .allMatch(r -> r.verdict() == Verdict.AGREES);
            }
        }
    }

    @Test
    void anyTextIsReadOrRefused() {
        assertThatThrownBy(() -> ReadBack.of(circuit, "void loop() {}"))
                .hasMessageContaining("No address, size or pin");
        Random random = new Random(5);
        String[] words = {
            "#define ",
            "ADDR",
            " = ",
            "0x",
            "3C",
            "height",
            "<",
            "99999999999",
            "-",
            "(",
            ")",
            "\n",
            "cs",
            "A4",
            "é",
            ";"
        };
        for (int i = 0; i < 5000; i++) {
            StringBuilder text = new StringBuilder();
            for (int n = random.nextInt(12); n > 0; n--) {
                text.append(words[random.nextInt(words.length)]);
            }
            try {
                ReadBack.of(circuit, text.toString());
            } catch (IllegalArgumentException e) {
                assertThat(e.getMessage()).startsWith("No address");
            }
        }
    }
}
