package izzet.core.levels;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import izzet.core.Workbench;
import izzet.core.catalog.CatalogReader;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.PlanDocument;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What many builds of a plan come to, against what can be reckoned by hand. */
class BuildsTest {

    /** A pull-up to 3.3 V on a bus whose board, supplied with 5 V, reads a high from 0.7 of that: 3.3 V against 3.5 V. */
    private static Circuit bus(String board, String rail) {
        String plan =
                """
                {"format":"izzet-plan","version":1,"name":"Weir lights","board":"%s","parts":[
                {"id":"sign","part":"expander-8","partVersion":1,"name":"Lever expander","interface":"2-wire","bus":"i2c"}],
                "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],
                "connections":[{"from":"sign:VCC","to":"rail:%s"},{"from":"sign:GND","to":"rail:GND"},
                {"from":"sign:SCL","to":"board:A5"},{"from":"sign:SDA","to":"board:A4"}],
                "resistors":[{"id":"r1","from":"board:A4","to":"rail:%s","ohms":4700},{"id":"r2","from":"board:A5","to":"rail:%s","ohms":4700}]}
                """
                        .formatted(board, rail, rail, rail);
        return new Circuit(new PlanDocument().read(plan, CatalogReader.shipped()), CatalogReader.shipped());
    }

    @Test
    void aPlanWithWideMarginsWorksInEveryBuild() {
        Builds builds = Builds.of(bus("mcu-8bit-5v-14-6", "5V"), 5, 5, 200);
        assertThat(builds.missing()).isEmpty();
        assertThat(builds.working()).isEqualTo(200);
        assertThat(builds.lines()).isNotEmpty().allSatisfy(l -> {
            assertThat(l.lost()).isZero();
            assertThat(l.worst()).isLessThanOrEqualTo(l.nominal());
        });
        assertThat(builds.values()).extracting(Builds.Value::name).contains("supply 5 V", "resistor r1", "resistor r2");
    }

    @Test
    void whatMissesOnPaperIsToldAndNotCounted() {
        Builds builds = Builds.of(bus("mcu-8bit-5v-14-6", "3V3"), 5, 5, 100);
        assertThat(builds.missing()).isNotEmpty().allMatch(m -> m.name().endsWith(", high"));
        assertThat(builds.lines())
                .extracting(Builds.Line::name)
                .doesNotContainAnyElementsOf(
                        builds.missing().stream().map(Builds.Missing::name).toList());
    }

    private static Builds withLookAlikes(Circuit circuit, double percent) {
        return Builds.of(circuit, 0, 0, new Variants(circuit, percent, c -> List.of()), 1000, made -> true);
    }

    /** A display of which another one is sold with the same face: as often as told, and each such build is lost by its controller. */
    @Test
    void aLookAlikeInTheBagIsABuildThatDoesNotWork() {
        Circuit circuit = Workbench.mcu().with("sign", Workbench.OLED).circuit();
        Builds builds = withLookAlikes(circuit, 20);
        int came = builds.others().stream().mapToInt(Builds.Other::came).sum();
        assertThat(came).isBetween(150, 250);
        assertThat(builds.working()).isEqualTo(1000 - came);
        assertThat(builds.others()).extracting(Builds.Other::part).containsOnly("the sign");
        assertThat(builds.others())
                .anySatisfy(o -> assertThat(o.trouble())
                        .contains("Its picture begins 2 columns in, not 0.")
                        .anyMatch(t -> t.startsWith("Its controller is another one")))
                .anySatisfy(
                        o -> assertThat(o.trouble())
                                .contains(
                                        "Its header runs VCC, GND, SCL, SDA: plugged into the same places, its supply is reversed, which may destroy it."));
        assertThat(withLookAlikes(circuit, 0).others()).isEmpty();
    }

    /** The program goes on speaking to the planned address; who asks for the check hears of it. */
    @Test
    void whatTheCheckFindsAnewCounts() {
        Circuit circuit =
                Workbench.mcu().with("cabin", "character-16x2-expander").circuit();
        Variants variants = new Variants(circuit, 50, c -> {
            Unit cabin = c.unit("cabin").orElseThrow();
            assertThat(cabin.part().id()).isEqualTo("character-16x2-expander-a");
            assertThat(cabin.placed().address())
                    .isEqualTo(circuit.addressOf(circuit.unit("cabin").orElseThrow())
                            .orElseThrow());
            return List.of("nobody answers there");
        });
        Builds builds = Builds.of(circuit, 0, 0, variants, 200, made -> true);
        assertThat(builds.others()).singleElement().satisfies(o -> {
            assertThat(o.trouble()).contains("nobody answers there");
            assertThat(o.lost()).isEqualTo(o.came()).isPositive();
        });
        assertThat(builds.working()).isEqualTo(200 - builds.others().get(0).came());
    }

