package izzet.core.bench;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.capture.RecordReader;
import izzet.core.catalog.CatalogReader;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.decode.BusEvent;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.Protocols;
import izzet.core.decode.Settings;
import izzet.core.plan.PlanDocument;
import izzet.core.plan.Target;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Faults of supplies, lamps and clocks: what is seen, and which instrument tells it. */
class SupplyFaultsTest {

    private static final String WIFI =
            """
            {"format":"izzet-plan","version":1,"name":"Gauge room","board":"wifi-dual-38","parts":[
            {"id":"hall","part":"oled-128x64-page-2wire","partVersion":2,"name":"Hall sign","interface":"2-wire","bus":"i2c"},
            {"id":"dial","part":"colour-240x240-serial","partVersion":2,"name":"Dial","interface":"panel","bus":"spi"},
            {"id":"rtc","part":"real-time-clock","partVersion":2,"name":"Clock","interface":"2-wire","bus":"i2c"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":400000},
            {"id":"spi","kind":"spi","name":"SPI bus","controller":"spi0","clockHz":10000000}],
            "connections":[{"from":"hall:GND","to":"rail:GND"},{"from":"hall:VCC","to":"rail:3V3"},{"from":"hall:SCL","to":"board:GPIO22"},
            {"from":"hall:SDA","to":"board:GPIO21"},{"from":"dial:GND","to":"rail:GND"},{"from":"dial:VCC","to":"rail:3V3"},
            {"from":"dial:SCL","to":"board:GPIO18"},{"from":"dial:SDA","to":"board:GPIO23"},{"from":"dial:RES","to":"board:GPIO4"},
            {"from":"dial:DC","to":"board:GPIO16"},{"from":"rtc:GND","to":"rail:GND"},{"from":"rtc:VCC","to":"rail:3V3"},
            {"from":"rtc:SCL","to":"board:GPIO22"},{"from":"rtc:SDA","to":"board:GPIO21"}],
            "resistors":[{"id":"r1","from":"board:GPIO21","to":"rail:3V3","ohms":4700},
            {"id":"r2","from":"board:GPIO22","to":"rail:3V3","ohms":4700}]}
            """;

    private static final Circuit PLANNED = circuit(WIFI);

    private static Circuit circuit(String plan) {
        return new Circuit(new PlanDocument().read(plan, CatalogReader.shipped()), CatalogReader.shipped());
    }

    private static Map<String, DeskRun.Shown> shown(Desk desk) {
        Map<String, DeskRun.Shown> all = new LinkedHashMap<>();
        DeskRun.of(desk).forEach(s -> all.put(s.unit().id(), s));
        return all;
    }

    private static List<String> bad(Desk desk) {
        return new Meter(desk)
                .checks().stream()
                        .filter(m -> !m.verdict().fine())
                        .map(m -> m.check().key())
                        .toList();
    }

    /** A stray wire between the rows: the meter beeps unplugged, with power the lower row stands at the higher one's volts, and parts suffer. */
    @Test
    void twoSuppliesOnOneRow() {
        Workbench bench = Workbench.on("wifi-dual-38")
                .with("map", "colour-240x320-serial")
                .with("cabin", "character-16x2-direct");
        Circuit planned = bench.circuit();
        Desk desk = Faults.put(Desk.of(planned), "two-supplies@3V3,5V");
        Meter meter = new Meter(desk);
        assertThat(meter.ohms(Target.rail("3V3"), Target.rail("5V"))).isLessThan(1);
        assertThat(new Meter(Desk.of(planned)).ohms(Target.rail("3V3"), Target.rail("5V")))
                .isGreaterThan(1e6);
        assertThat(meter.volts(Target.rail("3V3"))).hasValue(5.0);
        assertThat(bad(desk)).contains("short:3V3:5V", "rail:3V3");
        assertThat(shown(desk).get("map").why()).contains("gets 5 V and takes 3.6 V at most");
        assertThat(shown(desk).get("cabin").blank()).isFalse();
        assertThat(Harm.of(desk)).anyMatch(w -> w.startsWith("the map gets 5 V"));
        assertThat(Harm.of(Desk.of(planned))).isEmpty();
        assertThat(Faults.of(PLANNED))
                .noneMatch(
                        f -> f.id().equals("two-supplies") && !f.places(PLANNED).isEmpty());
    }

