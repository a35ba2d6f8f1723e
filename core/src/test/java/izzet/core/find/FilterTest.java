package izzet.core.find;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.catalog.Part;
import java.util.List;
import org.junit.jupiter.api.Test;

class FilterTest {

    private static List<String> left(Filter filter) {
        return Workbench.CATALOG.parts().values().stream()
                .filter(filter::fits)
                .map(Part::id)
                .toList();
    }

    @Test
    void narrowsByInterfaceGlassAndSupply() {
        assertThat(left(Filter.NONE)).hasSize(Workbench.CATALOG.parts().size());
        assertThat(left(new Filter(Filter.Way.TWO_WIRE, null, null)))
                .contains("oled-128x64-page-2wire", "bus-switch-8")
                .doesNotContain("oled-128x64-page-serial", "led");
        assertThat(left(new Filter(Filter.Way.PARALLEL, Filter.Glass.MIDDLE, null)))
                .containsExactlyInAnyOrder("colour-240x320-parallel", "colour-240x320-parallel-16");
        assertThat(left(new Filter(null, Filter.Glass.LARGE, null)))
                .containsExactlyInAnyOrder("colour-320x480-serial", "rgb-480x272", "rgb-800x480");
        assertThat(left(new Filter(null, Filter.Glass.SMALL, Filter.Supply.V5)))
                .contains("oled-128x64-page-2wire")
                .doesNotContain("colour-128x160-serial-3v3");
        assertThat(left(new Filter(null, null, Filter.Supply.V5)))
                .contains("push-button", "character-16x2-direct")
                .doesNotContain("colour-128x160-serial-3v3");
    }

    @Test
    void boardsPassOnlyByTheirSupply() {
        assertThat(new Filter(Filter.Way.SERIAL, null, null)
                        .fits(Workbench.CATALOG.boards().get("sbc-40-pin")))
                .isFalse();
        Filter five = new Filter(null, null, Filter.Supply.V5);
        assertThat(five.fits(Workbench.CATALOG.boards().get("mcu-8bit-5v-14-6")))
                .isTrue();
        assertThat(five.fits(Workbench.CATALOG.boards().get("sbc-40-pin"))).isFalse();
    }

    @Test
    void anUnknownNameIsNoFilter() {
        assertThat(Filter.named(Filter.Way.class, "SERIAL")).contains(Filter.Way.SERIAL);
        assertThat(Filter.named(Filter.Way.class, "smoke")).isEmpty();
    }
}
