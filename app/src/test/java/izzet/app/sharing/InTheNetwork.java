package izzet.app.sharing;

import izzet.app.plan.PlanStore;
import izzet.core.catalog.CatalogReader;
import izzet.core.plan.PlanDocument;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;

/** The application as devices of the network meet it; all tests of it share one, with rates that do not stand in their way. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {
            "spring.datasource.url=jdbc:h2:mem:sharing;DB_CLOSE_DELAY=-1",
            "izzet.lan=true",
            "izzet.lan.unknown-a-minute=100000",
            "izzet.lan.tries-a-minute=1000"
        })
abstract class InTheNetwork {

    private static final String PLAN =
            """
            {"format":"izzet-plan","version":1,"name":"%s","board":"mcu-8bit-5v-14-6","parts":[
            {"id":"north","part":"oled-128x64-page-2wire","partVersion":2,"name":"North sign","interface":"2-wire","bus":"i2c"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],
            "connections":[{"from":"north:SCL","to":"board:A5"},{"from":"north:SDA","to":"board:A4"}]}
            """;

    @LocalServerPort
    protected int port;

    @Autowired
    protected PairingKey key;

    @Autowired
    protected PlanStore plans;

    /** A plan of this name. */
    protected long store(String name) {
        return plans.create(new PlanDocument().read(PLAN.formatted(name), CatalogReader.shipped()), "for a test");
    }
}
