package izzet.core.code;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.Workbench;
import izzet.core.circuit.Circuit;
import izzet.core.code.ReadBack.Row;
import izzet.core.code.ReadBack.Verdict;
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
        assertThat(row.part()).isEqualTo("sign");
        assertThat(row.address()).isEqualTo(0x3D);
        assertThat(only("#define OLED_ADDR 0x78").why()).contains("0x3C with the read/write bit");
        assertThat(only("#define OLED_ADDR 0x50").part()).isNull();
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
