package izzet.core.choose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import izzet.core.Workbench;
import izzet.core.plan.PlanDocument;
import java.util.List;
import org.junit.jupiter.api.Test;

class ChooserTest {

    private final Chooser chooser = new Chooser(Workbench.CATALOG, Workbench.CHECKER, Workbench.REPAIRS);

    private static Chooser.Wish on(String board, String shows, Integer columns, Integer rows, Integer bits) {
        return new Chooser.Wish(shows, columns, rows, bits, null, null, board);
    }

    private Chooser.Offer find(List<Chooser.Offer> offers, String part, String variant) {
        return offers.stream()
                .filter(o -> o.part().id().equals(part) && o.variant().id().equals(variant))
                .findFirst()
                .orElseThrow();
    }

    /** A bare character display eats 6 or 10 pins, an expander board 2. */
    @Test
    void pinsOfACharacterDisplayByItsInterface() {
        List<Chooser.Offer> offers = chooser.offers(on(Workbench.MCU, "characters", 16, 2, null), Chooser.Order.PINS);
        assertThat(find(offers, "character-16x2-expander", "2-wire").pins()).isEqualTo(2);
        assertThat(find(offers, "character-16x2-direct", "4-bit").pins()).isEqualTo(6);
        assertThat(find(offers, "character-16x2-direct", "8-bit").pins()).isEqualTo(10);
        assertThat(offers.get(0).pins()).isEqualTo(2);
    }

    /** 128 x 160 pixels of 16 bits at the 8 MHz of the small board take 41 ms. */
    @Test
    void fillTimesFollowTheSlowestOfPartAndBoard() {
        List<Chooser.Offer> small = chooser.offers(on(Workbench.MCU, "pixels", null, null, 16), Chooser.Order.SPEED);
        Chooser.Offer panel = find(small, "colour-128x160-serial-shifted", "panel");
        assertThat(panel.fillSeconds() * 1000).isCloseTo(41, within(0.1));
        assertThat(panel.picturesPerSecond()).isCloseTo(24.4, within(0.1));
        assertThat(panel.formula()).isEqualTo("128 × 160 × 16 / 8 MHz");
        List<Chooser.Offer> fast = chooser.offers(on(Workbench.SBC, "pixels", null, null, 16), Chooser.Order.SPEED);
        assertThat(find(fast, "colour-128x160-serial-shifted", "panel").hertz()).isEqualTo(15e6);
    }

    @Test
    void longWiresSlowASerialBusDown() {
        Chooser.Wish far = new Chooser.Wish("pixels", 240, 240, 16, null, 300.0, Workbench.SBC);
        assertThat(find(chooser.offers(far, Chooser.Order.SPEED), "colour-240x320-serial", "panel")
                        .hertz())
                .isCloseTo(3.33e6, within(1e4));
    }

    /** 1024 bytes in 32 pieces at 400 kHz take a quarter of 98.6 ms. */
    @Test
    void theTwoWireBusCountsItsPieces() {
        List<Chooser.Offer> offers = chooser.offers(on(Workbench.MCU, "pixels", 128, 64, 1), Chooser.Order.PINS);
        assertThat(find(offers, "oled-128x64-page-2wire", "2-wire").fillSeconds() * 1000)
                .isCloseTo(24.6, within(0.1));
    }

    @Test
    void aWholePictureMustFitTheMemory() {
        List<Chooser.Offer> small = chooser.offers(on(Workbench.MCU, "pixels", null, null, null), Chooser.Order.MEMORY);
        assertThat(find(small, "oled-128x64-page-2wire", "2-wire").memoryFits()).isTrue();
        assertThat(find(small, "oled-256x64-grey-serial", "4-wire").memoryFits())
                .isFalse();
        // A panel with memory of its own takes its picture piece by piece.
        assertThat(find(small, "colour-240x320-serial", "panel").memoryFits()).isTrue();
        List<Chooser.Offer> large =
                chooser.offers(on("wifi-dual-38", "pixels", null, null, null), Chooser.Order.MEMORY);
        assertThat(find(large, "oled-256x64-grey-serial", "4-wire").memoryFits())
                .isTrue();
        assertThat(find(large, "epaper-200x200-serial", "panel").fillSeconds()).isGreaterThan(2);
    }

