package izzet.app.fuzz;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.app.PagesOfAPlan;
import izzet.app.store.PlanRows;
import jakarta.servlet.Filter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.setup.MockMvcBuilders;
import org.springframework.web.context.WebApplicationContext;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Requests made of bytes at every address: each is answered, and none by a fault of ours. {@code ./izzet bench --fuzz} makes more. */
class EndpointsTest extends PagesOfAPlan {

    private static final String PLAN =
            """
            {"format":"izzet-plan","version":1,"name":"Lamp room","board":"mcu-8bit-5v-14-6","parts":[
            {"id":"north","part":"oled-128x64-page-2wire","partVersion":2,"name":"North sign","interface":"2-wire","bus":"i2c"},
            {"id":"south","part":"oled-128x64-page-2wire","partVersion":2,"name":"South sign","interface":"2-wire","bus":"i2c"}],
            "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],
            "connections":[{"from":"north:VCC","to":"rail:5V"},{"from":"north:GND","to":"rail:GND"},
            {"from":"north:SCL","to":"board:A5"},{"from":"north:SDA","to":"board:A4"}]}
            """;

    private static final Path SEEDS = Path.of("src/test/resources/fuzz/requests");
    private static final int INPUTS = Integer.getInteger("izzet.fuzz.requests", 300);
    private static final int LENGTH = 120;

    @Autowired
    private RequestMappingHandlerMapping mappings;

    @Autowired
    private PlanRows rows;

    @Autowired
    private WebApplicationContext context;

    @Autowired
    private List<Filter> filters;

    /** One that remembers nothing of what was asked. */
    private MockMvc fresh;

    @BeforeEach
    void build() {
        fresh = MockMvcBuilders.webAppContextSetup(context)
                .addFilters(filters.toArray(Filter[]::new))
                .build();
    }

    EndpointsTest() {
        super(PLAN);
    }

    @Test
    @Timeout(value = 2, unit = TimeUnit.HOURS)
    void noRequestMeetsAFaultOfOurs() throws Exception {
        Requests requests = new Requests(mappings);
        assertThat(requests.doors()).isGreaterThan(120);
        Random random = new Random(Long.getLong("izzet.fuzz.seed", 20));
        int[] kinds = new int[6];
        long slowest = 0;
        String slow = "";
        long early = 0;
        for (int i = 0; i < INPUTS; i++) {
            byte[] input = new byte[2 + random.nextInt(LENGTH)];
            random.nextBytes(input);
            // In turn, so that each address has its share.
            int door = i % requests.doors();
            input[0] = (byte) (door >> 8);
            input[1] = (byte) door;
            if (i % 200 == 199) {
                tidy();
            }
            long began = System.nanoTime();
            kinds[take(requests, input) / 100]++;
            long took = System.nanoTime() - began;
            if (took > slowest) {
                slowest = took;
                slow = requests.last();
            }
            if (i == INPUTS / 10) {
                early = heap();
            }
        }
        // Requests get past the first question, and not all do.
        assertThat(kinds[2] + kinds[3]).as("taken").isGreaterThan(INPUTS / 10);
        assertThat(kinds[4]).as("refused").isGreaterThan(INPUTS / 10);
        if (Integer.getInteger("izzet.fuzz.requests") != null) {
            tidy();
            System.out.printf(
                    "requests %d: 2xx %d, 3xx %d, 4xx %d; slowest %d ms: %s; heap after a tenth %d MB, after all %d MB%n",
                    INPUTS, kinds[2], kinds[3], kinds[4], slowest / 1_000_000, slow, early, heap());
        }
    }

    /** In use after a collection, in MB. */
    private long heap() {
        tidy();
        System.gc();
        Runtime now = Runtime.getRuntime();
        return (now.totalMemory() - now.freeMemory()) >> 20;
    }

    /** What the fuzzer once found. */
    @Test
    void whatWasFoundStaysMended() throws Exception {
        Requests requests = new Requests(mappings);
        try (Stream<Path> found = Files.list(SEEDS)) {
            for (Path seed : found.sorted().toList()) {
                take(requests, Files.readAllBytes(seed));
            }
        }
    }

    private int take(Requests requests, byte[] input) throws IOException {
        String told = java.util.HexFormat.of().formatHex(input);
        try {
            MockHttpServletResponse answer =
                    fresh.perform(requests.of(input, id)).andReturn().getResponse();
            assertThat(answer.getStatus())
                    .as("status of %s: %s", requests.last(), told)
                    .isLessThan(500);
            return answer.getStatus();
        } catch (Exception e) {
            throw new AssertionError(requests.last() + ": " + told, e);
        }
    }

    /** Plans that requests made go again, and the one that they are about is there. */
    private void tidy() {
        List<Long> all = rows.findAll().stream().map(r -> r.id()).toList();
        all.stream().filter(p -> p != id).forEach(rows::deleteById);
        plans.restore(id);
    }
}