    /** Thresholds drawn evenly between the limits of low and high: as many lie below a level as it lies above the lower one. */
    @Test
    void aLevelBetweenTheLimitsIsReadByAsManyChipsAsLieBelowIt() {
        Builds builds = Builds.of(bus("mcu-8bit-5v-14-6", "3V3"), 0, 0, 1000);
        assertThat(builds.missing()).isNotEmpty();
        Circuit circuit = bus("mcu-8bit-5v-14-6", "3V3");
        for (Builds.Missing missing : builds.missing()) {
            double share = circuit.levels().readings().stream()
                    .filter(r -> missing.name()
                            .equals(r.line() + " at " + r.receiver().name() + ", high"))
                    .mapToDouble(r -> (r.high() - r.receiver().vil())
                            / (r.receiver().vih() - r.receiver().vil()))
                    .min()
                    .orElseThrow();
            assertThat(share).isBetween(0.5, 0.99);
            assertThat(missing.read() / 1000.0).as(missing.name()).isCloseTo(share, within(0.04));
        }
    }

    @Test
    void whatIsStoppedTellsOfTheBuildsThatWereMade() {
        Builds builds = Builds.of(panel(), 5, 5, Variants.none(panel()), 1000, done -> done < 40);
        assertThat(builds.count()).isEqualTo(40);
        assertThat(builds.working()).isEqualTo(Builds.of(panel(), 5, 5, 40).working());
        assertThat(Builds.of(panel(), 5, 5, Variants.none(panel()), 1000, done -> false)
                        .count())
                .isZero();
    }

    /** A panel that stands 5.5 V on its lines, driven from 5 V: half a volt to spare, and a percent of the supply takes 50 mV of it. */
    private static Circuit panel() {
        String plan =
                """
                {"format":"izzet-plan","version":1,"name":"Weir map","board":"mcu-8bit-5v-14-6","parts":[
                {"id":"map","part":"colour-128x160-serial-shifted","partVersion":2,"name":"Line map","interface":"panel","bus":"spi"}],
                "buses":[{"id":"spi","kind":"spi","name":"SPI bus","controller":"spi0","clockHz":4000000}],
                "connections":[{"from":"map:VCC","to":"rail:5V"},{"from":"map:GND","to":"rail:GND"},{"from":"map:SCK","to":"board:13"},
                {"from":"map:SDI","to":"board:11"},{"from":"map:CS","to":"board:10"},{"from":"map:DC","to":"board:9"},
                {"from":"map:RST","to":"board:8"}]}
                """;
        return new Circuit(new PlanDocument().read(plan, CatalogReader.shipped()), CatalogReader.shipped());
    }

    @Test
    void moreToleranceNeverHelpsAndFiguresRepeat() {
        Builds narrow = Builds.of(panel(), 1, 1, 150);
        Builds wide = Builds.of(panel(), 10, 20, 150);
        assertThat(narrow.working()).isEqualTo(150);
        assertThat(wide.working()).isBetween(130, 150);
        assertThat(wide.lines().get(0).worst())
                .isLessThan(narrow.lines().get(0).worst())
                .isGreaterThanOrEqualTo(-0.001);
        assertThat(Builds.of(panel(), 10, 20, 150)).isEqualTo(wide);
    }

    @Test
    void theValueThatSpoilsTheRestIsNamed() {
        Builds.Value first = Builds.of(panel(), 5, 0, 300).values().get(0);
        assertThat(first.name()).isEqualTo("supply 5 V");
        assertThat(first.share()).isGreaterThan(0.99);
        assertThat(first.voltsPerPercent()).isCloseTo(-0.05, org.assertj.core.data.Offset.offset(0.001));
    }

    /** Every margin of this bus moves with its supply or not at all: nothing but rounding is left, and nothing is blamed for it. */
    @Test
    void roundingBlamesNobody() {
        assertThat(Builds.of(bus("mcu-8bit-5v-14-6", "5V"), 5, 5, 100).values()).allMatch(v -> v.share() == 0);
    }

    @Test
    void anEmptyPlanHasNothingToLose() {
        Circuit empty =
                new Circuit(izzet.core.plan.Plan.empty("Nothing yet", "mcu-8bit-5v-14-6"), CatalogReader.shipped());
        Builds builds = Builds.of(empty, 5, 5, 10);
        assertThat(builds.lines()).isEmpty();
        assertThat(builds.values()).isEmpty();
        assertThat(builds.working()).isEqualTo(10);
    }
}
