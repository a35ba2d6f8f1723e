package izzet.app;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Takes the pictures of the manual from the demo data; asked for by ./izzet screenshots. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {"spring.datasource.url=jdbc:h2:mem:shots;DB_CLOSE_DELAY=-1", "izzet.demo=true"})
@EnabledIfSystemProperty(named = "izzet.screenshots", matches = ".+")
class ScreenshotsTest {

    @LocalServerPort
    private int port;

    @Test
    void takeAll() {
        try (Browser browser = new Browser()) {
            Page page = browser.page(port);
            take(page, "/?list=2+small+oled,+16x2+lcd+with+backpack,+3+butons,+wifi+board", "plans");
            take(page, "/plans/1/parts", "parts");
            take(page, "/plans/1/pins", "pins");
            take(page, "/plans/1/findings/I1.part-platform-1.part-platform-2", "finding");
            take(page, "/plans/1/move?board=sbc-40-pin", "move");
            take(page, "/plans/1/assign", null);
            page.locator(".weights button.is-primary").click();
            page.locator(".card").first().waitFor();
            shoot(page, "assign");
            take(page, "/plans/1/buses", "buses");
            take(page, "/plans/1/wiring", "wiring");
            take(page, "/plans/1/traffic/1?line=5", "traffic");
            take(
                    page,
                    "/tools/text?plan=1&part=cabin&text1=Platform+2&anchor1=centre&text2=to+Wick+Halt+and+Fell+End",
                    "draw");
            take(page, "/plans/1/bring-up?see=lit-blank", "bring-up");
            take(page, "/shelf?q=oled+128x64", "shelf");
            take(page, "/plans/1/bench?fault=missing@cabin:D6", "bench");
            take(page, "/plans/1/log", "log");
            take(page, "/shelf/parts/own-lever-frame/edit", "own-part");
            take(page, "/shelf/which?family=small+OLED&header-pins=4", "which");
            take(page, "/shelf/choose?shows=pixels&columns=120&pictures=10&board=&order=TROUBLE", "choose");
            Page dark = browser.page(port, 1280, 800, ColorScheme.DARK);
            take(dark, "/plans/1/levels", "levels");
            Page phone = browser.page(port, 390, 800, ColorScheme.LIGHT);
            take(phone, "/plans/1/wiring/steps/20?turn=1", "wiring-phone");
        }
    }

    private static void take(Page page, String path, String name) {
        page.navigate(path);
        if (path.contains("/traffic/")) {
            page.waitForSelector("#wave[data-drawn]");
            page.waitForSelector(".glass[data-shown]");
        }
        if (name != null) {
            shoot(page, name);
        }
    }

    private static void shoot(Page page, String name) {
        page.waitForFunction("() => !document.querySelector('.htmx-request, details[hx-get]')");
        page.evaluate("document.fonts.ready");
        page.screenshot(new Page.ScreenshotOptions()
                .setPath(Path.of("..", System.getProperty("izzet.screenshots"), name + ".png")));
    }
}
