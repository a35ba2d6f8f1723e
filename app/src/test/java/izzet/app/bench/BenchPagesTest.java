package izzet.app.bench;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.SelectOption;
import izzet.app.PagesOfAPlan;
import izzet.core.bench.Practice;
import izzet.core.catalog.CatalogReader;
import izzet.core.circuit.Circuit;
import izzet.core.plan.PlanDocument;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The bench on its page: displays, instruments, faults, tasks. */
class BenchPagesTest extends PagesOfAPlan {

    private static final String PLAN =
            """
            {"format":"izzet-plan","version":1,"name":"Bell room","board":"mcu-8bit-5v-14-6","parts":[
            {"id":"hall","part":"oled-128x64-page-2wire","partVersion":2,"name":"Hall sign","interface":"2-wire","bus":"i2c"},
            {"id":"cabin","part":"character-16x2-direct","partVersion":2,"name":"Cabin display","interface":"4-bit"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":400000}],
            "connections":[{"from":"hall:VCC","to":"rail:5V"},{"from":"hall:GND","to":"rail:GND"},{"from":"hall:SCL","to":"board:A5"},
            {"from":"hall:SDA","to":"board:A4"},{"from":"cabin:VDD","to":"rail:5V"},{"from":"cabin:VSS","to":"rail:GND"},
            {"from":"cabin:RS","to":"board:A0"},{"from":"cabin:E","to":"board:A1"},{"from":"cabin:D4","to":"board:2"},
            {"from":"cabin:D5","to":"board:3"},{"from":"cabin:D6","to":"board:4"},{"from":"cabin:D7","to":"board:5"},
            {"from":"cabin:V0","to":"rail:GND","seriesOhms":1000}]}
            """;

    BenchPagesTest() {
        super(PLAN);
    }

    private long plan(String document) {
        return plans.create(new PlanDocument().read(document, CatalogReader.shipped()), "for a test");
    }

