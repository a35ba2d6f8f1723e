package izzet.app.pins;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import izzet.app.Browser;
import izzet.app.OneApplication;
import izzet.app.plan.PlanStore;
import izzet.core.assign.SolverAssigner;
import izzet.core.catalog.CatalogReader;
import izzet.core.edit.QuickPlan;
import izzet.core.plan.Target;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** On a phone one part at a time, with its lines and their pins; the weave is folded away. */
@OneApplication
class PhonePinsTest {

    @LocalServerPort
    private int port;

    @Autowired
    private PlanStore plans;

    @Test
    void oneButtonIsMovedByTouch() {
        long id = plans.create(
                QuickPlan.of(
                        "Wick halt",
                        "mcu-8bit-5v-14-6",
                        List.of(
                                new QuickPlan.Want("oled-128x64-page-2wire", 1, "", null),
                                new QuickPlan.Want("push-button", 2, "", null)),
                        CatalogReader.shipped(),
                        new SolverAssigner()),
                "made from a list");
        try (Browser browser = new Browser()) {
            Page page = browser.page(port, 390, 800, ColorScheme.LIGHT);
            page.navigate("/plans/" + id + "/pins");
            assertThat(page.locator("#weave")).isHidden();
            assertThat(page.locator("#to-oled-128x64-SDA")).isVisible();
            assertThat(page.locator("#to-button-2-A")).isHidden();
            Locator chip = page.locator(".chips button", new Page.LocatorOptions().setHasText("Button 2"));
            chip.tap();
            assertThat(chip).hasAttribute("aria-pressed", "true");
            assertThat(page.locator("#to-oled-128x64-SDA")).isHidden();
            page.locator("#to-button-2-A").selectOption("board:12");
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Move Button 2 A"))
                    .tap();
            assertThat(page.locator("tr:has(#to-button-2-A)")).containsText("pin 12");
            // The part that was looked at stays the one that is shown.
            assertThat(page.locator("#to-oled-128x64-SDA")).isHidden();
            assertThat(plans.get(id)
                            .plan()
                            .connection(Target.of("button-2:A"))
                            .orElseThrow()
                            .to())
                    .isEqualTo(Target.of("board:12"));
            page.locator(".cloth summary").tap();
            assertThat(page.locator("#weave")).isVisible();
        }
    }
}
