package izzet.app;

import izzet.app.plan.PlanStore;
import izzet.core.catalog.CatalogReader;
import izzet.core.plan.PlanDocument;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.web.servlet.MockMvc;

/** Tests of the pages of one plan, which is stored afresh for each; with a browser and without. All share one application. */
@OneApplication
public abstract class PagesOfAPlan {

    /** A display on the 2-wire bus of an 8-bit board, wired whole. */
    protected static final String A_SIGN =
            """
            {"format":"izzet-plan","version":1,"name":"Weir","board":"mcu-8bit-5v-14-6","parts":[
            {"id":"sign","part":"oled-128x64-page-2wire","partVersion":2,"name":"Hall sign","interface":"2-wire","bus":"i2c"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],
            "connections":[{"from":"sign:VCC","to":"rail:5V"},{"from":"sign:GND","to":"rail:GND"},
            {"from":"sign:SCL","to":"board:A5"},{"from":"sign:SDA","to":"board:A4"}]}
            """;

    protected static Browser browser;

    private final String document;

    @LocalServerPort
    protected int port;

    @Autowired
    protected MockMvc pages;

    @Autowired
    protected PlanStore plans;

    /** Of the plan. */
    protected long id;

    /** @param document of the plan */
    protected PagesOfAPlan(String document) {
        this.document = document;
    }

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
        id = plans.create(new PlanDocument().read(document, CatalogReader.shipped()), "for a test");
    }
}