    /** What the plan itself does to a part is no damage of the desk; what only the fault does is. */
    @Test
    void harmIsWhatTheDeskAdds() {
        Workbench wrong = Workbench.sbc().with("cabin", "character-16x2-expander");
        assertThat(wrong.findings("L2")).isNotEmpty();
        assertThat(Harm.of(Desk.of(wrong.circuit()))).isEmpty();
        Circuit right = Workbench.sbc().with("sign", Workbench.OLED).circuit();
        Desk pulled = Desk.of(right).built(wrong.plan());
        assertThat(Harm.of(pulled)).anyMatch(w -> w.contains("the board gets"));
    }

    @Test
    void theRightDeskShowsBothAndMeasuresWell() {
        assertThat(shown(Desk.of(PLANNED)).values())
                .allSatisfy(
                        s -> assertThat(s.blank()).as(s.unit().name() + s.why()).isFalse());
        assertThat(bad(Desk.of(PLANNED))).isEmpty();
    }

    /** What asks for more than is left goes dark, what does not goes on; the meter says which rail it is. */
    @Test
    void aSaggingRailStopsWhatAsksForMore() {
        Desk low = Faults.put(Desk.of(PLANNED), "sag@3V3");
        assertThat(shown(low).get("hall").why()).contains("VCC has only 2.475 V and wants 3 V");
        assertThat(shown(low).get("dial").blank()).isTrue();
        assertThat(bad(low)).contains("rail:3V3");
        assertThat(BusScan.of(low).get("I2C bus"))
                .as("the clock module takes 2.3 V")
                .doesNotContain(0x3C)
                .contains(0x68);
        Desk bench = Faults.put(Desk.of(DeskTest.planned()), "sag@5V");
        assertThat(shown(bench).get("hall").blank()).as("takes 3 V and more").isFalse();
        assertThat(shown(bench).get("cabin").why()).contains("wants 4.5 V");
        assertThat(bad(bench)).contains("rail:5V");
        // A rail that feeds nobody is no place.
        assertThat(Faults.of("sag").places(PLANNED))
                .extracting(Fault.Place::key)
                .containsExactly("3V3");
    }

    /** Another wire after it is still on the low rail. */
    @Test
    void faultsAddUp() {
        Desk desk = Faults.put(Faults.put(Desk.of(DeskTest.planned()), "sag@5V"), "missing@hall:SDA");
        assertThat(shown(desk).get("cabin").why()).contains("wants 4.5 V");
        assertThat(shown(desk).get("hall").blank()).isTrue();
    }

    /** The resistor in either lead, in the wire or beside it. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                """
                "connections":[{"from":"cabin:A","to":"rail:5V","seriesOhms":220},{"from":"cabin:K","to":"rail:GND"}""",
                """
                "connections":[{"from":"cabin:A","to":"rail:5V"},{"from":"cabin:K","to":"rail:GND","seriesOhms":220}""",
                """
                "resistors":[{"id":"r","from":"cabin:A","to":"rail:5V","ohms":220}],"connections":[{"from":"cabin:K","to":"rail:GND"}""",
                """
                "resistors":[{"id":"r","from":"rail:GND","to":"cabin:K","ohms":220}],"connections":[{"from":"cabin:A","to":"rail:5V"}""",
                """
                "connections":[{"from":"cabin:A","to":"board:6","seriesOhms":470},{"from":"cabin:K","to":"rail:GND"}"""
            })
    void aBacklightTheOtherWayRoundIsDark(String lamp) {
        String plan = new PlanDocument().write(DeskTest.planned().plan());
        Circuit lit = circuit(
                plan.replaceFirst("\"connections\"\\s*:\\s*\\[", java.util.regex.Matcher.quoteReplacement(lamp + ","))
                        .replaceFirst(",\\s*\"resistors\"\\s*:\\s*\\[\\s*]", ""));
        assertThat(shown(Desk.of(lit)).get("cabin").blank()).isFalse();
        List<Fault.Place> places = Faults.of("backlight").places(lit);
        assertThat(places).extracting(Fault.Place::words).containsExactly("Cabin display");
        Desk reversed = Faults.put(Desk.of(lit), "backlight@" + places.get(0).key());
        assertThat(shown(reversed).get("cabin").why()).contains("backlight is dark");
        assertThat(shown(reversed).get("hall").blank()).isFalse();
        assertThat(bad(reversed)).isNotEmpty().allMatch(k -> k.contains("cabin:A") || k.contains("cabin:K"));
    }

    /** Without a backlight that is lit in the plan there is none to turn round, and none is missed. */
    @Test
    void anUnlitBacklightIsNoPlace() {
        assertThat(Faults.of("backlight").places(DeskTest.planned())).isEmpty();
        assertThat(shown(Desk.of(DeskTest.planned())).get("cabin").why()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"i2c, 800000, hall, dial", "spi, 30000000, dial, hall"})
    void aClockThatIsTooFastIsNotHeard(String bus, int hertz, String blank, String works) {
        Desk desk = Faults.put(Desk.of(PLANNED), "clock@" + bus + "," + hertz);
        assertThat(shown(desk).get(blank).blank()).isTrue();
        assertThat(shown(desk).get(works).blank()).isFalse();
        // A scanner goes slowly, and a meter sees no clock.
        assertThat(BusScan.of(desk).get("I2C bus")).contains(0x3C, 0x68);
        assertThat(bad(desk)).isEmpty();
    }

