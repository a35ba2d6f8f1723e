package izzet.core.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

class SideBySideTest {

    private static List<SideBySide.Row> rows(String... ids) {
        return SideBySide.of(
                Arrays.stream(ids)
                        .map(id -> Workbench.CATALOG.part(id).orElseThrow())
                        .toList(),
                false);
    }

    private static SideBySide.Row row(List<SideBySide.Row> rows, String property) {
        return rows.stream()
                .filter(r -> r.property().equals(property))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void theOrderOfTheHeaderTellsTwoOledsApart() {
        List<SideBySide.Row> rows = rows("oled-128x64-page-2wire", "oled-128x64-page-2wire-vcc-first");
        assertThat(rows.get(0).property()).isEqualTo("header, in its order");
        assertThat(rows.get(0).values()).containsExactly("GND VCC SCL SDA", "VCC GND SCL SDA");
        assertThat(rows.get(0).differ()).isTrue();
        assertThat(row(rows, "supply").differ()).isFalse();
        assertThat(row(rows, "addresses").values().get(0)).isEqualTo("0x3C, 0x3D");
        assertThat(rows).extracting(SideBySide.Row::differ).isSortedAccordingTo((a, b) -> Boolean.compare(b, a));
    }

    @Test
    void twoFamiliesOfExpandersHaveOtherAddresses() {
        SideBySide.Row chips = row(rows("expander-8", "expander-8-a"), "addresses");
        assertThat(chips.values()).containsExactly("0x20 to 0x27", "0x38 to 0x3F");
        SideBySide.Row displays = row(rows("character-16x2-expander", "character-16x2-expander-a"), "addresses");
        assertThat(displays.values()).containsExactly("0x20 to 0x27", "0x38 to 0x3F");
    }

    @Test
    void aPartBesideItselfDiffersInNothing() {
        for (Part part : Workbench.CATALOG.parts().values()) {
            assertThat(SideBySide.of(List.of(part, part), false)).as(part.id()).noneMatch(SideBySide.Row::differ);
        }
    }

    @Test
    void addressesAreThoseOfStrapsAndAddressLinesWithinTenBits() {
        Part part = Workbench.CATALOG.part("character-16x2-expander").orElseThrow();
        assertThat(part.addresses()).hasSize(8).startsWith(0x20).contains(0x27);
        assertThat(Workbench.CATALOG.part("push-button").orElseThrow().addresses())
                .isEmpty();
        assertThat(Workbench.CATALOG.parts().values())
                .allSatisfy(p -> assertThat(p.addresses()).allMatch(a -> a >= 0 && a < 0x400));
    }

    @Test
    void diagonalsAreSaidInTheUnitThatWasChosen() {
        Part part = CatalogReader.shipped().part("oled-128x64-page-2wire").orElseThrow();
        assertThat(row(SideBySide.of(List.of(part, part), false), "shows")
                        .values()
                        .get(0))
                .endsWith("0.96 inch");
        assertThat(row(SideBySide.of(List.of(part, part), true), "shows")
                        .values()
                        .get(0))
                .endsWith("24 mm");
    }
}
