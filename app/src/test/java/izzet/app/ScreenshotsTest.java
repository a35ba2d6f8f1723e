package izzet.app;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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
            glance(page);
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

    /** One picture that says what this is: four parts of pages with a line over each. */
    private static void glance(Page page) {
        List<Map<String, Object>> parts = List.of(
                part(
                        page,
                        "/plans/1/pins",
                        22,
                        284,
                        590,
                        268,
                        590,
                        "Two signs at one address: the weave shows the clash"),
                part(
                        page,
                        "/plans/1/findings/I1.part-platform-1.part-platform-2",
                        464,
                        176,
                        794,
                        362,
                        590,
                        "Every verdict brings repairs that were tried, with their price"),
                part(
                        page,
                        "/plans/1/traffic/1?line=5",
                        14,
                        520,
                        932,
                        242,
                        880,
                        "A record of the bus is read as a conversation"),
                part(page, "/plans/1/traffic/1?line=5", 966, 528, 292, 147, 300, "and drawn as the glass shows it"));
        page.navigate("/plans/1/pins");
        page.evaluate(
                """
                parts => {
                  document.body.replaceChildren();
                  for (const part of parts) {
                    const figure = document.createElement("figure");
                    const words = document.createElement("figcaption");
                    const picture = new Image();
                    words.textContent = part.words;
                    picture.src = part.picture;
                    Object.assign(figure.style, { position: "absolute", left: part.left + "px", top: part.top + "px", margin: 0 });
                    Object.assign(words.style, { font: "600 17px var(--bulma-family-primary)", marginBottom: "8px" });
                    Object.assign(picture.style, { width: part.width + "px", borderRadius: "6px", boxShadow: "0 0 0 1px #0003" });
                    figure.append(words, picture);
                    document.body.append(figure);
                  }
                }
                """,
                List.of(
                        placed(parts.get(0), 32, 36),
                        placed(parts.get(1), 658, 36),
                        placed(parts.get(2), 32, 376),
                        placed(parts.get(3), 948, 376)));
        page.waitForFunction("() => [...document.images].every(i => i.complete && i.naturalWidth > 0)");
        page.setViewportSize(1280, 660);
        shoot(page, "glance");
        page.setViewportSize(1280, 800);
    }

    private static Map<String, Object> part(
            Page page, String path, int x, int y, int width, int height, int shown, String words) {
        take(page, path, null);
        page.waitForFunction("() => !document.querySelector('.htmx-request, details[hx-get]')");
        page.evaluate("document.fonts.ready");
        byte[] png = page.screenshot(new Page.ScreenshotOptions().setClip(x, y, width, height));
        return Map.of(
                "words", words,
                "width", shown,
                "picture", "data:image/png;base64," + Base64.getEncoder().encodeToString(png));
    }

    private static Map<String, Object> placed(Map<String, Object> part, int left, int top) {
        Map<String, Object> placed = new HashMap<>(part);
        placed.put("left", left);
        placed.put("top", top);
        return placed;
    }
}
