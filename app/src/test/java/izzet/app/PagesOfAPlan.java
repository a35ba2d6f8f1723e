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
