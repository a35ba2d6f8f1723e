package izzet.app.buses;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import izzet.app.PagesOfAPlan;
import izzet.core.catalog.CatalogReader;
import izzet.core.circuit.Circuit;
import izzet.core.plan.PlanDocument;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class BusesPagesTest extends PagesOfAPlan {

    /** Two twins at one address, a switch with two more, a clock gate, a panel on the serial bus. */
    private static final String PLAN =
            """
            {"format":"izzet-plan","version":1,"name":"Weir hall","board":"wifi-dual-38","parts":[
            {"id":"up","part":"oled-128x64-page-2wire","partVersion":2,"name":"Up sign","interface":"2-wire","bus":"i2c"},
            {"id":"down","part":"oled-128x64-page-2wire","partVersion":2,"name":"Down sign","interface":"2-wire","bus":"i2c"},
            {"id":"gate","part":"bus-switch-4","partVersion":1,"name":"Sign switch","interface":"2-wire","bus":"i2c"},
            {"id":"east","part":"oled-128x64-page-2wire","partVersion":2,"name":"East sign","interface":"2-wire","bus":"i2c"},
            {"id":"west","part":"oled-128x64-page-2wire","partVersion":2,"name":"West sign","interface":"2-wire","bus":"i2c"},
            {"id":"dec","part":"decoder-2to4","partVersion":1,"name":"Clock gate","interface":"clock-on-enable"},
            {"id":"north","part":"oled-128x64-page-2wire","partVersion":2,"name":"North sign","interface":"2-wire","bus":"i2c"},
            {"id":"south","part":"oled-128x64-page-2wire","partVersion":2,"name":"South sign","interface":"2-wire","bus":"i2c"},
            {"id":"map","part":"colour-240x320-serial","partVersion":2,"name":"Line map","interface":"panel","bus":"spi"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000},
            {"id":"spi","kind":"spi","name":"SPI bus","controller":"spi0","clockHz":9000000}],
            "connections":[
            {"from":"up:SDA","to":"board:GPIO21"},{"from":"up:SCL","to":"board:GPIO22"},{"from":"up:VCC","to":"rail:3V3"},
            {"from":"down:SDA","to":"board:GPIO21"},{"from":"down:SCL","to":"board:GPIO22"},{"from":"down:VCC","to":"rail:3V3"},
            {"from":"gate:SDA","to":"board:GPIO21"},{"from":"gate:SCL","to":"board:GPIO22"},{"from":"gate:VCC","to":"rail:3V3"},
            {"from":"gate:A0","to":"rail:GND"},{"from":"gate:A1","to":"rail:GND"},{"from":"gate:A2","to":"rail:GND"},
            {"from":"east:SDA","to":"gate:SD0"},{"from":"east:SCL","to":"gate:SC0"},{"from":"east:VCC","to":"rail:3V3"},
            {"from":"west:SDA","to":"gate:SD1"},{"from":"west:SCL","to":"gate:SC1"},{"from":"west:VCC","to":"rail:3V3"},
            {"from":"dec:1E","to":"board:GPIO22"},{"from":"north:SCL","to":"dec:1Y0"},{"from":"south:SCL","to":"dec:1Y1"},
            {"from":"map:SCK","to":"board:GPIO18"},{"from":"map:SDI","to":"board:GPIO23"},{"from":"map:CS","to":"board:GPIO5"}]}
            """;

    BusesPagesTest() {
        super(PLAN);
    }

    private int addressOf(String part) {
        Circuit circuit = new Circuit(plans.get(id).plan(), CatalogReader.shipped());
        return circuit.addressOf(circuit.unit(part).orElseThrow()).orElseThrow();
    }

    @Test
    void twinsShareADoorAndOneMovesOutWithOneClick() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/buses");
        assertThat(page.locator("#door")).containsText("More than one at the door of 0x3C");
        assertThat(page.locator(".houses .names.clash").first()).hasText("Up sign + Down sign");
        page.locator(".door li", new Page.LocatorOptions().setHasText("Down sign"))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Move to 0x3D"))
                .click();
        assertThat(page.locator("[id='h-i2c..0x3D'] .names")).hasText("Down sign");
        assertThat(page.locator("[id='h-i2c..0x3C'] .house")).hasClass(Pattern.compile("dweller"));
        assertThat(addressOf("down")).isEqualTo(0x3D);
        assertThat(page.locator("#undo")).isEnabled();
        page.keyboard().press("u");
        assertThat(page.locator("[id='h-i2c..0x3C'] .house")).hasClass(Pattern.compile("clash"));
        page.context().close();
    }

    /** Everything by the keys: a house, its door, a channel, and the switch tells what to write. */
    @Test
    void aHouseIsChosenByKeysAndChannelsAreTried() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/buses");
        page.locator("[id='h-i2c..0x70']").focus();
        page.keyboard().press("Enter");
        page.waitForURL(Pattern.compile("house="));
        assertThat(page.locator("#door")).containsText("0x70");
        page.locator("#ch-gate-0").focus();
        page.keyboard().press("Enter");
        assertThat(page.locator("#ch-gate-0")).hasAttribute("aria-pressed", "true");
        assertThat(page.locator("#ch-gate-0")).isFocused();
        page.locator("#ch-gate-1").focus();
        page.keyboard().press("Enter");
        Locator bench = page.locator("section[aria-labelledby=switches]");
        assertThat(bench).containsText("Write 0x03 to it");
        assertThat(bench).containsText("0x3C: Up sign, Down sign, East sign and West sign answer together.");
        page.context().close();
    }

    @Test
    void aFasterBusOnLongerWiresIsTriedThenTaken() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/buses");
        String before = page.locator("#edges-i2c .told").first().textContent();
        page.locator("#clock-i2c").selectOption("400000");
        assertThat(page.locator("#edges-i2c .what-if")).containsText("400 kHz on 30 cm");
        assertThat(page.locator("#edges-i2c .told").first()).not().hasText(before);
        assertThat(plans.get(id).plan().buses().get(0).clockHz()).isEqualTo(100_000);
        page.locator("#edges-i2c .what-if button").click();
        assertThat(page.locator("#edges-i2c .what-if")).hasCount(0);
        assertThat(plans.get(id).plan().buses().get(0).clockHz()).isEqualTo(400_000);
        page.context().close();
    }

    @Test
    void serialBusesGatesAndTurnsAreTold() throws Exception {
        pages.perform(get("/plans/" + id + "/buses"))
                .andExpect(content().string(containsString("9 MHz asked for, 8.889 MHz by the board&#39;s divider")))
                .andExpect(content().string(containsString("pin 5")))
                .andExpect(content()
                        .string(containsString(
                                "While the clock is low, moving the select gives North sign a rising edge"
                                        + " that is no clock and takes the clock of South sign down.")))
                .andExpect(content().string(containsString("Taking turns on I2C bus")))
                .andExpect(content().string(containsString("with 12 bits a pixel instead of 16 or more")))
                .andExpect(content().string(containsString("hears the clock")))
                .andExpect(content().string(containsString("RESET lies open")))
                .andExpect(content().string(containsString("A0 on ground: low")))
                .andExpect(content().string(containsString("8 bits, highest first")));
    }

    @Test
    void otherCableIsTriedAndTaken() throws Exception {
        pages.perform(get("/plans/" + id + "/buses").param("cable.i2c", "shielded"))
                .andExpect(content().string(containsString("cm of shielded cable")))
                .andExpect(content().string(containsString("Nothing is changed yet")));
        pages.perform(post("/plans/" + id + "/buses/i2c/run")
                        .param("version", String.valueOf(plans.get(id).version()))
                        .param("here", "/plans/" + id + "/buses")
                        .param("clockHz", "100000")
                        .param("centimetres", "50")
                        .param("cable", "pairs"))
                .andExpect(status().is3xxRedirection());
        assertThat(plans.get(id).plan().wires().text()).isEqualTo("pairs");
    }

    /** A switch behind a channel of another one hangs on that channel, with its own buttons. */
    @Test
    void aSwitchBehindASwitchIsDrawnOnItsChannel() throws Exception {
        String nested = PLAN.replace("Weir hall", "Upper weir")
                .replace(
                        "{\"id\":\"dec\"",
                        "{\"id\":\"far\",\"part\":\"bus-switch-4\",\"partVersion\":1,\"name\":\"Far switch\","
                                + "\"interface\":\"2-wire\",\"bus\":\"i2c\"},{\"id\":\"dec\"")
                .replace(
                        "{\"from\":\"dec:1E\"",
                        "{\"from\":\"far:SDA\",\"to\":\"gate:SD2\"},{\"from\":\"far:SCL\",\"to\":\"gate:SC2\"},"
                                + "{\"from\":\"far:VCC\",\"to\":\"rail:3V3\"},{\"from\":\"dec:1E\"");
        long plan = plans.create(new PlanDocument().read(nested, CatalogReader.shipped()), "for a test");
        String page = pages.perform(get("/plans/" + plan + "/buses"))
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(page.replaceAll("\\s+", " "))
                .containsPattern(
                        "channel 2, off</strong></a> <span>Far switch</span> <div class=\"branch\"> ?<h3>Far switch</h3>");
        assertThat(page.split("<h3>Far switch</h3>")).hasSize(2);
    }

    @Test
    void whatCannotBeDoneIsRefusedAndNothingIsChanged() throws Exception {
        long version = plans.get(id).version();
        pages.perform(post("/plans/" + id + "/parts/up/address")
                        .param("version", String.valueOf(version))
                        .param("here", "/plans/" + id + "/buses")
                        .param("address", "80"))
                .andExpect(status().is4xxClientError())
                .andExpect(content().string(containsString("cannot be set to 0x50")));
        pages.perform(post("/plans/" + id + "/buses/i2c/run")
                        .param("version", String.valueOf(version))
                        .param("here", "/plans/" + id + "/buses")
                        .param("clockHz", "fast")
                        .param("centimetres", "30"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("fast")));
        for (String clock : new String[] {"fast", "0"}) {
            pages.perform(post("/plans/" + id + "/parts/map/clock")
                            .param("version", String.valueOf(version))
                            .param("here", "/plans/" + id + "/buses")
                            .param("clockHz", clock))
                    .andExpect(status().is4xxClientError())
                    .andExpect(content().string(containsString("clock")));
        }
        pages.perform(post("/plans/" + id + "/parts/up/clock")
                        .param("version", String.valueOf(version))
                        .param("here", "/plans/" + id + "/buses")
                        .param("clockHz", "100000"))
                .andExpect(status().is4xxClientError())
                .andExpect(content().string(containsString("Up sign is on no serial bus")));
        pages.perform(get("/plans/" + id + "/buses").param("cm.i2c", "-4")).andExpect(status().isBadRequest());
        assertThat(plans.get(id).version()).isEqualTo(version);
    }

    /** A gate with an enable of its own says when its table holds. */
    @Test
    void anEnableIsToldBesideTheTable() throws Exception {
        long other = plans.create(
                new PlanDocument()
                        .read(
                                """
                                {"format":"izzet-plan","version":1,"name":"Gates","board":"wifi-dual-38","parts":[{"id":"gate",
                                "part":"decoder-2to4-address-both","partVersion":1,"name":"Gate","interface":"clock-on-address"}],"buses":[],"connections":[]}
                                """,
                                CatalogReader.shipped()),
                "for a test");
        pages.perform(get("/plans/" + other + "/buses"))
                .andExpect(content().string(containsString("Gate, clock into 2A0")))
                .andExpect(content().string(containsString("So while 2E is low; else every output stays high.")));
    }

    @Test
    void onePartIsSpokenToAtItsOwnClock() {
        Page page = browser.page(port);
        page.navigate("/plans/" + id + "/buses");
        Locator own = page.getByLabel("Clock for Line map alone, Hz; empty for that of the bus");
        assertThat(own).hasAttribute("placeholder", "9000000");
        own.fill("4000000");
        own.press("Tab");
        Locator row = page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Line map"));
        assertThat(row).containsText("4 MHz");
        assertThat(own).hasValue("4000000");
        assertThat(plans.get(id).plan().part("map").orElseThrow().clockHz()).isEqualTo(4_000_000);
        own.fill("");
        own.press("Tab");
        assertThat(row).containsText("as the bus");
        assertThat(plans.get(id).plan().part("map").orElseThrow().clockHz()).isNull();
    }
}
