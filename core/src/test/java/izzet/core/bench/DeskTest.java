package izzet.core.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.bringup.ScanResult;
import izzet.core.bringup.ScanText;
import izzet.core.capture.RecordReader;
import izzet.core.catalog.CatalogReader;
import izzet.core.check.Checker;
import izzet.core.circuit.Circuit;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.Protocols;
import izzet.core.decode.Settings;
import izzet.core.display.Glass;
import izzet.core.display.Picture;
import izzet.core.plan.Connection;
import izzet.core.plan.PlanDocument;
import izzet.core.plan.Target;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The bench does what the wires say: a right desk shows every picture, each fault is found by the instrument that should find it. */
class DeskTest {

    private static final String PARTS =
            """
            {"format":"izzet-plan","version":1,"name":"Signal bench","board":"mcu-8bit-5v-14-6","parts":[
            {"id":"hall","part":"oled-128x64-page-2wire","partVersion":2,"name":"Hall sign","interface":"2-wire","bus":"i2c"},
            {"id":"map","part":"colour-128x160-serial-shifted","partVersion":2,"name":"Line map","interface":"panel-and-card","bus":"spi"},
            {"id":"cabin","part":"character-16x2-direct","partVersion":2,"name":"Cabin display","interface":"4-bit"},
            {"id":"dial","part":"potentiometer","partVersion":2,"name":"Contrast","interface":"divider"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":400000},
            {"id":"spi","kind":"spi","name":"SPI bus","controller":"spi0","clockHz":4000000}],
            "connections":[%s]}
            """;

    private static final String WIRES =
            """
            hall:VCC 5V, hall:GND GND, hall:SCL A5, hall:SDA A4, map:VCC 5V, map:GND GND, map:SCK 13, map:SDI 11, map:CS 10, map:DC 9,
            map:RST 8, map:C-SCK 13, map:C-DI 11, map:C-DO 12, map:C-CS 7, cabin:VDD 5V, cabin:VSS GND, cabin:RS A0, cabin:RW GND,
            cabin:E A1, cabin:D4 2, cabin:D5 3, cabin:D6 4, cabin:D7 5, dial:A 5V, dial:B GND, cabin:V0 dial:W""";

    private static final Circuit PLANNED = planned();

    static Circuit planned() {
        StringBuilder wires = new StringBuilder();
        for (String wire : WIRES.split(",")) {
            String[] ends = wire.strip().split(" ");
            String to = (ends[1].contains(":") ? "" : ends[1].matches("5V|GND") ? "rail:" : "board:") + ends[1];
            wires.append(wires.isEmpty() ? "" : ",").append("{\"from\":\"" + ends[0] + "\",\"to\":\"" + to + "\"}");
        }
        return new Circuit(
                new PlanDocument().read(PARTS.formatted(wires), CatalogReader.shipped()), CatalogReader.shipped());
    }

    private static Map<String, DeskRun.Shown> shown(Desk desk) {
        Map<String, DeskRun.Shown> all = new LinkedHashMap<>();
        DeskRun.of(desk).forEach(s -> all.put(s.unit().id(), s));
        return all;
    }

    private static List<String> lines(DeskRun.Shown shown) {
        return ((Glass.Text) shown.glass()).lines();
    }

    /** The programs of the plan put their test pictures on every glass: bytes, wires and models agree. */
    @Test
    void aRightDeskShowsEveryPicture() {
        Map<String, DeskRun.Shown> all = shown(Desk.of(PLANNED));
        assertThat(all).containsOnlyKeys("hall", "map", "cabin");
        assertThat(all.values())
                .allSatisfy(s -> assertThat(s.why()).as(s.unit().name()).isEmpty());
        assertThat(lines(all.get("cabin"))).containsExactly("AbcdefghijklmnoB", "CrstuvwxyzabcdeD");
        Picture hall = ((Glass.Pixels) all.get("hall").glass()).seen();
        Picture map = ((Glass.Pixels) all.get("map").glass()).seen();
        for (Picture p : List.of(hall, map)) {
            for (int x = 0; x < p.width(); x++) {
                assertThat(p.at(x, 0)).isEqualTo(p.at(0, 0)).isNotZero();
                assertThat(p.at(x, p.height() - 1)).isEqualTo(p.at(0, 0));
            }
        }
        assertThat(Arrays.stream(map.rgb()).distinct()).contains(0xFF0000, 0x00FF00, 0x0000FF, 0xFFFFFF);
        assertThat(new Meter(Desk.of(PLANNED)).checks()).isNotEmpty().allSatisfy(m -> assertThat(
                        m.verdict().fine())
                .as("%s: %s", m.check().key(), m.value())
                .isTrue());
        assertThat(BusScan.of(Desk.of(PLANNED))).containsExactly(Map.entry("I2C bus", List.of(0x3C)));
    }

