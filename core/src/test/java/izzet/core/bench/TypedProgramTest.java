package izzet.core.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.Workbench;
import izzet.core.catalog.BusKind;
import izzet.core.circuit.Circuit;
import izzet.core.code.Op;
import izzet.core.display.Glass;
import izzet.core.plan.Bus;
import izzet.core.plan.PlanEdit;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Transfers typed by hand run over the wires of the desk. */
class TypedProgramTest {

    private static final Circuit PLANNED = DeskTest.planned();

    private static DeskRun.Result run(Desk desk, String text) {
        return DeskRun.of(desk, new PinRecord(List.of(), 1), TypedProgram.of(desk.programmed(), text));
    }

    private static List<String> words(Desk desk, String text) {
        return run(desk, text).told().stream().map(DeskRun.Told::words).toList();
    }

    @Test
    void whoAcknowledgesIsTold() {
        String text = "scan\nto 0x3C: 00 AE   # display off\nTo 3d: 00\n\npin 8 high\nwait 5 ms\nsend 2A 00 00";
        assertThat(words(Desk.of(PLANNED), text))
                .containsExactly(
                        "0x3C",
                        "acknowledged by Hall sign",
                        "nobody acknowledges",
                        "",
                        "",
                        "sent at 4 MHz; a serial bus does not answer");
        Desk crossed = Faults.put(Desk.of(PLANNED), "exchanged@hall:SCL,hall:SDA");
        assertThat(words(crossed, "scan\nto 3C: 00")).containsExactly("nobody answers", "nobody acknowledges");
        assertThat(run(Desk.of(PLANNED), text).told())
                .extracting(DeskRun.Told::line)
                .containsExactly(1, 2, 3, 5, 6, 7);
    }

    /** A bus that the program makes is scanned and spoken to by its name, beside that of a controller. */
    @Test
    void aBusOnPlainPinsIsSpokenToByItsName() {
        Circuit circuit = Workbench.mcu()
                .with("sign", Workbench.OLED)
                .bare("below", Workbench.OLED, "2-wire")
                .edit(new PlanEdit.PutBus(new Bus("own", BusKind.I2C, "Own pins", null, 100_000)))
                .edit(new PlanEdit.SetPartBus("below", "own"))
                .wire("below:VCC", "rail:5V")
                .wire("below:GND", "rail:GND")
                .wire("below:SDA", "board:7")
                .wire("below:SCL", "board:8")
                .circuit();
        assertThat(BusScan.of(Desk.of(circuit))).containsOnlyKeys("I2C bus", "Own pins");
        assertThat(BusScan.of(Desk.of(circuit)).get("Own pins")).containsExactly(0x3C);
        assertThat(words(Desk.of(circuit), "to 3C: 00 AE\nbus Own pins\nto 3C: 00 AE"))
                .containsExactly("acknowledged by the sign", "acknowledged by the below");
    }

    /** An address alone asks who is there; colon, comma and nothing part it from its bytes; waits have decimals. */
    @Test
    void linesAreTypedInManyWays() {
        assertThat(words(
                        Desk.of(PLANNED),
                        "to 3C\nto 0x3c: \nTO 3C 00 AE\nto 0x3C,0x00,0xAE\nto 3D\nWait 0,5 ms\nPIN 8 LOW"))
                .containsExactly(
                        "acknowledged by Hall sign",
                        "acknowledged by Hall sign",
                        "acknowledged by Hall sign",
                        "acknowledged by Hall sign",
                        "nobody acknowledges",
                        "",
                        "");
        assertThat(TypedProgram.of(PLANNED, "to 0x3C,0x00,0xAE").steps().get(0).ops())
                .isEqualTo(
                        TypedProgram.of(PLANNED, "to 3C: 00 AE").steps().get(0).ops());
        assertThat(TypedProgram.of(PLANNED, "wait 1.25 ms").steps().get(0).ops())
                .containsExactly(new Op.Wait(1250));
    }

    @Test
    void withoutPullUpsNothingIsSent() {
        Desk bare = Faults.put(Desk.of(PLANNED), "pull-ups@");
        assertThat(words(bare, "to 3C: 00 AF")).containsExactly("the lines never rise: nothing can be sent");
    }

    /** A page of eight dots, switched on by hand: the sign shows them and nothing else. */
    @Test
    void theGlassFollowsTypedTransfers() {
        String text = "to 3C: 00 8D 14 A1 C8 AF\nto 3C: 00 20 02 B0 00 10\nto 3C: 40 FF";
        DeskRun.Shown hall = run(Desk.of(PLANNED), text).shown().stream()
                .filter(s -> s.unit().id().equals("hall"))
                .findFirst()
                .orElseThrow();
        int[] rgb = ((Glass.Pixels) hall.glass()).seen().rgb();
        int lit = 0;
        for (int y = 0; y < 8; y++) {
            lit += rgb[y * 128] != 0 ? 1 : 0;
        }
        assertThat(lit).isEqualTo(8);
        assertThat(java.util.Arrays.stream(rgb).filter(c -> c != 0).count()).isEqualTo(8);
        assertThat(run(Desk.of(PLANNED), "start").shown()).noneMatch(DeskRun.Shown::blank);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "scan\\nblink 3 | Line 2: “blink 3” is none of",
                "to 3C: 0G | “0g” is no byte",
                "to F8: 00 | the address 0xf8 has more than seven bits; without the write bit it is 0x7c",
                "pin 99 high | no pin “99”",
                "wait 11000 ms | up to 10 seconds",
                "bus tram | no bus of the plan",
                "# nothing | The program is empty",
            })
    void whatCannotBeRunIsToldWithItsLine(String text, String says) {
        assertThatThrownBy(() -> TypedProgram.of(PLANNED, text.replace("\\n", "\n")))
                .hasMessageContaining(says);
    }

    @Test
    void longProgramsAndTransfersAreRefused() {
        assertThatThrownBy(() -> TypedProgram.of(PLANNED, "scan\n".repeat(201))).hasMessageContaining("up to 200");
        assertThatThrownBy(() -> TypedProgram.of(PLANNED, "to 3C:" + " 00".repeat(257)))
                .hasMessageContaining("up to 256");
        assertThat(TypedProgram.of(PLANNED, "to 3C:" + " 00".repeat(256)).steps())
                .hasSize(1);
    }
}
