package izzet.core.find;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The words of makers that stand in no name of the shelf. */
class SearchTest {

    private final Search search = new Search(Workbench.CATALOG);

    private List<String> ids(String query) {
        return search.find(query).stream().map(Search.Hit::id).toList();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "lcd | character-16x2-direct",
                "tft | colour-128x160-serial-shifted",
                "1602 | character-16x2-direct",
                "mux | bus-switch-8",
                "rtc | real-time-clock",
                "e-ink | epaper-200x200-serial",
                "eink | epaper-200x200-serial",
                "backpack | character-16x2-expander",
                "logic level converter | level-shifter-4",
                "led strip | lamp-chain-8",
                "7 segment | seven-segment-4-2wire",
                "seven segment displays | seven-segment-4-2wire",
                "7-seg | seven-segment-4-2wire",
                "pushbutton | push-button",
                "buttns | push-button",
                "potentiometr | potentiometer",
                "sd card | card-socket",
                "wifi | wifi-dual-38",
                "barometer | pressure-temperature",
                "expander | expander-16",
                "colour panel | colour-128x160-serial-shifted"
            })
    void standForWhatIsOnTheShelf(String query, String first) {
        List<String> found = ids(query);
        assertThat(found.subList(0, Math.min(3, found.size()))).contains(first);
        assertThat(found).hasSizeLessThan(25);
    }

    @Test
    void findWhatIsMeantAndNothingElse() {
        assertThat(ids("rtc")).containsExactly("real-time-clock");
        assertThat(ids("mux")).containsExactlyInAnyOrder("bus-switch-4", "bus-switch-8");
        assertThat(ids("lcd")).noneMatch(id -> id.startsWith("oled") || id.startsWith("mcu"));
        assertThat(ids("xylophone")).isEmpty();
        assertThat(ids("oled xylophone")).isEmpty();
    }

    @Test
    void displaysComeBeforeHelpers() {
        List<String> found = ids("0x27");
        assertThat(found.get(0)).startsWith("character-");
        assertThat(found).contains("expander-8");
        List<String> all = ids("");
        assertThat(all.indexOf("oled-128x64-page-2wire")).isLessThan(all.indexOf("expander-8"));
        assertThat(all.indexOf("push-button")).isLessThan(all.indexOf("expander-8"));
    }
}