    /** What each instrument says of each fault; a star stands for what is as planned. */
    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "exchanged@hall:SCL,hall:SDA | nothing | hall | wire:hall:SCL>board:A5 wire:hall:SDA>board:A4",
                "exchanged@cabin:D5,cabin:D6 | * | cabin | wire:cabin:D5>board:3 wire:cabin:D6>board:4",
                "exchanged@map:SCK,map:SDI | * | map | wire:map:SCK>board:13 wire:map:SDI>board:11",
                "missing@hall:VCC | nothing | hall | wire:hall:VCC>rail:5V",
                "missing@cabin:E | * | cabin | wire:cabin:E>board:A1",
                "missing@cabin:D6 | * | cabin | wire:cabin:D6>board:4",
                "missing@map:DC | * | map | wire:map:DC>board:9",
                "row@hall | nothing | hall | wire:hall:SDA>board:A4",
                "strap@hall,address,moved | moved | hall | *",
                "reset@map:RST | * | map | wire:map:RST>board:8",
                "pull-ups | nothing | hall | idle:i2c:i2c.sda:pin A4 idle:i2c:i2c.scl:pin A5",
                "code-address@hall,address,moved | * | hall | *",
                "geometry@hall,oled-128x32-page-2wire | * | hall | *",
                "contrast | * | cabin | *",
                "joint | * | hall | *",
                "select@map:C-CS,map:CS | * | none | wire:map:C-CS>board:7"
            })
    void eachFaultIsFoundByItsInstrument(String fault, String scan, String wrong, String checks) {
        Desk desk = Faults.put(Desk.of(PLANNED), fault);
        Map<String, DeskRun.Shown> right = shown(Desk.of(PLANNED));
        Map<String, DeskRun.Shown> seen = shown(desk);
        seen.forEach((id, s) -> assertThat(same(s, right.get(id))).as(id).isEqualTo(!id.equals(wrong)));
        List<Integer> there = BusScan.of(desk).get("I2C bus");
        ScanResult result = ScanResult.of(
                PLANNED,
                Checker.withAllRules().check(PLANNED),
                ScanResult.segments(PLANNED).get(0),
                ScanText.of(there.isEmpty() ? "none" : BusScan.text(there)));
        switch (scan) {
            case "nothing" -> assertThat(result.told()).isEqualTo("Nothing answers.");
            case "moved" -> assertThat(result.told()).isEqualTo("1 missing, 1 that the plan does not know.");
            default -> assertThat(result.told()).isEqualTo("As the plan says.");
        }
        List<String> bad = new Meter(desk)
                .checks().stream()
                        .filter(m -> !m.verdict().fine())
                        .map(m -> m.check().key())
                        .toList();
        if (checks.equals("*")) {
            assertThat(bad).isEmpty();
        } else if (checks.startsWith("idle:")) {
            assertThat(bad).contains(checks.split(" (?=idle)"));
        } else {
            assertThat(bad).contains(checks.split(" "));
        }
        assertThat(Faults.of(fault.split("@")[0]).explained()).isNotBlank();
    }

    private static boolean same(DeskRun.Shown one, DeskRun.Shown other) {
        if (!one.why().isEmpty() || one.glass() == null) {
            return false;
        }
        return one.glass() instanceof Glass.Text t
                ? t.lines().equals(lines(other))
                : ((Glass.Pixels) one.glass()).seen().differences(((Glass.Pixels) other.glass()).seen()) == 0;
    }

    private static List<I2cTransfer> recorded(Desk desk) throws IOException {
        PinRecord record = new PinRecord(List.of("A4", "A5"), 100);
        DeskRun.of(desk, record);
        List<I2cTransfer> heard = new ArrayList<>();
        var i2c = Protocols.of("i2c");
        RecordReader.read(
                new ByteArrayInputStream(record.text().getBytes(StandardCharsets.US_ASCII)),
                i2c.decoder(Settings.of(i2c, Map.of("scl", "A5", "sda", "A4")::get), e -> heard.add((I2cTransfer) e)));
        return heard;
    }

    /** A capture device on the bus: its record reads as what was said, and tells the faults that no meter sees. */
    @Test
    void theRecordOfTheBenchReadsLikeAnyOther() throws IOException {
        List<I2cTransfer> right = recorded(Desk.of(PLANNED));
        assertThat(right).hasSizeGreaterThan(50).allMatch(t -> t.ack() && t.address() == 0x3C);
        assertThat(recorded(Faults.put(Desk.of(PLANNED), "code-address@hall,address,moved")))
                .allMatch(t -> !t.ack() && t.address() == 0x3D);
        List<I2cTransfer> joint = recorded(Faults.put(Desk.of(PLANNED), "joint"));
        assertThat(joint).anyMatch(I2cTransfer::ack).anyMatch(t -> !t.ack());
        assertThat(recorded(Faults.put(Desk.of(PLANNED), "pull-ups"))).isEmpty();
    }

    /** Signs behind a switch are reached the way their wires lead, as long as its reset is held, however that is done. */
    @Test
    void signsBehindHelpersAreReached() {
        String plan =
                """
                {"format":"izzet-plan","version":1,"name":"Weir hall","board":"wifi-dual-38","parts":[
                {"id":"switch","part":"bus-switch-4","partVersion":1,"name":"Sign switch","interface":"2-wire","bus":"i2c"},
                {"id":"upper","part":"oled-128x64-page-2wire","partVersion":2,"name":"Upper sign","interface":"2-wire","bus":"i2c"},
                {"id":"lower","part":"oled-128x64-page-2wire","partVersion":2,"name":"Lower sign","interface":"2-wire","bus":"i2c"}],
                "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],
                "connections":[{"from":"switch:GND","to":"rail:GND"},{"from":"switch:VCC","to":"rail:3V3"},{"from":"switch:A0","to":"rail:GND"},
                {"from":"switch:A1","to":"rail:GND"},{"from":"switch:A2","to":"rail:GND"},%s
                {"from":"switch:SCL","to":"board:GPIO22"},{"from":"switch:SDA","to":"board:GPIO21"},
                {"from":"upper:GND","to":"rail:GND"},{"from":"upper:VCC","to":"rail:3V3"},{"from":"upper:SCL","to":"switch:SC0"},
                {"from":"upper:SDA","to":"switch:SD0"},{"from":"lower:GND","to":"rail:GND"},{"from":"lower:VCC","to":"rail:3V3"},
                {"from":"lower:SCL","to":"switch:SC1"},{"from":"lower:SDA","to":"switch:SD1"}],
                "resistors":[{"id":"r1","from":"board:GPIO21","to":"rail:3V3","ohms":4700},
                {"id":"r2","from":"board:GPIO22","to":"rail:3V3","ohms":4700}]}
                """;
        Circuit held = circuit(plan.formatted("{\"from\":\"switch:RESET\",\"to\":\"rail:3V3\"},"));
        assertThat(shown(Desk.of(held)).values()).allMatch(s -> !s.blank());
        assertThat(BusScan.of(Desk.of(held))).containsEntry("I2C bus", List.of(0x70));
        // The same reset through a resistor in its wire.
        Circuit pulled =
                circuit(plan.formatted("{\"from\":\"switch:RESET\",\"to\":\"rail:3V3\",\"seriesOhms\":10000},"));
        assertThat(shown(Desk.of(pulled)).values()).allMatch(s -> !s.blank());
        Circuit floating = circuit(plan.formatted(""));
        assertThat(shown(Desk.of(floating)).values()).allMatch(DeskRun.Shown::blank);
        Desk one = Faults.put(Desk.of(held), "missing@lower:SCL");
        assertThat(shown(one).get("upper").blank()).isFalse();
        assertThat(shown(one).get("lower").blank()).isTrue();
    }

    /** Two signs at one address, each on an output of a clock gate that the program steers; and one behind a level shifter. */
    @Test
    void signsBehindAClockGateAndAShifterAreReached() {
        String gate =
                """
                {"format":"izzet-plan","version":1,"name":"Weir gauge","board":"wifi-dual-38","parts":[
                {"id":"gate","part":"decoder-2to4","partVersion":1,"name":"Clock gate","interface":"clock-on-enable","bus":"i2c"},
                {"id":"gauge","part":"oled-128x64-page-2wire","partVersion":2,"name":"Gauge sign","interface":"2-wire","bus":"i2c"},
                {"id":"pond","part":"oled-128x64-page-2wire","partVersion":2,"name":"Pond sign","interface":"2-wire","bus":"i2c"}],
                "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],
                "connections":[{"from":"gate:GND","to":"rail:GND"},{"from":"gate:VCC","to":"rail:3V3"},{"from":"gate:1A1","to":"rail:GND"},
                {"from":"gate:2E","to":"rail:3V3"},{"from":"gate:2A0","to":"rail:GND"},{"from":"gate:2A1","to":"rail:GND"},
                {"from":"gate:1E","to":"board:GPIO22"},{"from":"gate:1A0","to":"board:GPIO33"},
                {"from":"gauge:GND","to":"rail:GND"},{"from":"gauge:VCC","to":"rail:3V3"},{"from":"gauge:SCL","to":"gate:1Y0"},
                {"from":"gauge:SDA","to":"board:GPIO21"},{"from":"pond:GND","to":"rail:GND"},{"from":"pond:VCC","to":"rail:3V3"},
                {"from":"pond:SCL","to":"gate:1Y1"},{"from":"pond:SDA","to":"board:GPIO21"}],
                "resistors":[{"id":"r1","from":"board:GPIO21","to":"rail:3V3","ohms":4700},
                {"id":"r2","from":"board:GPIO22","to":"rail:3V3","ohms":4700}]}
                """;
        assertThat(shown(Desk.of(circuit(gate))).values()).allMatch(s -> !s.blank());
        Desk stuck = Faults.put(Desk.of(circuit(gate)), "missing@gate:1A0");
        assertThat(shown(stuck).values()).allMatch(DeskRun.Shown::blank);
        String shifted =
                """
                {"format":"izzet-plan","version":1,"name":"Weir house","board":"mcu-8bit-5v-14-6","parts":[
                {"id":"shift","part":"level-shifter-4","partVersion":1,"name":"Shifter","interface":"two-way"},
                {"id":"hall","part":"oled-128x64-page-2wire","partVersion":2,"name":"Hall sign","interface":"2-wire","bus":"i2c"}],
                "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],
                "connections":[%s{"from":"hall:GND","to":"rail:GND"},{"from":"hall:VCC","to":"rail:5V"},
                {"from":"hall:SCL","to":"shift:LV1"},{"from":"hall:SDA","to":"shift:LV2"},{"from":"shift:HV1","to":"board:A5"},
                {"from":"shift:HV2","to":"board:A4"}]}
                """;
        String supplies =
                """
                {"from":"shift:LV","to":"rail:3V3"},{"from":"shift:HV","to":"rail:5V"},{"from":"shift:GND","to":"rail:GND"},""";
        assertThat(shown(Desk.of(circuit(shifted.formatted(supplies)))).values())
                .allMatch(s -> !s.blank());
        assertThat(shown(Desk.of(circuit(shifted.formatted("")))).values()).allMatch(DeskRun.Shown::blank);
    }

    private static Circuit circuit(String plan) {
        return new Circuit(new PlanDocument().read(plan, CatalogReader.shipped()), CatalogReader.shipped());
    }

    /** Contrast and read/write as makers wire them: through a resistor they are held, open they are not. */
    @Test
    void aResistorInTheWireHoldsALineAndAnOpenContrastIsBlank() {
        Circuit throughResistor = new Circuit(
                Rewired.wires(
                        PLANNED.plan(),
                        c -> Rewired.of(c, Target.line("cabin", "RW"))
                                ? new Connection(c.from(), c.to(), 1000.0, null, null)
                                : c),
                PLANNED.catalog());
        assertThat(shown(Desk.of(throughResistor)).get("cabin").floating()).isEmpty();
        Desk open = Faults.put(Desk.of(PLANNED), "missing@cabin:V0");
        assertThat(shown(open).get("cabin").why()).contains("contrast");
        assertThat(shown(Faults.put(Desk.of(PLANNED), "missing@cabin:RW"))
                        .get("cabin")
                        .floating())
                .containsExactly("RW");
    }

    @Test
    void aFaultThatThePlanCannotHaveIsRefused() {
        assertThatThrownBy(() -> Faults.put(Desk.of(PLANNED), "strap@cabin,address,moved"))
                .hasMessageContaining("no place");
        assertThatThrownBy(() -> Faults.put(Desk.of(PLANNED), "gremlin")).hasMessageContaining("no fault");
    }

    /** Every fault at every place of the plan: the desk stands it. */
    @Test
    void everyFaultAtEveryPlaceCanBePut() {
        for (Fault fault : Faults.of(PLANNED)) {
            for (Fault.Place place : fault.places(PLANNED)) {
                Desk desk = Faults.put(Desk.of(PLANNED), fault.id() + "@" + place.key());
                assertThat(BusScan.of(desk)).as(fault.id() + " " + place.key()).containsKey("I2C bus");
                assertThat(new Meter(desk).checks()).isNotEmpty();
                assertThat(place.words()).isNotBlank();
            }
        }
    }
}
