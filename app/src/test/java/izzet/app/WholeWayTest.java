package izzet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;

/** A maker's whole way on the real pages: with the pointer, with the keyboard alone, on a phone; and what axe says to each page. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {"spring.datasource.url=jdbc:h2:mem:way;DB_CLOSE_DELAY=-1", "izzet.demo=true"})
class WholeWayTest {

    private static final String AXE = axe();
    private static final Path RECORD = Path.of("../core/src/test/resources/captures/i2c-page-oled.vcd");
    private static final Set<String> ACTING = Set.of(
            "button",
            "link",
            "textbox",
            "searchbox",
            "combobox",
            "listbox",
            "checkbox",
            "radio",
            "slider",
            "spinbutton",
            "menuitem",
            "tab",
            "DisclosureTriangle",
            "image",
            "img",
            "dialog",
            "region");
    private static Browser browser;

    @LocalServerPort
    private int port;

    @BeforeAll
    static void open() {
        browser = new Browser();
        com.microsoft.playwright.assertions.PlaywrightAssertions.setDefaultAssertionTimeout(30_000);
    }

    @AfterAll
    static void close() {
        browser.close();
    }

    private static void menu(Page page, String name) {
        page.locator("summary", new Page.LocatorOptions().setHasText(name)).click();
    }

    private static Locator button(Page page, String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    @Test
    void withThePointer() {
        Page page = browser.page(port);
        List<String> errors = new ArrayList<>();
        page.onConsoleMessage(m -> {
            if (m.type().equals("error")) {
                errors.add(m.text());
            }
        });
        page.navigate("/");
        page.getByLabel("Name").fill("Wick halt");
        page.locator("input[value=mcu-8bit-5v-14-6]").check();
        button(page, "Make the plan").click();
        for (String name : List.of("Up platform", "Down platform")) {
            page.locator("#nick-oled-128x64-page-2wire").fill(name);
            button(page, "Add Page-addressed OLED 128x64, 2-wire").click();
            assertThat(page.locator(".placed-part summary", new Page.LocatorOptions().setHasText(name)))
                    .isVisible();
        }
        button(page, "Add Push button").click();
        assertThat(page.locator("#part-button")).isVisible();

        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("2 Pins")))
                .click();
        Locator clash = page.locator("#findings .finding.stop").first();
        assertThat(clash).containsText("Up platform and Down platform both answer at 0x3C");
        assertThat(page.locator(".thread.clash")).hasCount(2);

        // Drag the button's knot to another of its dots.
        Locator knot = page.locator("#knot-button-A");
        BoundingBox from = knot.boundingBox();
        String before = knot.getAttribute("aria-valuetext");
        BoundingBox to =
                page.locator(".pin-column[data-target='board:8'] .pin-label").boundingBox();
        page.mouse().move(from.x + from.width / 2, from.y + from.height / 2);
        page.mouse().down();
        page.mouse()
                .move(
                        to.x + to.width / 2,
                        from.y + from.height / 2,
                        new com.microsoft.playwright.Mouse.MoveOptions().setSteps(4));
        page.mouse().up();
        assertThat(page.locator("#knot-button-A")).hasAttribute("aria-valuetext", "pin 8");
        button(page, "Undo").click();
        assertThat(page.locator("#knot-button-A")).hasAttribute("aria-valuetext", before);

        // One click repairs, one key undoes and another redoes.
        page.locator("#findings .finding.stop summary").first().click();
        page.locator("#findings .finding.stop .repair").first().click();
        assertThat(page.locator("#findings .finding.stop")).hasCount(0);
        settled(page);
        assertThat(page.locator("#undo")).isEnabled();
        page.keyboard().press("u");
        assertThat(page.locator("#findings .finding.stop")).hasCount(1);
        assertThat(page.locator("#redo")).isEnabled();
        settled(page);
        page.keyboard().press("r");
        assertThat(page.locator("#findings .finding.stop")).hasCount(0);
        settled(page);

        // Ticks are kept.
        page.keyboard().press("5");
        page.locator("#tick-1").check();
        assertThat(page.locator("main h2")).containsText("1 of ");
        settled(page);
        page.reload();
        assertThat(page.locator("#tick-1")).isChecked();

        // The record of a bus.
        page.keyboard().press("7");
        page.getByLabel("Value change dump").setInputFiles(RECORD);
        button(page, "Upload and decode").click();
        assertThat(page.locator(".talk")).containsText("1024 picture bytes in 32 transfers");
        assertThat(page.locator("main")).containsText("Up platform");
        assertThat(page.locator("#wave[data-drawn]")).isVisible();
        page.locator(".talk .at a").first().click();
        assertThat(page.locator(".bytes .hex").first()).containsText("AE");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("binary"))
                .click();
        assertThat(page.locator(".bytes .hex").first()).containsText("10101110");
        assertThat(errors).isEmpty();
        page.context().close();
    }

    /** Goes on with Tab until the focus is where it should be; so a control that Tab never reaches fails the test. */
    private static void tabTo(Page page, String selector) {
        assertThat(page.locator(selector).first()).isVisible();
        // What is swapped in while a key goes down would take the focus with it.
        settled(page);
        for (int i = 0; i < 400; i++) {
            page.keyboard().press("Tab");
            if ((boolean) page.evaluate("s => document.activeElement.matches(s)", selector)) {
                return;
            }
        }
        throw new AssertionError("Tab never comes to " + selector);
    }

    /** Nothing is on its way: what is pressed now meets the page as it is shown. */
    private static void settled(Page page) {
        page.waitForFunction("() => !document.querySelector('.htmx-request, .htmx-swapping, .htmx-settling')");
    }

    private static void addWithKeys(Page page, String part, String name) {
        tabTo(page, "#nick-" + part);
        page.keyboard().type(name);
        page.keyboard().press("Enter");
        assertThat(page.locator(".placed-part summary", new Page.LocatorOptions().setHasText(name)))
                .isVisible();
    }

    /** Keys that mean something work wherever no text is typed. */
    private static void press(Page page, String key) {
        tabTo(page, "a, button:not([disabled])");
        page.keyboard().press(key);
    }

    @Test
    void withTheKeyboardAlone() {
        Page page = browser.page(port);
        // Long before the first one: what is asked for at the same moment can come too late for it.
        page.onFileChooser(chooser -> chooser.setFiles(RECORD));
        page.navigate("/");
        tabTo(page, "input[name=board]");
        page.keyboard().press("ArrowDown");
        page.keyboard().press("ArrowUp");
        assertThat(page.locator("input[value=mcu-8bit-5v-14-6]")).isChecked();
        tabTo(page, ".table-list input[name=name]");
        page.keyboard().type("Ennor quay");
        tabTo(page, "button.is-primary");
        page.keyboard().press("Enter");
        page.waitForURL(Pattern.compile("/plans/\\d+/parts"));
        addWithKeys(page, "oled-128x64-page-2wire", "Up platform");
        addWithKeys(page, "oled-128x64-page-2wire", "Down platform");
        addWithKeys(page, "push-button", "Bell");

        press(page, "2");
        page.waitForURL(Pattern.compile("/pins"));
        Locator knot = page.locator("#knot-bell-A");
        String before = knot.getAttribute("aria-valuetext");
        tabTo(page, "#knot-bell-A");
        page.keyboard().press("ArrowRight");
        page.keyboard().press("Escape");
        assertThat(knot).hasAttribute("transform", knot.getAttribute("transform"));
        assertThat(knot).isFocused();
        page.keyboard().press("ArrowRight");
        page.keyboard().press("Enter");
        // "pin 4" comes from the server's answer; while the move is on its way the knot says "4".
        assertThat(knot)
                .hasAttribute("aria-valuetext", Pattern.compile("pin (?!" + before.replace("pin ", "") + "$).+"));
        assertThat(knot).isFocused();
        // The same by the plain list: a select takes the first letters of an entry.
        tabTo(page, "#to-bell-A");
        page.keyboard().type("7");
        tabTo(page, "[aria-label='Move Bell A']");
        page.keyboard().press("Enter");
        assertThat(knot).hasAttribute("aria-valuetext", "pin 7");

        tabTo(page, "#findings .finding.stop summary");
        page.keyboard().press("Enter");
        tabTo(page, "#findings .finding.stop[open] .repair");
        page.keyboard().press("Enter");
        assertThat(page.locator("#findings .finding.stop")).hasCount(0);
        press(page, "u");
        assertThat(page.locator("#findings .finding.stop")).hasCount(1);
        press(page, "r");
        assertThat(page.locator("#findings .finding.stop")).hasCount(0);
        press(page, "?");
        assertThat(page.locator("#keys")).isVisible();
        page.keyboard().press("Escape");
        press(page, "f");
        page.waitForURL(Pattern.compile("/findings"));

        press(page, "5");
        page.waitForURL(Pattern.compile("/wiring"));
        tabTo(page, "#tick-1");
        page.keyboard().press("Space");
        assertThat(page.locator("main h2")).containsText("1 of ");

        press(page, "6");
        page.waitForURL(Pattern.compile("/bring-up"));
        tabTo(page, "#see-blank");
        page.keyboard().press("Enter");
        assertThat(page.locator(".likely li").first()).isVisible();

        press(page, "7");
        page.waitForURL(Pattern.compile("/traffic"));
        tabTo(page, "input[type=file]");
        page.keyboard().press("Space");
        assertThat(page.locator("form.drop")).containsText(RECORD.getFileName().toString());
        tabTo(page, "button.is-primary");
        page.keyboard().press("Enter");
        assertThat(page.locator(".talk")).containsText("1024 picture bytes in 32 transfers");
        tabTo(page, "#wave");
        assertThat(page.locator("#wave[data-drawn]")).isVisible();
        String whole = page.locator("#wave").getAttribute("data-drawn");
        page.keyboard().press("+");
        assertThat(page.locator("#wave")).not().hasAttribute("data-drawn", whole);
        tabTo(page, ".talk .at a");
        page.keyboard().press("ArrowDown");
        page.keyboard().press("Enter");
        assertThat(page.locator(".bytes .hex").first()).isVisible();
        assertThat(page.locator("tr.selected")).hasAttribute("id", "line-1");
        page.context().close();
    }

    /** Wave and words point at each other, and the wave names its bytes where there is room. */
    @Test
    void aClickOnTheWaveSelectsWhatWasSaidThere() {
        Page page = browser.page(port);
        page.navigate("/plans/1/traffic/1?line=1");
        page.waitForSelector("#wave[data-drawn]");
        BoundingBox wave = page.locator("#wave").boundingBox();
        button(page, "Whole record").click();
        page.mouse().click(wave.x + wave.width - 6, wave.y + 30);
        assertThat(page.locator("tr.selected .at a")).hasText(Pattern.compile("1[0-9]{2}\\.[0-9]+ ms"));
        org.assertj.core.api.Assertions.assertThat(labels(page)).contains("\"text\":\"to 0x27\"");
        page.navigate("/plans/1/traffic/1?line=3");
        org.assertj.core.api.Assertions.assertThat(labels(page))
                .contains("\"text\":\"to 0x3D\"")
                .contains("\"heard\":false");
        page.context().close();
    }

    private static String labels(Page page) {
        return (String)
                page.evaluate(
                        "async () => { const c = document.querySelector('#wave');"
                                + " return (await fetch(c.dataset.labels + 'from=' + c.dataset.from + '&to=' + c.dataset.to)).text(); }");
    }

    @Test
    void wiringThroughAHelperByHand() {
        Page page = browser.page(port);
        page.navigate("/");
        page.getByLabel("Name").fill("Shifted halt");
        page.locator("input[value=sbc-40-pin]").check();
        button(page, "Make the plan").click();
        for (String part : List.of("character-16x2-expander", "level-shifter-4")) {
            page.locator("#nick-" + part).fill(part.startsWith("char") ? "Berths" : "Shifter");
            page.locator("#nick-" + part).press("Enter");
            assertThat(page.locator("#part-" + (part.startsWith("char") ? "berths" : "shifter")))
                    .isVisible();
        }
        page.locator("h1").click();
        page.keyboard().press("2");
        assertThat(page.locator("#findings .finding.stop")).hasCount(1);
        String[][] wires = {
            {"shifter-LV1", "board:GPIO2", "Move Shifter LV1", "pin 2"},
            {"shifter-LV2", "board:GPIO3", "Move Shifter LV2", "pin 3"},
            {"berths-SDA", "shifter:HV1", "Move Berths SDA", "through Shifter HV1"},
            {"berths-SCL", "shifter:HV2", "Move Berths SCL", "through Shifter HV2"}
        };
        for (String[] wire : wires) {
            page.locator("#to-" + wire[0]).selectOption(wire[1]);
            button(page, wire[2]).click();
            assertThat(page.locator("tr:has(#to-" + wire[0] + ")")).containsText(wire[3]);
        }
        assertThat(page.locator("#findings .finding.stop")).hasCount(0);
        page.locator("form[action$='/resistors'] select[name=from]").selectOption("board:GPIO2");
        page.getByLabel("value").fill("10k");
        button(page, "Add the resistor").click();
        assertThat(page.locator("main")).containsText("10 kΩ from pin GPIO2 to 5 V");
        page.getByLabel("value").fill("ten");
        button(page, "Add the resistor").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("'ten' is no resistance");
        assertThat(page.getByLabel("value")).hasValue("ten");
        assertThat(page.getByLabel("value")).isFocused();
        assertThat(page.getByLabel("value")).hasAttribute("aria-invalid", "true");
        page.context().close();
    }

    /** From a wish to a plan, and from a module in the hand to its item. */
    @Test
    void theShelfAnswersBeforeAPurchase() {
        Page page = browser.page(port);
        page.navigate("/shelf");
        page.keyboard().press("/");
        page.keyboard().type("\"vcc gnd scl sda\"");
        assertThat(page.locator("#found")).containsText("VCC first");
        assertThat(page.locator("#found")).not().containsText("Potentiometer");
        assertThat(page.locator("#q")).isFocused();
        page.locator("#q").fill("zeppelin");
        assertThat(page.locator("#found")).containsText("Nothing on the shelf");

        page.navigate("/shelf/boards/mcu-8bit-5v-14-6");
        page.locator("#where").fill("where is SDA");
        assertThat(page.locator("#pin-about")).containsText("1 pin: A4 at analog 5");
        assertThat(page.locator(".hole.lit")).hasCount(1);
        page.locator("#where").fill("zither");
        assertThat(page.locator("#pin-about")).containsText("No pin of this board");
        page.locator("#where").fill("");
        page.locator(".hole[data-about^='3 at']").focus();
        assertThat(page.locator("#pin-about")).containsText("pwm");

        page.navigate("/shelf/compare?part=oled-128x64-page-2wire&part=oled-128x64-page-2wire-vcc-first");
        assertThat(page.locator(".side .differ").first()).containsText("VCC GND SCL SDA");
        page.navigate("/shelf");
        page.locator("select[name=way]").selectOption("PARALLEL");
        assertThat(page.locator("#found")).containsText("Character display 8x2");
        assertThat(page.locator("#found")).not().containsText("Push button");

        page.navigate("/shelf/which?family=small+OLED");
        String[][] truth = {
            {"How many pins", "4"},
            {"What answers", "0x3C or 0x3D"},
            {"Filled with", "strip of noise at the edge"},
            {"What is printed", "VCC"},
            {"How many rows", "64"}
        };
        for (int asked = 0; asked < truth.length && page.locator(".question").count() > 0; asked++) {
            String question = page.locator(".question h2").textContent();
            for (String[] t : truth) {
                if (question.startsWith(t[0])) {
                    button(page, t[1]).click();
                    assertThat(page.locator(".plain li").filter(new Locator.FilterOptions().setHasText(t[0])))
                            .containsText(t[1]);
                }
            }
        }
        assertThat(page.locator("main")).containsText("It is this one");
        assertThat(page.locator("main .shelf li")).containsText("132 columns of memory, 1.3 inch, 2-wire");

        page.navigate("/shelf/choose");
        page.locator("input[name=columns]").fill("200");
        page.locator("input[name=pictures]").fill("5");
        page.locator("select[name=board]").selectOption("wifi-dual-38");
        button(page, "Compare").click();
        page.waitForURL(Pattern.compile("columns=200"));
        assertThat(page.locator("#offer-1")).containsText("Wi-Fi dual-core board, 38 pins");
        page.locator(".offers thead a", new Page.LocatorOptions().setHasText("whole picture"))
                .click();
        assertThat(page.locator(".offers th[aria-sort]")).containsText("whole picture");
        page.locator("#offer-1 input[name=pick]").check();
        page.locator("#offer-2 input[name=pick]").check();
        button(page, "Lay two or three ticked side by side").click();
        assertThat(page.locator("#beside")).isVisible();
        assertThat(page.locator(".side thead th")).hasCount(2);
        button(page, "Make a plan with offer 1").click();
        page.waitForURL(Pattern.compile("/plans/\\d+/pins"));
        assertThat(page.locator(".sub")).containsText("Wi-Fi dual-core board, 38 pins");
        page.context().close();
    }

    @Test
    void aStaleFormFromASecondTabIsRefused() {
        Page first = browser.page(port);
        first.navigate("/plans/2/parts");
        Page second = first.context().newPage();
        second.navigate("http://127.0.0.1:" + port + "/plans/2/parts");
        first.getByLabel("Name of the plan").fill("Port Ennor clock");
        first.getByLabel("Name of the plan").press("Enter");
        assertThat(first.locator("h1")).hasText("Port Ennor clock");
        second.getByLabel("Name of the plan").fill("Lost");
        second.getByLabel("Name of the plan").press("Enter");
        assertThat(second.getByRole(AriaRole.ALERT)).containsText("Nothing was saved");
        assertThat(second.getByRole(AriaRole.ALERT)).containsText("renamed");
        first.reload();
        assertThat(first.locator("h1")).hasText("Port Ennor clock");
        // What was typed is still there, and one more click makes the change on the plan of now.
        assertThat(second.getByLabel("Name of the plan")).hasValue("Lost");
        button(second, "Make the change all the same").click();
        assertThat(second.locator("h1")).hasText("Lost");
        first.context().close();
    }

    @Test
    void aBadRecordLeavesNothingBehind() {
        Page page = browser.page(port);
        page.navigate("/plans/2/traffic");
        assertThat(page.locator(".card-of").first()).containsText("channel 0");
        page.getByLabel("Value change dump").setInputFiles(Path.of("pom.xml"));
        assertThat(page.locator(".drop > label")).containsText("pom.xml, ");
        button(page, "Upload and decode").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Line 1");
        page.navigate("/plans/2/traffic");
        assertThat(page.locator(".card")).hasCount(0);
        page.context().close();
    }

    @Test
    void ticksAreWideEnoughForAFinger() {
        Page page = browser.page(port, 390, 800, ColorScheme.LIGHT);
        page.navigate("/plans/1/wiring");
        assertThat(page.locator("#tick-1").boundingBox().width).isGreaterThanOrEqualTo(24);
        page.context().close();
    }

    /** From the drawer to a plan: rows from a spreadsheet, a verdict while typing, saved, placed. */
    @Test
    void ownPartFromASpreadsheet() {
        Page page = browser.page(port);
        page.navigate("/shelf");
        menu(page, "Own parts and boards");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Own part"))
                .click();
        assertThat(page.locator("#verdict")).containsText("Pins: needs a row at least");
        page.locator("[id='/lines/0/id']").focus();
        page.evaluate(
                "document.activeElement.dispatchEvent(new ClipboardEvent('paste', {bubbles: true, cancelable: true,"
                        + " clipboardData: (() => { const d = new DataTransfer(); d.setData('text/plain',"
                        + " '1\\tGND\\n2\\tVCC\\n3\\tSCL\\n4\\tSDA'); return d; })()}))");
        assertThat(page.locator("[id='/lines/3/role']")).hasValue("i2c.sda");
        assertThat(page.locator("#verdict .hole")).hasCount(4);
        page.locator("[id='/name']").fill("Panel from the drawer");
        assertThat(page.locator("#verdict")).not().containsText("What it is, Name");
        assertThat(page.locator("[id='/name']")).isFocused();
        page.locator("[id='/shortName']").fill("drawer panel");
        page.locator("[id='/summary']").fill("Found in a drawer.");
        page.locator("[id='/supply/minVolts']").fill("3");
        page.locator("[id='/supply/maxVolts']").fill("plenty");
        assertThat(page.locator("#verdict")).containsText("'plenty' cannot be read");
        assertThat(page.locator("[id='/supply/maxVolts']")).hasAttribute("aria-invalid", "true");
        page.locator("#verdict a[data-field='/supply/maxVolts']").click();
        assertThat(page.locator("[id='/supply/maxVolts']")).isFocused();
        page.locator("[id='/supply/maxVolts']").fill("5.5");
        assertThat(page.locator("#verdict")).containsText("Complete");
        button(page, "Save to the shelf").click();
        assertThat(page.locator("h1")).hasText("Panel from the drawer");
        page.navigate("/plans/2/parts?q=drawer");
        button(page, "Add Panel from the drawer").click();
        assertThat(page.locator("#part-drawer-panel")).isVisible();
        page.context().close();
    }

    /** The weave as a tool: a verdict before dropping, a lock, a swap, what a pin could do, the best assignment, all by keys. */
    @Test
    void theWeaveAsATool() {
        Page page = browser.page(port);
        page.navigate("/");
        page.getByLabel("Name").fill("Quarry siding");
        page.locator("input[value=mcu-8bit-5v-14-6]").check();
        button(page, "Make the plan").click();
        addWithKeys(page, "push-button", "Bell");
        addWithKeys(page, "push-button", "Gate");
        addWithKeys(page, "oled-128x64-page-2wire", "Hall");
        page.navigate(page.url().replace("/parts", "/pins").replaceAll("[#?].*", ""));
        String bell = page.locator("#knot-bell-A").getAttribute("aria-valuetext");
        String gate = page.locator("#knot-gate-A").getAttribute("aria-valuetext");

        // What a pin could do.
        page.locator("#pin-could").selectOption("board:13");
        assertThat(page.locator("#verdict-line")).containsText("13 can: digital-in");
        assertThat(page.locator("#knot-bell-A")).hasClass(Pattern.compile("could"));
        assertThat(page.locator("#knot-hall-SDA")).not().hasClass(Pattern.compile("could"));

        // A verdict before the move is made, and nothing changed by it.
        page.locator("#knot-bell-A").focus();
        for (int i = 0;
                i < 20
                        && !page.locator("#knot-bell-A")
                                .getAttribute("aria-valuetext")
                                .equals("1");
                i++) {
            page.keyboard().press("ArrowRight");
            if (page.locator("#knot-bell-A").getAttribute("aria-valuetext").equals("13")) {
                break;
            }
        }
        assertThat(page.locator("#verdict-line")).containsText("13: ");
        page.keyboard().press("Escape");
        assertThat(page.locator("#verdict-line")).isEmpty();

        // Swap by keys.
        page.locator("#knot-bell-A").focus();
        page.keyboard().press("s");
        page.locator("#knot-gate-A").focus();
        page.keyboard().press("s");
        assertThat(page.locator("#knot-bell-A")).hasAttribute("aria-valuetext", gate);
        assertThat(page.locator("#knot-gate-A")).hasAttribute("aria-valuetext", bell);

        // And back by the pointer: one knot dropped on the other, the verdict told before.
        BoundingBox from = page.locator("#knot-bell-A .hit").boundingBox();
        BoundingBox on = page.locator("#knot-gate-A .hit").boundingBox();
        page.mouse().move(from.x + from.width / 2, from.y + from.height / 2);
        page.mouse().down();
        page.mouse().move(on.x + on.width / 2, on.y + on.height / 2);
        assertThat(page.locator("#verdict-line")).containsText("bell A ⇄ gate A: as good as now");
        page.mouse().up();
        assertThat(page.locator("#knot-bell-A")).hasAttribute("aria-valuetext", bell);
        assertThat(page.locator("#knot-gate-A")).hasAttribute("aria-valuetext", gate);

        // Lock by key; a locked knot does not move.
        page.locator("#knot-bell-A").focus();
        page.keyboard().press("l");
        assertThat(page.locator("#knot-bell-A")).hasClass(Pattern.compile("locked"));
        assertThat(page.locator("#knot-bell-A")).not().hasAttribute("role", "slider");

        // The picture comes as a file.
        var download = page.waitForDownload(() -> {
            menu(page, "Take away");
            button(page, "The weave as PNG").click();
        });
        org.assertj.core.api.Assertions.assertThat(download.suggestedFilename()).isEqualTo("pins.png");

        // The best places for the rest.
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Assign the pins"))
                .click();
        button(page, "Find the best").click();
        assertThat(page.locator("#search h3").first()).containsText("Proven best");
        assertThat(violations(page, "{}")).isEmpty();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take assignment 1"))
                .click();
        assertThat(page.locator("#knot-bell-A")).hasClass(Pattern.compile("locked"));

        // The old knots as ghosts.
        menu(page, "Compare");
        page.locator("a.dropdown-item", new Page.LocatorOptions().setHasText("swapped"))
                .last()
                .click();
        assertThat(page.locator("#weave circle.ghost").first()).isVisible();
        page.context().close();
    }

    @Test
    void aPlanGoesToAnotherBoard() {
        Page page = browser.page(port);
        page.navigate("/plans/3/pins");
        menu(page, "Compare");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("With another board"))
                .click();
        page.getByLabel("Board").selectOption("mcu-dual-40");
        button(page, "Compare").click();
        assertThat(page.locator("main")).containsText("moved");
        assertThat(page.locator("#constants")).isVisible();
        button(page, "Take the plan over").click();
        assertThat(page.locator(".sub")).containsText("Dual-core 3.3 V board");
        assertThat(page.locator("#undo")).isEnabled();
        page.keyboard().press("u");
        assertThat(page.locator(".sub")).not().containsText("Dual-core 3.3 V board");
        page.context().close();
    }

    /** A board with too few pins: what cannot hold together, and a way out that is taken along with the move, by keys. */
    @Test
    void aBoardWithTooFewPinsIsReachedByAWayOut() {
        Page page = browser.page(port);
        page.navigate("/plans/1/move?board=wifi-single-30&seconds=10");
        assertThat(page.locator("#clash + p")).containsText("taken away");
        assertThat(page.locator(".ways button").first()).containsText(", and ");
        page.locator(".ways button").first().focus();
        page.keyboard().press("Enter");
        assertThat(page.locator(".sub")).containsText("Wi-Fi single-core board");
        assertThat(page.locator("#main")).not().containsText("not connected · clashes");
        assertThat(page.locator("#undo")).isEnabled();
        page.keyboard().press("u");
        assertThat(page.locator(".sub")).containsText("8-bit 5 V board");
        page.context().close();
    }

    /** Each page is opened once, and looked at in every way: most of the time goes into opening. */
    @Test
    void everyPageIsForEverybody() {
        Page page = browser.page(port);
        CDPSession devtools = page.context().newCDPSession(page);
        for (String path : pages()) {
            page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.LIGHT));
            page.setViewportSize(1280, 800);
            page.navigate(path);
            assertThat(violations(page, "{}")).as(path).isEmpty();
            treeIsNamed(devtools, path);
            // Dark pages differ by their colours alone.
            page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.DARK));
            assertThat(violations(page, "{runOnly: ['color-contrast']}"))
                    .as("dark " + path)
                    .isEmpty();
            page.setViewportSize(390, 800);
            assertThat((int) page.evaluate("document.documentElement.scrollWidth"))
                    .as("on a phone, " + path)
                    .isLessThanOrEqualTo(390);
        }
        page.context().close();
    }

    /**
     * The tree that screen readers get, as the browser makes it: whatever acts has a name, each page one title and one main part, and levels of
     * headings are not left out.
     */
    private static void treeIsNamed(CDPSession devtools, String path) {
        List<String> faults = new ArrayList<>();
        int title = 0;
        int mains = 0;
        int acting = 0;
        long level = 0;
        for (JsonElement element : devtools.send("Accessibility.getFullAXTree").getAsJsonArray("nodes")) {
            JsonObject node = element.getAsJsonObject();
            if (node.get("ignored").getAsBoolean()) {
                continue;
            }
            String role = told(node, "role");
            String name = told(node, "name").strip();
            acting += ACTING.contains(role) ? 1 : 0;
            if (ACTING.contains(role) && name.isEmpty()) {
                faults.add(role + " without a name");
            }
            mains += role.equals("main") ? 1 : 0;
            if (role.equals("heading")) {
                long next = level(node);
                title += next == 1 ? 1 : 0;
                if (next > level + 1) {
                    faults.add("heading '" + name + "' of level " + next + " after level " + level);
                }
                level = next;
            }
        }
        assertThat(faults).as(path).isEmpty();
        assertThat(acting).as("what acts on " + path).isGreaterThan(10);
        assertThat(title).as("titles of " + path).isEqualTo(1);
        assertThat(mains).as("main parts of " + path).isEqualTo(1);
    }

    private static String told(JsonObject node, String what) {
        JsonObject value = node.getAsJsonObject(what);
        return value == null || !value.has("value") ? "" : value.get("value").getAsString();
    }

    private static long level(JsonObject heading) {
        for (JsonElement property : heading.getAsJsonArray("properties")) {
            JsonObject p = property.getAsJsonObject();
            if (p.get("name").getAsString().equals("level")) {
                return p.getAsJsonObject("value").get("value").getAsLong();
            }
        }
        return 0;
    }

    /** Without the long lists of what is in order, which nobody reads here. */
    @SuppressWarnings("unchecked")
    private static List<String> violations(Page page, String options) {
        if (!(boolean) page.evaluate("() => 'axe' in window")) {
            page.evaluate(AXE);
        }
        return (List<String>)
                page.evaluate(
                        "async () => (await axe.run(document, Object.assign(" + options
                                + ", {resultTypes: ['violations'], preload: false}))).violations.map(v => v.id + ' ' + v.nodes[0].html)");
    }

    private static String axe() {
        try (InputStream in = WholeWayTest.class.getResourceAsStream("/axe.min.js")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<String> pages() {
        return List.of(
                "/",
                "/plans/1/parts",
                "/plans/1/pins",
                "/plans/1/findings",
                "/plans/1/mend",
                "/plans/1/history",
                "/plans/1/pins?against=&folded=all",
                "/plans/1/assign",
                "/plans/1/move?board=sbc-40-pin",
                "/plans/1/move?board=wifi-single-30",
                "/plans/1/levels",
                "/plans/1/buses",
                "/tools/resistors",
                "/settings",
                "/plans/1/wiring",
                "/plans/1/wiring/steps/20",
                "/plans/1/exports",
                "/plans/1/bring-up?see=lit-blank",
                "/plans/2/bring-up",
                "/plans/1/traffic",
                "/plans/1/traffic/1?line=4",
                "/plans/1/traffic/1/lines?protocol=spi",
                "/plans/1/log?about=part:platform-1",
                "/plans/1/bench",
                "/plans/1/bench?task=2&steps=1&look=scan",
                "/plans/1/bench?program=scan%0Ato+3C:+00",
                "/plans/1/bench?program=scan%0Ablink",
                "/practice",
                "/log",
                "/help/wiring",
                "/tools",
                "/tools/text?plan=1&text1=Platform+2",
                "/tools/glyph",
                "/tools/colour",
                "/tools/window",
                "/tools/picture",
                "/tools/commands?bytes=AE+AF&compose=display",
                "/plans/2/pins",
                "/shelf",
                "/shelf?q=oled",
                "/shelf/compare?part=expander-8&part=expander-8-a",
                "/shelf/parts/character-16x2-direct",
                "/shelf/boards/wifi-dual-38",
                "/shelf/own?kind=part",
                "/shelf/own?kind=board&from=mcu-8bit-5v-14-6",
                "/shelf/which?family=small+OLED",
                "/shelf/choose?shows=pixels&columns=128&board=",
                "/api",
                "/plans/999/pins");
    }
}
