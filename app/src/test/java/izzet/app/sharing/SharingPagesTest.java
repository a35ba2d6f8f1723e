package izzet.app.sharing;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import izzet.app.Browser;
import izzet.core.plan.PlanEdit;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Two devices and a reader at one plan, in the browser. */
class SharingPagesTest extends InTheNetwork {

    private static Browser browser;

    private long id;

    @BeforeAll
    static void openBrowser() {
        browser = new Browser();
    }

    @AfterAll
    static void closeBrowser() {
        browser.close();
    }

    @BeforeEach
    void storePlan() {
        id = store("Platform");
    }

    private Page paired(int width, int height, ColorScheme scheme) {
        Page page = browser.page(port, width, height, scheme);
        page.navigate("/pair?key=" + key.fresh());
        page.locator("button").click();
        page.waitForURL(Pattern.compile(".*:\\d+/$"));
        return page;
    }

    private static Locator button(Page page, String words) {
        return page.locator("button", new Page.LocatorOptions().setHasText(words));
    }

    @Test
    void aWrongKeyIsToldAndStays() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/pins");
        assertThat(page.locator("h1")).hasText("Pair this device");
        page.locator("[name=key]").fill("abcd-efgh");
        button(page, "Pair").click();
        assertThat(page.locator("[role=alert]")).containsText("This is not the key");
        assertThat(page.locator("[name=key]")).hasValue("abcd-efgh");
        // Its style is allowed by its digest; a page without it would be as wide as the window.
        Assertions.assertThat((Integer) page.evaluate("document.querySelector('main').parentElement.clientWidth"))
                .isLessThan(700);
        Assertions.assertThat(new AxeBuilder(page).analyze().getViolations()).isEmpty();
    }

    @Test
    void aDeviceLetsAnotherInAndEndsIt() {
        Page desk = paired(1280, 800, ColorScheme.LIGHT);
        desk.navigate("/sharing");
        assertThat(desk.locator("tr", new Page.LocatorOptions().setHasText("this one")))
                .hasCount(1);
        button(desk, "Pair a device").click();
        assertThat(desk.locator(".code")).isVisible();
        String link = desk.locator(".addresses code").last().innerText();
        Page phone = browser.page(port, 390, 800, ColorScheme.DARK);
        phone.navigate(link.substring(link.indexOf("/pair")));
        phone.locator("[name=name]").fill("Phone at the bench");
        button(phone, "Pair").click();
        phone.waitForURL(Pattern.compile(".*:\\d+/$"));
        phone.navigate("/phone");
        assertThat(phone.locator("[aria-label='Steps of Platform']").first()).isVisible();
        Assertions.assertThat(new AxeBuilder(phone).analyze().getViolations()).isEmpty();
        Assertions.assertThat((Boolean) phone.evaluate("document.documentElement.scrollWidth <= 390"))
                .isTrue();
        desk.navigate("/sharing");
        Assertions.assertThat(new AxeBuilder(desk).analyze().getViolations()).isEmpty();
        desk.locator("[aria-label='End Phone at the bench']").first().click();
        assertThat(desk.locator("[aria-label='End Phone at the bench']")).hasCount(0);
        phone.navigate("/phone");
        assertThat(phone.locator("h1")).hasText("Pair this device");
    }

    /** What another device does shows here, and the page stays as it is until it is asked for. */
    @Test
    void whatAnotherDeviceChangesIsToldHere() {
        Page desk = paired(1280, 800, ColorScheme.LIGHT);
        desk.navigate("/plans/" + id + "/pins");
        assertThat(desk.locator(".elsewhere")).isHidden();
        Page phone = paired(390, 800, ColorScheme.LIGHT);
        phone.navigate("/plans/" + id + "/wiring");
        plans.apply(id, plans.get(id).version(), new PlanEdit.Rename("Platform 2"));
        assertThat(desk.locator(".elsewhere")).containsText("Changed elsewhere; last: ");
        assertThat(phone.locator(".elsewhere")).containsText("Changed elsewhere; last: ");
        assertThat(desk.locator(".plan-name h1")).hasText("Platform");
        desk.locator(".elsewhere a").click();
        assertThat(desk.locator(".plan-name h1")).hasText("Platform 2");
        assertThat(desk.locator(".elsewhere")).isHidden();
    }

    /** Own changes are told by the stream, too, and are no news. */
    @Test
    void whatThisPageChangesIsNoNews() {
        Page desk = paired(1280, 800, ColorScheme.LIGHT);
        desk.clock().install();
        desk.navigate("/plans/" + id + "/parts");
        plans.apply(id, plans.get(id).version(), new PlanEdit.Rename("Platform 3"));
        assertThat(desk.locator(".elsewhere")).containsText("Changed elsewhere");
        desk.locator(".elsewhere a").click();
        assertThat(desk.locator(".plan-name h1")).hasText("Platform 3");
        desk.evaluate("() => { window.heard = 0; document.addEventListener('plan-edited', () => window.heard++); }");
        desk.locator("#undo").click();
        assertThat(desk.locator(".plan-name h1")).hasText("Platform");
        desk.waitForFunction("() => window.heard > 0");
        // Longer than a page waits before it compares.
        desk.clock().fastForward(5000);
        assertThat(desk.locator(".elsewhere")).isHidden();
    }

    @Test
    void aReaderSeesThePlanAndCannotChangeIt() {
        Page desk = paired(1280, 800, ColorScheme.LIGHT);
        desk.navigate("/sharing");
        desk.locator("[name=name]").fill("workshop evening");
        desk.locator("select[name=plan]").selectOption(String.valueOf(id));
        button(desk, "Make a link").click();
        assertThat(desk.locator(".way h2")).hasText("A link to Platform");
        String link = desk.locator(".addresses code").last().innerText();
        Page reader = browser.page(port);
        reader.navigate(link.substring(link.indexOf("/read")));
        assertThat(reader.locator(".plan-name h1")).hasText("Platform");
        assertThat(reader.locator("#undo")).hasCount(0);
        assertThat(reader.locator("#room-shelf")).hasCount(0);
        reader.navigate("/plans/" + id + "/parts");
        assertThat(reader.locator("form[method=post] input:not([type=hidden]):enabled"))
                .hasCount(0);
        Assertions.assertThat(new AxeBuilder(reader).analyze().getViolations()).isEmpty();
        reader.navigate("/");
        assertThat(reader.locator("h1")).hasText("This link only reads");
    }
}