    @Test
    void aFaultOnTheDeskIsSeenByGlassScannerAndMeter() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/bring-up");
        page.locator("a", new Page.LocatorOptions().setHasText("simulated bench"))
                .click();
        Locator cells = page.locator(".desk-glasses svg.cells").first();
        assertThat(cells).hasAttribute("aria-label", "Cabin display shows: AbcdefghijklmnoB / CrstuvwxyzabcdeD");
        assertThat(page.locator(".desk-glasses")).containsText("RW floats: what it shows is chance");
        assertThat(page.locator("dl.facts code")).hasText("0x3C");
        page.locator("[name=fault]").last().selectOption(new SelectOption().setValue("exchanged@hall:SCL,hall:SDA"));
        page.locator("button", new Page.LocatorOptions().setHasText("Put it on the desk"))
                .click();
        assertThat(page.locator("dl.facts code")).hasText("nobody answers");
        assertThat(page.locator(".desk-glasses")).containsText("blank: nothing that it knows arrived");
        assertThat(page.locator("details td.bad")).hasCount(2);
        page.locator("[name=red]").selectOption(new SelectOption().setValue("hall:SCL"));
        page.locator("[name=black]").selectOption(new SelectOption().setValue("board:A4"));
        page.locator("button", new Page.LocatorOptions().setHasText("Measure")).click();
        assertThat(page.locator("#i-meter ~ p[role=status]")).containsText("Unplugged: beeps");
        page.context().close();
    }

    /** Lamps and contacts do on the desk what the wires let them. */
    @Test
    void lampsAndContactsAreTold() throws Exception {
        long lamps = plan(
                """
                {"format":"izzet-plan","version":1,"name":"Lamp room","board":"mcu-8bit-5v-14-6","parts":[
                {"id":"lamp","part":"led","partVersion":1,"name":"Yard lamp","interface":"on-off"},
                {"id":"lever","part":"push-button","partVersion":2,"name":"Lever","interface":"to-ground"}],
                "buses":[],"connections":[{"from":"lamp:A","to":"board:4","seriesOhms":220},{"from":"lamp:K","to":"rail:GND"},
                {"from":"lever:A","to":"board:5","pull":"internal-up"},{"from":"lever:B","to":"rail:GND"}]}
                """);
        pages.perform(get("/plans/" + lamps + "/bench"))
                .andExpect(content().string(containsString("lights with up to 13.7 mA")))
                .andExpect(content().string(containsString("pin 5 reads high, and low when it is closed")));
        pages.perform(get("/plans/" + lamps + "/bench").param("fault", "missing@lamp:K"))
                .andExpect(content().string(containsString("stays dark, other than planned")));
    }

    /** What the scanner of the bench found is read as one found on a real desk, with the causes in this plan. */
    @Test
    void aScanOfTheBenchGoesToBringUp() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/bench?fault=strap@hall,address,moved");
        page.getByText("what it means").click();
        assertThat(page.locator("#scan-text")).hasValue("0x3D");
        assertThat(page.locator("#scan [role=status]")).containsText("1 missing, 1 that the plan does not know.");
        assertThat(page.locator(".scan-rows")).containsText("0x3C");
        page.navigate("/plans/" + id + "/bench?fault=pull-ups@");
        page.getByText("what it means").click();
        assertThat(page.locator("#scan [role=status]")).containsText("Nothing answers.");
        page.context().close();
    }

    /** The record of the bench is a record like any other: its bus is found, and the sign's picture comes out. */
    @Test
    void theCaptureDeviceMakesARecordOfThePlan() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/bench");
        page.getByLabel("A4", new Page.GetByLabelOptions().setExact(true)).check();
        page.getByLabel("A5", new Page.GetByLabelOptions().setExact(true)).check();
        page.locator("[name=rate]").fill("10");
        page.locator("button", new Page.LocatorOptions().setHasText("Record the start"))
                .click();
        page.waitForURL(Pattern.compile(".*/traffic/\\d+.*"));
        assertThat(page.locator(".glass h2")).hasText("Hall sign");
        assertThat(page.locator(".findings .empty")).containsText("Every address heard is in the plan");
        page.context().close();
    }

    /** What is typed runs on the desk and is recorded as set; a wrong line is told, and stays. */
    @Test
    void aTypedProgramRunsAndIsRecorded() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/bench");
        page.locator("[name=program]").fill("scan\nto 3C: 00 A5 AF\nto 3D: 00");
        page.locator("button", new Page.LocatorOptions().setHasText("Run it")).click();
        Locator rows = page.locator("#program tr");
        assertThat(rows).hasCount(3);
        assertThat(rows.nth(1)).containsText("acknowledged by Hall sign");
        assertThat(rows.nth(2)).containsText("nobody acknowledges");
        page.getByLabel("A4", new Page.GetByLabelOptions().setExact(true)).check();
        page.getByLabel("A5", new Page.GetByLabelOptions().setExact(true)).check();
        page.locator("[name=rate]").fill("10");
        page.getByText("Trigger, memory, threshold, noise").click();
        page.locator("[name=trigger]").selectOption("2");
        Locator record = page.locator("button", new Page.LocatorOptions().setHasText("Record the typed program"));
        record.click();
        assertThat(page.locator("[role=alert]").last()).containsText("Pin 2 never falls while the program runs");
        page.locator("[name=trigger]").selectOption("A5");
        page.locator("[name=keeps]").selectOption("volts");
        page.locator("[name=noise]").fill("40");
        record.click();
        page.waitForURL(Pattern.compile(".*/traffic/\\d+.*"));
        assertThat(page.locator(".talk")).containsText("0x3D");
        page.navigate("/plans/" + id + "/bench?program=scan%0Ablink");
        assertThat(page.locator("#program-wrong")).containsText("Line 2: “blink” is none of");
        assertThat(page.locator("[name=program]")).hasValue("scan\nblink");
        page.context().close();
    }

    /** A task shows what is seen and no more; looks are counted, a wrong guess says no, the right one explains. */
    @Test
    void aTaskIsSolvedByLooking() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/bench");
        page.locator(".tasks a").first().click();
        assertThat(page.locator("h2").first()).hasText("Task 1");
        assertThat(page.locator("dl.facts")).hasCount(0);
        assertThat(page.locator(".desk-glasses")).not().containsText("blank:");
        page.locator("a", new Page.LocatorOptions().setHasText("Scan (one look)"))
                .click();
        assertThat(page.locator("dl.facts")).isVisible();
        assertThat(page.locator(".lead")).containsText("Looks so far: 1");
        page.locator("[name=guess]").selectOption(new SelectOption().setIndex(0));
        page.locator("button", new Page.LocatorOptions().setHasText("That is it"))
                .click();
        assertThat(page.locator(".lead")).containsText("Looks so far: 2");
        page.locator("a", new Page.LocatorOptions().setHasText("Show what it was"))
                .click();
        assertThat(page.locator("aside p[role=status]").first()).containsText("It was: ");
        page.context().close();
    }

    /** A story brings its desk; solved, it leads to the next one, and a second start takes the same desk. */
    @Test
    void aStoryIsSolved() throws Exception {
        Page page = browser.page(port);
        page.navigate("/practice");
        assertThat(page.locator(".stories button")).hasCount(20);
        page.locator(".stories button").first().click();
        assertThat(page.locator("h2").first()).hasText("Story 1: A new display in the cabin");
        String desk = page.url();
        assertThat(page.locator(".story")).containsText("not even a row of boxes");
        page.locator("[name=guess]").selectOption("missing@cabin:V0");
        page.locator("button", new Page.LocatorOptions().setHasText("That is it"))
                .click();
        assertThat(page.locator(".bad"))
                .containsText(
                        "No: that would look otherwise. A wrong guess costs a look, and the parts that went into it: one wire.");
        page.locator("[name=guess]").selectOption("contrast@");
        page.locator("button", new Page.LocatorOptions().setHasText("That is it"))
                .click();
        assertThat(page.locator("aside p[role=status]").first())
                .containsText(
                        Pattern.compile("Yes, after 2 looks.*Turn the contrast until the cells show. Parts spent: 1."));
        page.locator("button", new Page.LocatorOptions().setHasText("Next story"))
                .click();
        assertThat(page.locator("h2").first()).hasText("Story 2: After the dusting");
        org.assertj.core.api.Assertions.assertThat(page.url()).isEqualTo(desk.replace("story=1", "story=2"));
        page.context().close();
        pages.perform(post("/practice/21")).andExpect(status().isNotFound());
        pages.perform(get("/plans/" + id + "/bench").param("story", "3"))
                .andExpect(status().isNotFound())
                .andExpect(content().string(containsString("Begin the story under Practice")));
    }

    /** Looks with power on cost a part where something gets more than it stands; an ohmmeter on an unplugged desk costs none. */
    @Test
    void damageIsCounted() throws Exception {
        long rows = plan(
                """
                {"format":"izzet-plan","version":1,"name":"Two rows","board":"wifi-dual-38","parts":[
                {"id":"map","part":"colour-128x160-serial-3v3","partVersion":2,"name":"Map","interface":"panel","bus":"spi"},
                {"id":"lamp","part":"lamp-chain-8","partVersion":1,"name":"Lamps","interface":"one-line"}],
                "buses":[{"id":"spi","kind":"spi","name":"SPI bus","controller":"spi0","clockHz":4000000}],
                "connections":[{"from":"map:VCC","to":"rail:3V3"},{"from":"map:GND","to":"rail:GND"},
                {"from":"map:SCK","to":"board:GPIO18"},{"from":"map:SDI","to":"board:GPIO23"},{"from":"map:CS","to":"board:GPIO4"},
                {"from":"map:DC","to":"board:GPIO16"},{"from":"map:RST","to":"board:GPIO17"},
                {"from":"lamp:5V","to":"rail:5V"},{"from":"lamp:GND","to":"rail:GND"}]}
                """);
        Circuit planned = new Circuit(plans.get(rows).plan(), CatalogReader.shipped());
        int task = Practice.of(planned).stream()
                .filter(t -> t.fault().id().equals("two-supplies"))
                .findFirst()
                .orElseThrow()
                .number();
        Page page = browser.page(port);
        page.navigate("/plans/" + rows + "/bench?task=" + task);
        Locator ohms = page.locator("button", new Page.LocatorOptions().setHasText("Ohms, unplugged"));
        page.locator("[name=red]").selectOption("rail:3V3");
        page.locator("[name=black]").selectOption("rail:5V");
        ohms.click();
        assertThat(page.locator("#i-meter ~ p[role=status]")).hasText("Unplugged: beeps.");
        assertThat(page.locator("main > .bad")).hasCount(0);
        page.locator("button", new Page.LocatorOptions().setHasText("Volts, with power"))
                .click();
        assertThat(page.locator("main > .bad")).containsText("would have cost a part: 1");
        page.locator("[name=guess]").selectOption("two-supplies@3V3,5V");
        page.locator("button", new Page.LocatorOptions().setHasText("That is it"))
                .click();
        assertThat(page.locator("aside p[role=status]").first())
                .containsText(
                        Pattern.compile("Yes, after 3 looks: .*Damage: 1 look with power on, while Map gets 5 V"));
        page.context().close();
    }

    @Test
    void whatTheBenchCannotDoIsSaid() throws Exception {
        pages.perform(get("/plans/" + id + "/bench").param("fault", "gremlin@x"))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("no fault")));
        pages.perform(get("/plans/" + id + "/bench").param("task", "99"))
                .andExpect(status().isNotFound())
                .andExpect(content().string(containsString("has tasks from 1 to")));
        pages.perform(post("/plans/" + id + "/bench/record"))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("Clip the capture device")));
        pages.perform(post("/plans/" + id + "/bench/record").param("pin", "A4").param("noise", "much"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("is no number")));
        pages.perform(post("/plans/" + id + "/bench/record").param("pin", "A4").param("memory", "0"))
                .andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("1 to 4000000 samples")));
        pages.perform(get("/plans/" + id + "/bench").param("program", "scan\n".repeat(500)))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("up to 2000 characters")));
        pages.perform(get("/plans/" + id + "/bench").param("red", "nowhere").param("black", "rail:GND"))
                .andExpect(status().isBadRequest());
    }
}