    /** The record tells how fast it was. */
    @Test
    void theRecordTellsTheClock() throws IOException {
        assertThat(fastest(Faults.put(Desk.of(PLANNED), "clock@i2c,800000"))).isBetween(700_000L, 900_000L);
        assertThat(fastest(Desk.of(PLANNED))).isBetween(350_000L, 450_000L);
    }

    /** Of nine bits from the first to the last edge of an address. */
    private static long fastest(Desk desk) throws IOException {
        PinRecord record = new PinRecord(List.of("22", "21"), 50);
        DeskRun.of(desk, record);
        List<BusEvent> heard = new ArrayList<>();
        var i2c = Protocols.of("i2c");
        RecordReader.read(
                new ByteArrayInputStream(record.text().getBytes(StandardCharsets.US_ASCII)),
                i2c.decoder(Settings.of(i2c, Map.of("scl", "22", "sda", "21")::get), heard::add));
        I2cTransfer first = (I2cTransfer) heard.get(0);
        double nanos = first.end() - first.start();
        return Math.round(1e9 * (9 * (1 + first.data().length) + 1) / nanos);
    }

    /** The board's own limit stands before the part's: nothing is asked of it that it cannot give. */
    @Test
    void noClockIsAskedOfABoardThatCannotGiveIt() {
        assertThat(Faults.of("clock").places(DeskTest.planned())).isEmpty();
    }

    /** Nothing is seen, and the pins get 5 V: only the meter knows. */
    @ParameterizedTest
    @ValueSource(strings = {"resistors", "rtc"})
    void pullUpsToTheHigherRailAreForTheMeter(String key) {
        assertThat(Faults.of("pull-ups-high").places(PLANNED))
                .extracting(Fault.Place::key)
                .containsExactly("rtc", "resistors");
        Desk desk = Faults.put(Desk.of(PLANNED), "pull-ups-high@" + key);
        assertThat(shown(desk).values()).noneMatch(DeskRun.Shown::blank);
        assertThat(BusScan.of(desk).get("I2C bus")).contains(0x3C, 0x68);
        assertThat(bad(desk)).anyMatch(k -> k.startsWith("idle:"));
        assertThat(Faults.of("pull-ups-high").places(DeskTest.planned())).isEmpty();
    }

    /** The desk calls no part starved that the check calls well fed: over all reference plans, right ones and wrong ones. */
    @Test
    void whatStarvesOnTheDeskIsAStopOfTheCheck() throws IOException {
        int starved = 0;
        try (Stream<Path> files = Files.walk(Path.of("src/test/resources/verdicts"))) {
            for (Path file : files.filter(f -> f.toString().endsWith(".json")).toList()) {
                Circuit circuit = circuit(Files.readString(file));
                for (Unit unit : circuit.units()) {
                    if (Awake.not(circuit, unit, Awake.Feeding.RIGHT)
                            .filter(w -> w.contains("has only"))
                            .isPresent()) {
                        starved++;
                        assertThat(Workbench.CHECKER.check(circuit).findings())
                                .as(file + " " + unit.name())
                                .anyMatch(f -> f.severity() == Severity.STOP
                                        && f.sentence().contains(unit.name() + " gets ")
                                        && f.sentence().contains("less than"));
                    }
                }
            }
        }
        assertThat(starved).isPositive();
    }
}
