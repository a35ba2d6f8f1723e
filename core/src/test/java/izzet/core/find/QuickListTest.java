package izzet.core.find;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.core.Workbench;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class QuickListTest {

    private static final Search SEARCH = new Search(Workbench.CATALOG);
    private static final QuickList LIST = new QuickList(Workbench.CATALOG, () -> SEARCH);

    static Stream<String> lines() throws IOException {
        try (InputStream in = QuickListTest.class.getResourceAsStream("/quicklist/lines.txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines().filter(l -> !l.isBlank() && !l.startsWith("#")).toList().stream();
        }
    }

    private static String told(QuickList.Reading reading) {
        List<String> told = new ArrayList<>();
        if (reading.board() != null) {
            told.add(reading.board() + (reading.boardSure() ? "" : "?"));
        }
        reading.parts()
                .forEach(i -> told.add(i.count() + " " + i.part()
                        + (i.interfaceId() == null ? "" : "/" + i.interfaceId())
                        + (i.sure() ? "" : "?")));
        if (!reading.unread().isEmpty()) {
            told.add("unread: " + String.join(" ", reading.unread()));
        }
        return String.join("; ", told);
    }

    @ParameterizedTest
    @MethodSource("lines")
    void readsWhatMakersType(String line) {
        String[] sides = line.split(" => ");
        assertThat(told(LIST.read(sides[0]))).isEqualTo(sides[1].strip());
    }

    @Test
    void tellsWhatElseFitsAndWhatWasReadOtherwise() {
        QuickList.Item oled = LIST.read("small oledd at 0x3d").parts().get(0);
        assertThat(oled.address()).isEqualTo(0x3D);
        assertThat(oled.readAs()).isEqualTo("oled");
        assertThat(oled.words()).isEqualTo("small oledd at 0x3d");
        assertThat(LIST.read("- 3 Push-Buttons,\n* OLED 0,96").parts())
                .extracting(QuickList.Item::words)
                .containsExactly("3 Push-Buttons", "OLED 0,96");
        assertThat(oled.alternatives())
                .contains("oled-128x64-page-2wire-vcc-first")
                .doesNotContain(oled.part());
        assertThat(LIST.read("3 buttons").parts().get(0).alternatives()).isEmpty();
        assertThat(LIST.read("wifi board").boardAlternatives())
                .containsExactlyInAnyOrder("wifi-dual-30", "wifi-single-30");
    }

    /** The number on a chip names its part where a source note has it. */
    @Test
    void aChipNumberOfASourceNoteIsRead() {
        String source = Workbench.CATALOG.part("oled-128x64-page-2wire").orElseThrow().sources().values().stream()
                .filter(t -> t.contains("("))
                .findFirst()
                .orElseThrow();
        String number =
                source.replaceAll("(?s).*?\\((\\w+\\d{3,}\\w*)\\).*", "$1").toLowerCase(java.util.Locale.ROOT);
        QuickList.Item item = LIST.read("2 " + number + " oled").parts().get(0);
        assertThat(item.count()).isEqualTo(2);
        assertThat(item.part()).isEqualTo("oled-128x64-page-2wire");
        assertThat(item.sure()).isFalse();
        assertThat(item.alternatives()).noneMatch(id -> id.startsWith("oled-1v3"));
    }

    @Test
    void nothingIsIndexedForAnEmptyText() {
        QuickList list = new QuickList(Workbench.CATALOG, () -> {
            throw new AssertionError("an index was asked for");
        });
        assertThat(list.read(" \n").parts()).isEmpty();
    }

    @Test
    void nothingOnThePaperIsNothingOnTheTable() {
        for (String text : List.of("", "  , ;; \n", "and", "3", "0x3c", "5v", "2 x", "with", "a")) {
            QuickList.Reading reading = LIST.read(text);
            assertThat(reading.parts()).as(text).isEmpty();
            assertThat(reading.board()).as(text).isNull();
        }
        assertThatThrownBy(() -> LIST.read("x".repeat(QuickList.MOST_CHARS + 1)))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("2000");
    }

    /** Whatever is typed: parts of the shelf, counts that can be, doubt exactly where there are alternatives or leftovers. */
    @Test
    void anyTextIsReadWithoutHarm() {
        Random random = new Random(7);
        List<String> bits = List.of(
                "2",
                "oled",
                "16x2",
                ",",
                "with",
                "lcd",
                "\"",
                "x",
                "0x",
                "1.8",
                "tft",
                "(",
                ";",
                "\u00fc",
                "board",
                "wifi",
                "and",
                "+",
                "3x",
                "button",
                "\ud83d\ude00",
                ".",
                "7",
                "segment",
                "99",
                "-",
                "e",
                "ink",
                "\n");
        for (int i = 0; i < 2000; i++) {
            StringBuilder text = new StringBuilder();
            for (int n = random.nextInt(12); n >= 0; n--) {
                text.append(bits.get(random.nextInt(bits.size()))).append(random.nextBoolean() ? " " : "");
            }
            QuickList.Reading reading = LIST.read(text.toString());
            for (QuickList.Item item : reading.parts()) {
                assertThat(Workbench.CATALOG.part(item.part())).isPresent();
                assertThat(item.count()).isBetween(1, 99);
                assertThat(item.sure() && !item.alternatives().isEmpty())
                        .as(text.toString())
                        .isFalse();
            }
        }
    }

    @Test
    void slipsAreCounted() {
        assertThat(Slips.between("oled", "oled")).isZero();
        assertThat(Slips.between("button", "buton")).isEqualTo(1);
        assertThat(Slips.between("button", "buttno")).isEqualTo(1);
        assertThat(Slips.between("oled", "led")).isEqualTo(1);
        assertThat(Slips.between("", "led")).isEqualTo(3);
        assertThat(Slips.between("potentiometer", "potensiometr")).isEqualTo(2);
    }
}
