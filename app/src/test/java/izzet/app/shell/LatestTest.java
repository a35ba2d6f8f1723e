package izzet.app.shell;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import izzet.app.PagesOfAPlan;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Answers that come in another order than they were asked for, as from a slow server to a quick hand. */
class LatestTest extends PagesOfAPlan {

    private static final String IDLE = "() => !document.querySelector('.htmx-request, .htmx-swapping, .htmx-settling')";

    LatestTest() {
        super(A_SIGN);
    }

    private Page open(String station) {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/" + station);
        return page;
    }

    /** News of an own change would bring it onto the page by another way. */
    private Page wiringWithoutNews() {
        Page page = browser.page(port);
        page.addInitScript("delete window.EventSource");
        page.navigate("/plans/" + id + "/wiring");
        return page;
    }

    private static List<String> errors(Page page) {
        List<String> errors = new ArrayList<>();
        page.onConsoleMessage(m -> {
            if (m.type().equals("error")) {
                errors.add(m.text());
            }
        });
        return errors;
    }

    private static List<Route> hold(Page page, String address, String method) {
        List<Route> held = new ArrayList<>();
        page.route(address, route -> {
            if (route.request().method().equals(method)) {
                held.add(route);
            } else {
                route.resume();
            }
        });
        return held;
    }

    private static Locator station(Page page, String id) {
        return page.locator("#station-" + id);
    }

    @Test
    void theStationAskedForLastIsShown() {
        Page page = open("parts");
        List<Route> slow = hold(page, "**/levels", "GET");
        List<String> errors = errors(page);
        station(page, "levels").click();
        page.waitForCondition(() -> slow.size() == 1);
        station(page, "buses").click();
        assertThat(page).hasURL(Pattern.compile("/buses$"));
        assertThat(page.locator("#page main")).hasClass(Pattern.compile("buses"));
        page.waitForResponse("**/levels", () -> slow.get(0).resume());
        page.waitForFunction(IDLE);
        assertThat(page).hasURL(Pattern.compile("/buses$"));
        assertThat(page.locator("#page main")).hasClass(Pattern.compile("buses"));
        assertThat(errors).isEmpty();
        page.context().close();
    }

    /** The page that the station was asked from is gone when its answer comes. */
    @Test
    void aStationIsShownThoughTheAnswerToAChangeComesBetween() {
        Page page = wiringWithoutNews();
        List<Route> change = hold(page, "**/ticks", "POST");
        List<Route> slow = hold(page, "**/bring-up", "GET");
        page.locator("#tick-1").click();
        page.waitForCondition(() -> change.size() == 1);
        station(page, "bring-up").click();
        page.waitForCondition(() -> slow.size() == 1);
        change.get(0).resume();
        assertThat(page.locator("#ticked")).containsText("1 of ");
        slow.get(0).resume();
        page.waitForCondition(() -> slow.size() == 2);
        slow.get(1).resume();
        assertThat(page).hasURL(Pattern.compile("/bring-up$"));
        assertThat(page.locator("#station-bring-up")).hasAttribute("aria-current", "page");
        page.context().close();
    }

    /** A change that is refused when its page is gone is not lost in silence. */
    @Test
    void aRefusalThatComesLateIsTold() {
        Page page = wiringWithoutNews();
        List<Route> change = hold(page, "**/ticks", "POST");
        page.locator("#tick-1").evaluate("(tick, key) => { tick.form.elements.key.value = key; }", "k".repeat(201));
        page.locator("#tick-1").click();
        page.waitForCondition(() -> change.size() == 1);
        station(page, "buses").click();
        assertThat(page).hasURL(Pattern.compile("/buses$"));
        change.get(0).resume();
        assertThat(page.locator(".fault .detail")).containsText("200 characters");
        page.context().close();
    }

    @Test
    void twoTicksInQuickSuccessionAreBothShown() {
        Page page = wiringWithoutNews();
        List<String> errors = errors(page);
        List<Route> changes = hold(page, "**/ticks", "POST");
        page.locator("#tick-1").click();
        page.locator("#tick-2").click();
        page.waitForCondition(() -> changes.size() == 2);
        changes.get(0).resume();
        assertThat(page.locator("#ticked")).containsText("1 of ");
        changes.get(1).resume();
        assertThat(page.locator("#ticked")).containsText("2 of ");
        assertThat(page.locator("#tick-1")).isChecked();
        assertThat(page.locator("#tick-2")).isChecked();
        assertThat(errors).isEmpty();
        page.context().close();
    }

    /** What was asked because of news comes when the page that asked is gone. */
    @Test
    void newsOfAnOwnTickThatComeLateAreNoError() {
        Page page = open("wiring");
        List<String> errors = errors(page);
        List<Route> news = new ArrayList<>();
        page.route("**/wiring", route -> {
            if (List.of("steps-live", "measure")
                    .contains(String.valueOf(route.request().headers().get("hx-target")))) {
                news.add(route);
            } else {
                route.resume();
            }
        });
        page.locator("#tick-1").click();
        assertThat(page.locator("#ticked")).containsText("1 of ");
        page.waitForCondition(() -> news.size() >= 2);
        page.locator("#tick-2").click();
        assertThat(page.locator("#ticked")).containsText("2 of ");
        page.waitForResponse(
                r -> r.url().endsWith("/wiring"), () -> List.copyOf(news).forEach(Route::resume));
        page.waitForFunction(IDLE);
        assertThat(page.locator("#ticked")).containsText("2 of ");
        assertThat(errors).isEmpty();
        page.context().close();
    }
}
