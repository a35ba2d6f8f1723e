package izzet.app.parts;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import izzet.app.Browser;
import izzet.app.OneApplication;
import izzet.app.plan.PlanStore;
import izzet.core.assign.SolverAssigner;
import izzet.core.catalog.CatalogReader;
import izzet.core.edit.QuickPlan;
import izzet.core.plan.PlacedPart;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Parts of a plan are set in place, and every change is saved by itself. */
@OneApplication
class PartsPagesTest {

    private static Browser browser;

    @LocalServerPort
    private int port;

    @Autowired
    private PlanStore plans;

    private long id;
    private Page page;

    @BeforeAll
    static void launch() {
        browser = new Browser();
    }

    @AfterAll
    static void close() {
        browser.close();
    }

    @BeforeEach
    void open() {
        id = plans.create(
                QuickPlan.of(
                        "Wick halt",
                        "mcu-8bit-5v-14-6",
                        List.of(new QuickPlan.Want("oled-128x64-page-2wire", 2, "", null)),
                        CatalogReader.shipped(),
                        new SolverAssigner()),
                "made from a list");
        page = browser.page(port);
        page.navigate("/plans/" + id + "/parts");
    }

    private PlacedPart second() {
        return plans.get(id).plan().parts().get(1);
    }

    private Locator row() {
        return page.locator("#part-oled-128x64-2");
    }

    @Test
    void byKeysEachChangeIsARevisionAndUndoTakesItBack() {
        Locator row = row();
        assertThat(row).containsText("1 to stop");
        page.locator("#open-oled-128x64-2").focus();
        page.keyboard().press("Enter");
        page.locator("#strap-oled-128x64-2-address").focus();
        page.keyboard().press("ArrowDown");
        assertThat(row.locator("summary")).containsText("0x3D");
        assertThat(row.locator(".state")).isEmpty();
        assertThat(page.locator("#strap-oled-128x64-2-address")).isFocused();
        assertThat(row).hasAttribute("open", "");
        page.locator("#name-oled-128x64-2").focus();
        page.keyboard().press("ControlOrMeta+a");
        page.keyboard().type("Down platform");
        page.keyboard().press("Enter");
        assertThat(row.locator("summary")).containsText("Down platform");
        assertThat(plans.get(id).number()).isEqualTo(3);
        assertThat(page.locator("#undo")).hasAttribute("title", "undo: renamed OLED 128x64 2 to Down platform");
        page.locator("#undo").click();
        assertThat(row.locator("summary")).not().containsText("Down platform");
        page.locator("#undo").click();
        assertThat(row.locator("summary")).containsText("0x3C");
    }

    @Test
    void whatIsWrongStaysAndSaysWhy() {
        page.locator("#open-oled-128x64-2").click();
        page.locator("#address-oled-128x64-2").fill("sixty");
        page.keyboard().press("Tab");
        assertThat(row().locator(".refused")).containsText("'sixty' is no address");
        assertThat(page.locator("#address-oled-128x64-2")).hasValue("sixty");
        page.locator("#address-oled-128x64-2").fill("0x3D");
        page.keyboard().press("Tab");
        assertThat(row().locator(".refused")).hasCount(0);
        assertThat(page.locator("#findings")).containsText("The program speaks to");
        assertThat(second().address()).isEqualTo(0x3D);
        page.locator("#name-oled-128x64-2").fill("");
        page.keyboard().press("Tab");
        // The browser says it at the field, which keeps the focus; nothing was sent.
        assertThat(page.locator("#name-oled-128x64-2")).isFocused();
        assertThat(second().name()).isEqualTo("OLED 128x64 2");
        page.locator("#name-oled-128x64-2").fill("oled 128x64");
        page.keyboard().press("Tab");
        assertThat(row().locator(".refused")).containsText("Another part is called");
        assertThat(page.locator("#name-oled-128x64-2")).hasValue("oled 128x64");
    }

    /** The answer to one change is held back until another was typed: neither is lost. */
    @Test
    void whatIsTypedWhileAnAnswerIsOnItsWayIsKeptAndSaved() {
        page.locator("#open-oled-128x64").click();
        page.locator("#open-oled-128x64-2").click();
        List<Route> held = new ArrayList<>();
        page.route("**/parts/oled-128x64", held::add);
        page.waitForRequest("**/parts/oled-128x64", () -> page.locator("#strap-oled-128x64-address")
                .selectOption(new com.microsoft.playwright.options.SelectOption().setIndex(1)));
        page.locator("#name-oled-128x64-2").fill("Down platform");
        held.get(0).resume();
        assertThat(page.locator("#open-oled-128x64")).containsText("0x3D");
        assertThat(page.locator("#name-oled-128x64-2")).hasValue("Down platform");
        assertThat(page.locator("#open-oled-128x64-2")).not().containsText("Down platform");
        page.locator("#name-oled-128x64-2").press("Enter");
        assertThat(page.locator("#open-oled-128x64-2")).containsText("Down platform");
        assertThat(second().name()).isEqualTo("Down platform");
    }
}
