package izzet.core.record;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.assign.SolverAssigner;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.circuit.Circuit;
import izzet.core.edit.QuickPlan;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Where to clip, how fast and how long, for the instrument at hand. */
class CaptureCardTest {

    private static final Catalog CATALOG = CatalogReader.shipped();

    private static List<CaptureCard> cards(Instrument instrument, String part) {
        return CaptureCard.of(
                new Circuit(
                        QuickPlan.of(
                                "Wick halt",
                                "mcu-8bit-5v-14-6",
                                List.of(new QuickPlan.Want(part, 1, "", null)),
                                CATALOG,
                                new SolverAssigner()),
                        CATALOG),
                instrument);
    }

    private static Instrument logic(double rate, double memory, int channels, double threshold) {
        return new Instrument("mine", false, channels, rate, memory, 0, threshold);
    }

    @Test
    void aTwoWireBusIsClippedAtItsPins() {
        CaptureCard card = cards(logic(24e6, 0, 8, 0), "oled-128x64-page-2wire").get(0);
        assertThat(card.channels())
                .containsExactlyInAnyOrder(
                        new CaptureCard.Channel("SCL", "A5 (analog 6)"),
                        new CaptureCard.Channel("SDA", "A4 (analog 5)"));
        assertThat(card.rate()).startsWith("1 Msamples/s").contains("10 a clock of 100 kHz");
        assertThat(card.trigger()).startsWith("START");
        assertThat(card.length()).anyMatch(l -> l.startsWith("one picture of 1024 bytes: 92."));
        assertThat(card.base()).isEmpty();
    }

    @Test
    void whatTheInstrumentCannotDoIsTold() {
        assertThat(cards(logic(200e3, 0, 8, 0), "oled-128x64-page-2wire").get(0).lost())
                .anyMatch(l -> l.contains("nothing can be decoded") && l.contains("50 kHz"));
        assertThat(cards(logic(500e3, 0, 8, 0), "oled-128x64-page-2wire").get(0).lost())
                .anyMatch(l -> l.contains("times not judged"));
        assertThat(cards(logic(24e6, 10_000, 8, 0), "oled-128x64-page-2wire")
                        .get(0)
                        .lost())
                .anyMatch(l -> l.startsWith("Of one picture"));
        assertThat(cards(logic(24e6, 0, 1, 0), "oled-128x64-page-2wire").get(0).lost())
                .anyMatch(l -> l.contains("no channel left"));
        assertThat(cards(logic(24e6, 0, 8, 0.2), "oled-128x64-page-2wire")
                        .get(0)
                        .lost())
                .anyMatch(l -> l.contains("misread"));
    }

    @Test
    void aScopeGetsItsTimeBaseAndADisplayOnPinsItsStrobe() {
        Instrument scope = new Instrument("bench scope", true, 2, 1e9, 1e6, 50e6, 0);
        CaptureCard card = cards(scope, "character-16x2-direct").get(0);
        assertThat(card.channels()).hasSize(2);
        assertThat(card.trigger()).contains("strobe");
        assertThat(card.base()).contains("a division");
        assertThat(card.lost()).noneMatch(l -> l.contains("Rise times"));
    }

    @Test
    void anInstrumentIsKeptAsText() {
        assertThat(Instrument.of(Instrument.SMALL.text())).isEqualTo(Instrument.SMALL);
        assertThatThrownBy(() -> logic(1, 0, 8, 0)).hasMessageContaining("samples a second");
    }
}