    /** Parallel RGB with 24 bits takes every pin of the computer, and so every other bus. */
    @Test
    void thePixelBusBlocksTheOthers() {
        List<Chooser.Offer> offers = chooser.offers(on(Workbench.SBC, "pixels", 480, 272, 16), Chooser.Order.PINS);
        Chooser.Offer whole = find(offers, "rgb-480x272", "rgb-24");
        assertThat(whole.fits()).isTrue();
        assertThat(whole.pinsLeft()).isZero();
        assertThat(whole.blocks()).contains("I2C 1", "SPI 0");
        Chooser.Offer packed = find(offers, "rgb-480x272", "rgb-16");
        assertThat(packed.pins()).isLessThan(whole.pins());
        assertThat(chooser.offers(on(Workbench.MCU, "pixels", 480, 272, 16), Chooser.Order.PINS))
                .filteredOn(o -> o.part().id().startsWith("rgb-"))
                .noneMatch(Chooser.Offer::fits);
    }

    @Test
    void levelTroubleIsTold() {
        List<Chooser.Offer> offers = chooser.offers(on(Workbench.MCU, "pixels", 128, 160, 16), Chooser.Order.TROUBLE);
        assertThat(find(offers, "colour-128x160-serial-3v3", "panel").stops())
                .anyMatch(s -> s.contains("survives 3.6 V"));
        assertThat(find(offers, "colour-128x160-serial-shifted", "panel").stops())
                .isEmpty();
    }

    @Test
    void wishesAreMetAndTheRestStandsBehind() {
        Chooser.Wish wish = new Chooser.Wish("pixels", 200, 200, 16, 20.0, null, null);
        List<Chooser.Offer> offers = chooser.offers(wish, Chooser.Order.PINS);
        assertThat(offers)
                .isNotEmpty()
                .allMatch(o -> o.part().glass().columns() >= 200
                        && o.part().glass().rows() >= 200
                        && o.part().glass().bitsPerPixel() >= 16);
        boolean behind = false;
        for (Chooser.Offer o : offers) {
            boolean good = o.fits() && o.fastEnough() && o.memoryFits();
            assertThat(good && behind)
                    .as(o.part().id() + " on " + o.board().id())
                    .isFalse();
            behind |= !good;
        }
        assertThat(behind).isTrue();
    }

    /** Every offer that fits is a plan that can be stored as it is. */
    @Test
    void offersArePlans() {
        PlanDocument documents = new PlanDocument();
        for (Chooser.Offer o :
                chooser.offers(new Chooser.Wish(null, null, null, null, null, null, null), Chooser.Order.PINS)) {
            assertThat(documents.read(documents.write(o.plan()), Workbench.CATALOG))
                    .isEqualTo(o.plan());
            assertThat(o.pins() + o.pinsLeft())
                    .isLessThanOrEqualTo(o.board().signalPins().size());
        }
    }

    /** A 3.3 V panel on a 5 V board wants a shifter; on a 3.3 V board nothing. */
    @Test
    void extraPartsAreThoseOfTheCheapestRepairs() {
        Chooser.Offer five = find(
                chooser.offers(on(Workbench.MCU, "pixels", 128, 160, 16), Chooser.Order.PINS),
                "colour-128x160-serial-3v3",
                "panel");
        Chooser.Mending mending = chooser.mending(five);
        assertThat(five.stops()).isNotEmpty();
        assertThat(mending.buy()).isNotEmpty();
        assertThat(mending.left()).isZero();
        Chooser.Offer three = find(
                chooser.offers(on(Workbench.SBC, "pixels", 128, 160, 16), Chooser.Order.PINS),
                "colour-128x160-serial-3v3",
                "panel");
        assertThat(chooser.mending(three).buy()).noneMatch(b -> b.contains("shifter") || b.contains("buffer"));
        assertThat(chooser.mending(five)).isSameAs(mending);
    }

    /** 525 x 286 x 60 = 9.01 MHz, 1056 x 525 x 60 = 33.26 MHz. */
    @Test
    void pixelClocksAreThoseOfTheTotals() {
        List<Chooser.Offer> offers = chooser.offers(on(Workbench.SBC, "pixels", 480, 272, 24), Chooser.Order.SPEED);
        assertThat(find(offers, "rgb-480x272", "rgb-16").hertz()).isCloseTo(9.009e6, within(1e3));
        assertThat(find(offers, "rgb-800x480", "rgb-16").hertz()).isCloseTo(33.264e6, within(1e3));
    }
}
