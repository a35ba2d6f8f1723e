package izzet.app.preference;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import izzet.app.PagesOfAPlan;
import izzet.app.shell.Look;
import jakarta.servlet.http.Cookie;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is told once is kept, for this browser or for all, and pages go by it. */
class SettingsPagesTest extends PagesOfAPlan {

    private static final String PLAN =
            """
            {"format":"izzet-plan","version":1,"name":"Lamp room","board":"mcu-8bit-5v-14-6","parts":[
            {"id":"north","part":"oled-128x64-page-2wire","partVersion":2,"name":"North sign","interface":"2-wire","bus":"i2c"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],
            "connections":[{"from":"north:VCC","to":"rail:5V"},{"from":"north:GND","to":"rail:GND"},
            {"from":"north:SCL","to":"board:A5"},{"from":"north:SDA","to":"board:A4"}]}
            """;

    SettingsPagesTest() {
        super(PLAN);
    }

    private static int brightness(Page page) {
        return (Integer) page.evaluate(
                "() => getComputedStyle(document.documentElement).backgroundColor.match(/\\d+/g).slice(0, 3)"
                        + ".reduce((sum, part) => sum + Number(part), 0)");
    }

    private static void choose(Page page, String theme, String size) {
        page.navigate("/settings");
        page.locator("[name=theme][value=" + theme + "]").check();
        page.locator("[name=size][value=" + size + "]").check();
        page.locator("button", new Page.LocatorOptions().setHasText("Keep the look"))
                .click();
        assertThat(page.locator("[name=theme][value=" + theme + "]")).isChecked();
        assertThat(page.locator("[name=size][value=" + size + "]")).isChecked();
    }

    /** Whatever the device says; and back to what it says. */
    @Test
    void theThemeIsThisBrowsers() {
        Page page = browser.page(port, 1280, 800, ColorScheme.LIGHT);
        page.navigate("/");
        Assertions.assertThat(brightness(page)).isGreaterThan(600);
        choose(page, "dark", "usual");
        page.navigate("/plans/" + id + "/pins");
        Assertions.assertThat(brightness(page)).isLessThan(200);
        choose(page, "light", "usual");
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.DARK));
        Assertions.assertThat(brightness(page)).isGreaterThan(600);
        choose(page, "device", "usual");
        Assertions.assertThat(brightness(page)).isLessThan(200);
        // Another browser has its own.
        Page other = browser.page(port, 1280, 800, ColorScheme.LIGHT);
        other.navigate("/");
        Assertions.assertThat(brightness(other)).isGreaterThan(600);
    }

    /** Text and drawings grow, and on a phone nothing runs out at the side. */
    @Test
    void theLargestTextFitsAPhone() {
        Page page = browser.page(port, 390, 800, ColorScheme.LIGHT);
        page.navigate("/plans/" + id + "/findings");
        double usual = size(page.locator("h1").first());
        choose(page, "device", "largest");
        for (String station : new String[] {
            "parts",
            "pins",
            "levels",
            "buses",
            "wiring",
            "wiring/steps/1",
            "bring-up",
            "traffic",
            "log",
            "findings",
            "history",
            "bench"
        }) {
            page.navigate("/plans/" + id + "/" + station);
            Assertions.assertThat((Integer) page.evaluate("() => document.documentElement.scrollWidth"))
                    .as(station)
                    .isLessThanOrEqualTo(390);
        }
        Assertions.assertThat(size(page.locator("h1").first())).isGreaterThan(usual * 1.4);
    }

    private static double size(Locator at) {
        return ((Number) at.evaluate("e => parseFloat(getComputedStyle(e).fontSize)")).doubleValue();
    }

    @Test
    void unitsAreThoseOfTheMaker() throws Exception {
        pages.perform(get("/shelf/parts/oled-128x64-page-2wire"))
                .andExpect(content().string(containsString("0.96 inch")));
        pages.perform(post("/preferences/units").param("diagonal", "mm").param("here", "/settings"))
                .andExpect(redirectedUrl("/settings"));
        pages.perform(get("/shelf/parts/oled-128x64-page-2wire"))
                .andExpect(content().string(containsString("24 mm")))
                .andExpect(content().string(not(containsString("0.96 inch"))));
        pages.perform(post("/preferences/units").param("diagonal", "inch")).andExpect(redirectedUrl("/"));
        pages.perform(post("/preferences/units").param("diagonal", "ell"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("inch or mm")));
    }

    /** One place keeps it; the station that uses it shows the same. */
    @Test
    void theInstrumentIsTheSameInSettingsAndTraffic() throws Exception {
        pages.perform(post("/preferences/instrument")
                        .param("name", "Bench scope")
                        .param("kind", "scope")
                        .param("channels", "2")
                        .param("rate", "1000,5")
                        .param("here", "/plans/" + id + "/traffic"))
                .andExpect(redirectedUrl("/plans/" + id + "/traffic"));
        pages.perform(get("/settings"))
                .andExpect(content().string(containsString("Bench scope")))
                .andExpect(content().string(containsString("1000.5")));
        pages.perform(get("/plans/" + id + "/traffic")).andExpect(content().string(containsString("Bench scope")));
        pages.perform(post("/preferences/instrument")
                        .param("name", "None")
                        .param("kind", "scope")
                        .param("channels", "0")
                        .param("rate", "1"))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("channels lies between 1 and 64")));
    }

    @ParameterizedTest
    @CsvSource({"sepia, usual, theme", "dark, huge, size"})
    void otherLooksAreRefused(String theme, String size, String what) throws Exception {
        pages.perform(post("/preferences/look").param("theme", theme).param("size", size))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("The " + what + " is one of")));
    }

    /** What a browser sends need not be what was kept. */
    @ParameterizedTest
    @ValueSource(strings = {"x", "dark", "dark.large.more", "\"><b>.large", "sepia.usual", "."})
    void oddCookiesMeanNothing(String value) throws Exception {
        pages.perform(get("/").cookie(new Cookie(Look.COOKIE, value)))
                .andExpect(status().isOk())
                .andExpect(content().string(not(containsString("data-theme"))));
    }

    /** A way back that is none of ours leads to the first page. */
    @Test
    void nobodyIsSentElsewhere() throws Exception {
        pages.perform(post("/preferences/units").param("diagonal", "inch").param("here", "//elsewhere.example/"))
                .andExpect(redirectedUrl("/"));
    }
}
