package izzet.core.bringup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.Workbench;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Segment;
import izzet.core.plan.PlanEdit;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ScanTest {

    private static final String TABLE =
            """
                 0  1  2  3  4  5  6  7  8  9  a  b  c  d  e  f
            00:                         -- -- -- -- -- -- -- --
            10: -- -- -- -- -- -- -- -- -- -- -- -- -- -- -- --
            20: -- -- -- -- -- -- -- 27 -- -- -- -- -- -- -- --
            30: -- -- -- -- -- -- -- -- -- -- -- -- 3c -- -- --
            40: -- -- -- -- -- -- -- -- -- -- -- -- -- -- -- --
            50: -- -- -- -- -- -- -- -- -- -- -- -- -- -- -- --
            60: -- -- -- -- -- -- -- -- UU -- -- -- -- -- -- --
            70: -- -- -- -- -- -- -- --
            """;

    @Test
    void aTableIsReadByItsPlaces() {
        ScanText scan = ScanText.of(TABLE);
        assertThat(scan.found()).containsExactly(0x27, 0x3C);
        assertThat(scan.held()).containsExactly(0x68);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Device found at address 0x3C !  done|60",
                "[60, 112]|60,112",
                "3C 70|60,112",
                "60 112|60,112",
                "0x3c, 0x3d|60,61",
                "No I2C devices found|",
                "I2C scanner. Scanning ... no devices found|",
                "2 devices: 3C; 3D|60,61",
                "27|39"
            })
    void whatPeoplePasteIsRead(String text, String expected) {
        List<Integer> addresses = expected == null
                ? List.of()
                : List.of(expected.split(",")).stream().map(Integer::valueOf).toList();
        assertThat(ScanText.of(text).all()).containsExactlyElementsOf(addresses);
    }

    @Test
    void whatIsNoScanIsTold() {
        assertThatThrownBy(() -> ScanText.of("what a lovely evening")).hasMessageContaining("No address can be read");
        assertThatThrownBy(() -> ScanText.of("0x3C and 0x98")).hasMessageContaining("0x98 is no 7-bit address");
    }

    /** Any text is read or refused with words, never with a fault of the program. */
    @Test
    void anyTextIsReadOrRefused() {
        Random random = new Random(77);
        String letters = "0123456789abcdefxUu-: []\n,#é";
        for (int i = 0; i < 5000; i++) {
            StringBuilder text = new StringBuilder();
            for (int n = random.nextInt(60); n > 0; n--) {
                text.append(letters.charAt(random.nextInt(letters.length())));
            }
            try {
                assertThat(ScanText.of(text.toString()).all()).allMatch(a -> a >= 0 && a <= 0x7F);
            } catch (IllegalArgumentException e) {
                assertThat(e.getMessage()).isNotBlank().doesNotContain("For input string");
            }
        }
    }

    private static ScanResult compare(Workbench bench, String scan) {
        Circuit circuit = bench.circuit();
        Segment trunk = ScanResult.segments(circuit).get(0);
        return ScanResult.of(circuit, Workbench.CHECKER.check(circuit), trunk, ScanText.of(scan));
    }

    @Test
    void aPadThatWasMovedIsSeen() {
        ScanResult result = compare(Workbench.mcu().with("sign", Workbench.OLED), "0x3D");
        assertThat(result.rows())
                .filteredOn(r -> r.state() == ScanResult.State.MISSING)
                .singleElement()
                .satisfies(r -> assertThat(r.causes().get(0)).contains("answers at 0x3D, moved by its pads"));
        assertThat(result.rows())
                .filteredOn(r -> r.state() == ScanResult.State.EXTRA)
                .singleElement()
                .satisfies(r -> assertThat(r.causes().get(0)).contains("the sign, moved by its pads"));
    }

    @Test
    void aStrangerIsNamedFromTheShelf() {
        ScanResult result = compare(Workbench.mcu().with("sign", Workbench.OLED), "0x3C, 0x68");
        assertThat(result.told()).isEqualTo("0 missing, 1 that the plan does not know.");
        assertThat(result.rows().get(1).causes().get(0))
                .contains("these live there")
                .contains("clock");
    }

    @Test
    void everythingAndNothingHaveTheirCauses() {
        Workbench bench = Workbench.mcu().with("sign", Workbench.OLED);
        StringBuilder all = new StringBuilder();
        for (int a = 8; a < 0x78; a++) {
            all.append("0x").append(Integer.toHexString(a)).append(' ');
        }
        assertThat(compare(bench, all.toString()).told()).contains("held low");
        ScanResult nothing = compare(bench, "none");
        assertThat(nothing.told()).isEqualTo("Nothing answers.");
        assertThat(nothing.causes()).anyMatch(c -> c.contains("exchanged"));
        assertThat(compare(bench, "0x3C").told()).isEqualTo("As the plan says.");
    }

    /** A part behind a channel is expected there and not on the trunk. */
    @Test
    void channelsHaveTheirOwnScan() {
        Workbench bench = Workbench.mcu()
                .with("gate", "bus-switch-4")
                .bare("up", Workbench.OLED, "2-wire")
                .wire("up:SDA", "gate:SD0")
                .wire("up:SCL", "gate:SC0");
        bench.edit(new PlanEdit.SetPartBus("up", bench.plan().buses().get(0).id()));
        List<Segment> segments = ScanResult.segments(bench.circuit());
        assertThat(segments).hasSize(2);
        assertThat(ScanResult.expected(bench.circuit(), segments.get(0)).keySet())
                .containsExactly(0x70);
        assertThat(ScanResult.expected(bench.circuit(), segments.get(1)).keySet())
                .containsExactly(0x3C, 0x70);
        assertThat(compare(bench, "0x70, 0x3C").rows())
                .filteredOn(r -> r.state() == ScanResult.State.EXTRA)
                .singleElement()
                .satisfies(r -> assertThat(r.causes().get(0)).contains("another channel"));
    }
}
