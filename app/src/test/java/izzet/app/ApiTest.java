package izzet.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The API over real HTTP. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {"spring.datasource.url=jdbc:h2:mem:api;DB_CLOSE_DELAY=-1", "izzet.records.max-bytes=400000"})
class ApiTest {

    private static final Path CAPTURES = Path.of("../core/src/test/resources/captures");
    private static final JsonMapper JSON = JsonMapper.shared();

    private static final String TWINS =
            """
            {"format":"izzet-plan","version":1,"name":"Signs <b>of</b> Wick","board":"mcu-8bit-5v-14-6",
             "parts":[
              {"id":"one","part":"oled-128x64-page-2wire","partVersion":1,"name":"<script>alert(1)</script>","interface":"2-wire","bus":"i2c"},
              {"id":"two","part":"oled-128x64-page-2wire","partVersion":1,"name":"Two","interface":"2-wire","bus":"i2c"}],
             "buses":[{"id":"i2c","kind":"i2c","name":"I2C bus","controller":"i2c0","clockHz":100000}],
             "connections":[
              {"from":"one:GND","to":"rail:GND"},{"from":"one:VCC","to":"rail:5V"},{"from":"one:SDA","to":"board:A4"},{"from":"one:SCL","to":"board:A5"},
              {"from":"two:GND","to":"rail:GND"},{"from":"two:VCC","to":"rail:5V"},{"from":"two:SDA","to":"board:A4"},{"from":"two:SCL","to":"board:A5"}]}
            """;

    private final HttpClient http = HttpClient.newHttpClient();

    @LocalServerPort
    private int port;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping routes;

    private HttpRequest.Builder to(String path) {
        return HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path));
    }

    private HttpResponse<String> send(HttpRequest.Builder request) {
        try {
            return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
        } catch (IOException | InterruptedException e) {
            throw new AssertionError(e);
        }
    }

    private HttpResponse<String> post(String path, String body) {
        return send(to(path).POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    private String create() {
        HttpResponse<String> created = post("/api/plans", TWINS);
        assertThat(created.statusCode()).as(created.body()).isEqualTo(201);
        return created.headers().firstValue("Location").orElseThrow();
    }

    @Test
    void plansHaveRevisions() {
        String plan = create();
        HttpResponse<String> got = send(to(plan));
        String tag = got.headers().firstValue("ETag").orElseThrow();
        String renamed = got.body().replace("Two", "Number two");
        assertThat(send(to(plan).PUT(HttpRequest.BodyPublishers.ofString(renamed)))
                        .statusCode())
                .isEqualTo(428);
        HttpResponse<String> put =
                send(to(plan).header("If-Match", tag).PUT(HttpRequest.BodyPublishers.ofString(renamed)));
        assertThat(put.statusCode()).isEqualTo(200);
        assertThat(put.headers().firstValue("ETag")).isNotEqualTo(java.util.Optional.of(tag));
        HttpResponse<String> stale =
                send(to(plan).header("If-Match", tag).PUT(HttpRequest.BodyPublishers.ofString(renamed)));
        assertThat(stale.statusCode()).isEqualTo(412);
        assertThat(stale.headers().firstValue("Content-Type"))
                .hasValueSatisfying(t -> assertThat(t).startsWith("application/problem+json"));
        assertThat(send(to(plan).header("If-Match", tag).DELETE()).statusCode()).isEqualTo(412);
        assertThat(send(to(plan).header(
                                        "If-Match",
                                        put.headers().firstValue("ETag").orElseThrow())
                                .DELETE())
                        .statusCode())
                .isEqualTo(204);
        assertThat(send(to("/api/plans")).body())
                .doesNotContain("\"id\":" + plan.substring(plan.lastIndexOf('/') + 1) + ",");
    }

    @Test
    void findingsCarryRepairsThatCanBeApplied() {
        String plan = create();
        JsonNode findings = JSON.readTree(send(to(plan + "/findings")).body()).get("findings");
        JsonNode clash = findings.get(0);
        assertThat(clash.get("rule").asString()).isEqualTo("I1");
        assertThat(clash.get("sentence").asString()).contains("0x3C");
        String repair = clash.get("repairs").get(0).get("id").asString();
        HttpRequest.Builder apply = to(plan + "/repairs/" + repair).POST(HttpRequest.BodyPublishers.noBody());
        assertThat(send(apply.copy()).statusCode()).isEqualTo(428);
        assertThat(send(apply.copy().header("If-Match", "*")).statusCode()).isEqualTo(200);
        assertThat(send(to(plan + "/findings")).body()).doesNotContain("\"rule\":\"I1\"");
        assertThat(send(apply.copy().header("If-Match", "*")).statusCode()).isEqualTo(409);
    }

    @Test
    void checkStoresNothing() {
        String seen = TWINS.replaceFirst("\"name\":\"[^\"]*\"", "\"name\":\"Only looked at\"");
        assertThat(seen).isNotEqualTo(TWINS);
        assertThat(post("/api/check", seen).body()).contains("\"rule\":\"I1\"");
        // As a command-line client marks it by default.
        assertThat(send(to("/api/check")
                                .header("Content-Type", "application/x-www-form-urlencoded")
                                .POST(HttpRequest.BodyPublishers.ofString(seen)))
                        .body())
                .contains("\"rule\":\"I1\"");
        assertThat(send(to("/api/plans")).body()).doesNotContain("Only looked at");
    }

    /** As a command-line client marks it by default, for PUT too. */
    @Test
    void aBodyMarkedAsAFormIsReadAsItIs() {
        String plan = create();
        String renamed = send(to(plan)).body().replace("Two", "Number two");
        HttpResponse<String> put = send(to(plan).header("If-Match", "*")
                .header("Content-Type", "application/x-www-form-urlencoded")
                .PUT(HttpRequest.BodyPublishers.ofString(renamed)));
        assertThat(put.statusCode()).as(put.body()).isEqualTo(200);
        assertThat(put.body()).contains("Number two");
        HttpResponse<String> empty = send(to("/api/shelf/own/own-empty").PUT(HttpRequest.BodyPublishers.noBody()));
        assertThat(empty.statusCode()).isEqualTo(422);
        assertThat(empty.body()).contains("empty");
    }

    @Test
    void badDocumentsAreToldWithPlace() {
        HttpResponse<String> broken = post("/api/check", TWINS.replace("\"board:A4\"", "\"board:A44\""));
        assertThat(broken.statusCode()).isEqualTo(422);
        assertThat(JSON.readTree(broken.body()).get("detail").asString())
                .contains("line 7")
                .contains("no pin 'A44'");
        assertThat(post("/api/plans", "").statusCode()).isEqualTo(422);
        assertThat(post("/api/plans", "{").body()).contains("not valid JSON");
        assertThat(send(to("/api/plans/99999")).statusCode()).isEqualTo(404);
        assertThat(send(to("/api/plans/x")).statusCode()).isEqualTo(400);
    }

    @Test
    void catalogueWiringAndDocumentsAreServed() {
        String plan = create();
        assertThat(send(to(plan + "/wiring")).body()).contains("header pin 4").contains("Unplug");
        assertThat(JSON.readTree(send(to("/api/catalog/boards")).body()).size()).isGreaterThan(10);
        assertThat(send(to("/api/catalog/parts/led")).body()).contains("lamp");
        assertThat(send(to("/api/catalog/parts/ghost")).statusCode()).isEqualTo(404);
        JsonNode openapi = JSON.readTree(send(to("/api/openapi.json")).body());
        assertThat(openapi.get("paths").has("/api/decode")).isTrue();
        assertThat(JSON.readTree(send(to("/api/schema/plan")).body())
                        .get("title")
                        .asString())
                .contains("plan");
    }

    private HttpResponse<String> decode(String query, byte[] record, String accept) {
        return send(to("/api/decode?" + query)
                .header("Content-Type", "application/x-www-form-urlencoded")
                .header("Accept", accept)
                .POST(HttpRequest.BodyPublishers.ofByteArray(record)));
    }

    /** The header is what curl --data-binary sends: the body must not be taken for a form. */
    @Test
    void decodesEveryCaptureExactly() throws IOException {
        for (String name :
                new String[] {"i2c-page-oled", "i2c-expander-lcd", "i2c-trouble", "i2c-10bit-and-general-call"}) {
            JsonNode expected = JSON.readTree(Files.readString(CAPTURES.resolve(name + ".expected.json")));
            byte[] record = Files.readAllBytes(CAPTURES.resolve(name + ".vcd"));
            String query = "protocol=i2c&scl=scl&sda=bench.probe_i.sda&glitchNs="
                    + expected.get("options").path("glitchNs").asLong(0);
            if (name.equals("i2c-10bit-and-general-call")
                    || !new String(record, java.nio.charset.StandardCharsets.US_ASCII).contains("probe_i")) {
                query = query.replace("bench.probe_i.sda", "sda");
            }
            HttpResponse<String> whole = decode(query, record, "application/json");
            assertThat(whole.statusCode()).as(whole.body()).isEqualTo(200);
            assertThat(JSON.readTree(whole.body()).get("events"))
                    .as(name)
                    .isEqualTo(JSON.readTree(expected.get("events").toString()));
            String lines = decode(query, record, "application/x-ndjson").body();
            assertThat(lines.lines()).hasSize(expected.get("events").size());
        }
    }

    @Test
    void faultsOfRecordsNameTheLine() throws IOException {
        byte[] good = Files.readAllBytes(CAPTURES.resolve("i2c-trouble.vcd"));
        String damaged = new String(good, java.nio.charset.StandardCharsets.US_ASCII) + "#12";
        byte[] bad = damaged.getBytes(java.nio.charset.StandardCharsets.US_ASCII);
        HttpResponse<String> whole = decode("scl=scl&sda=sda", bad, "application/json");
        assertThat(whole.statusCode()).isEqualTo(422);
        assertThat(JSON.readTree(whole.body()).get("detail").asString())
                .startsWith("Line ")
                .contains("time goes back");
        String lines = decode("scl=scl&sda=sda", bad, "application/x-ndjson").body();
        String last = lines.lines().reduce((a, b) -> b).orElseThrow();
        assertThat(JSON.readTree(last).get("detail").asString()).startsWith("Line ");
        assertThat(lines.lines().count()).isGreaterThan(5);
        assertThat(decode("scl=scl&sda=nope", good, "application/json").body()).contains("no line 'nope'");
        assertThat(decode("protocol=morse&scl=scl&sda=sda", good, "application/json")
                        .statusCode())
                .isEqualTo(400);
        assertThat(decode("scl=scl&sda=sda", new byte[0], "application/json").body())
                .contains("empty");
        byte[] large = new byte[500_000];
        java.util.Arrays.fill(large, (byte) '\n');
        assertThat(decode("scl=scl&sda=sda", large, "application/json").statusCode())
                .isEqualTo(413);
    }

    private JsonNode problem(HttpResponse<String> answer, int status) {
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(status);
        assertThat(answer.headers().firstValue("Content-Type")).hasValue("application/problem+json");
        JsonNode problem = JSON.readTree(answer.body());
        assertThat(problem.get("status").asInt()).isEqualTo(status);
        assertThat(problem.get("title").asString()).isNotBlank();
        assertThat(answer.body()).doesNotContain("Exception").doesNotContain("izzet.app");
        return problem;
    }

    @Test
    void requestsThatCannotBeServedSayWhatIsWrong() {
        assertThat(problem(send(to("/api/plans/x")), 400).get("detail").asString())
                .contains("'x'")
                .contains("number");
        assertThat(problem(post("/api/decode?sda=sda", "$"), 400).get("detail").asString())
                .contains("needs the line scl");
        HttpResponse<String> patched = send(to("/api/plans").method("PATCH", HttpRequest.BodyPublishers.noBody()));
        assertThat(problem(patched, 405).get("detail").asString()).contains("GET, POST");
        assertThat(patched.headers().firstValue("Allow"))
                .hasValueSatisfying(a -> assertThat(a).contains("GET").contains("POST"));
        assertThat(problem(send(to("/api/nowhere")), 404).get("instance").asString())
                .isEqualTo("/api/nowhere");
        assertThat(problem(post("/api/check", " ".repeat(9_000_000)), 413)
                        .get("detail")
                        .asString())
                .contains("8000000 bytes");
        assertThat(problem(post("/api/decode?scl=a&sda=b&glitchNs=-4", "$"), 400)
                        .get("detail")
                        .asString())
                .contains("glitchNs");
    }

    private HttpResponse<String> glass(String query, String capture, String accept) throws IOException {
        return send(to("/api/glass?" + query)
                .header("Accept", accept)
                .POST(HttpRequest.BodyPublishers.ofByteArray(Files.readAllBytes(CAPTURES.resolve(capture)))));
    }

    /** Digits of a picture alone: comments and line ends are nobody's business. */
    private static String digits(String picture) {
        return picture.lines()
                .filter(l -> !l.startsWith("#"))
                .collect(java.util.stream.Collectors.joining(" "))
                .replaceAll("\\s+", " ")
                .strip();
    }

    @Test
    void theGlassOfARecord() throws IOException {
        JsonNode text = JSON.readTree(glass(
                        "display=character-lcd&e=E&rs=RS&d4=D4&d5=D5&d6=D6&d7=D7&columns=16&rows=2",
                        "lcd-4bit.vcd",
                        "*/*")
                .body());
        assertThat(text.get("lines").get(0).asString()).isEqualTo("Water tank 73% \u0001");
        assertThat(text.get("glyphs").get("1").get(4).asInt()).isEqualTo(17);
        String expander = "display=character-lcd&scl=scl&sda=sda&bits=rs:0,rw:1,e:2,backlight:3,d4:4,d5:5,d6:6,d7:7";
        assertThat(glass(expander + "&expander=38", "i2c-expander-lcd.vcd", "application/json")
                        .body())
                .contains("Platform 2 clear");
        String colour = glass(
                        "display=dcs&clock=clk&mosi=mosi&select=cs&dc=dc", "spi-dcs-tft.vcd", "image/x-portable-pixmap")
                .body();
        assertThat(digits(colour)).isEqualTo(digits(Files.readString(CAPTURES.resolve("spi-dcs-tft.ppm"))));
        String part = glass(
                        "display=dcs&clock=clk&mosi=mosi&select=cs&dc=dc&x=10&y=20&width=2&height=1",
                        "spi-dcs-tft.vcd",
                        "image/x-portable-pixmap")
                .body();
        assertThat(digits(part)).isEqualTo("P3 2 1 255 123 186 247 123 186 247");
        String oled = "display=page-oled&scl=scl&sda=sda&address=0x3C";
        assertThat(digits(glass(oled, "i2c-page-oled.vcd", "image/x-portable-bitmap")
                                .body())
                        .replace(" ", ""))
                .isEqualTo(digits(Files.readString(CAPTURES.resolve("i2c-page-oled.pbm")))
                        .replace(" ", ""));
        assertThat(glass(oled, "i2c-page-oled.vcd", "image/png").headers().firstValue("Content-Type"))
                .hasValue("image/png");
    }

    @Test
    void aGlassThatIsAskedForWronglySaysWhy() throws IOException {
        String oled = "display=page-oled&scl=scl&sda=sda";
        assertThat(problem(glass("display=lantern&scl=scl&sda=sda", "i2c-page-oled.vcd", "*/*"), 400)
                        .toString())
                .contains("page-oled");
        assertThat(problem(glass(oled + "&x=4", "i2c-page-oled.vcd", "*/*"), 400)
                        .toString())
                .contains("all four");
        assertThat(problem(glass(oled + "&address=hall", "i2c-page-oled.vcd", "*/*"), 400)
                        .toString())
                .contains("0x3C");
        assertThat(problem(glass(oled + "&atNs=soon", "i2c-page-oled.vcd", "*/*"), 400)
                        .toString())
                .contains("atNs");
        assertThat(problem(glass(oled, "i2c-page-oled.vcd", "application/json"), 406)
                        .get("status")
                        .asInt())
                .isEqualTo(406);
        assertThat(problem(glass("display=bus-switch&scl=scl&sda=sda", "i2c-page-oled.vcd", "*/*"), 400)
                        .toString())
                .contains("bus-switch");
    }

    /** Tables are told from dumps by their first line. */
    @Test
    void decodesTablesExactly() throws IOException {
        for (String name : new String[] {"i2c-trouble.edges", "i2c-trouble.sampled"}) {
            JsonNode expected = JSON.readTree(Files.readString(CAPTURES.resolve(name + ".expected.json")));
            HttpResponse<String> whole = decode(
                    "scl=SCL&sda=SDA&glitchNs=50",
                    Files.readAllBytes(CAPTURES.resolve(name + ".csv")),
                    "application/json");
            assertThat(JSON.readTree(whole.body()).get("events"))
                    .as(name)
                    .isEqualTo(JSON.readTree(expected.get("events").toString()));
        }
    }

    /** A record whose last lines are whole is read to its end, and the open transfer is marked. */
    @Test
    void aRecordCutBetweenLinesDecodesWithCutOff() throws IOException {
        String whole = Files.readString(CAPTURES.resolve("i2c-page-oled.vcd"));
        String half = whole.substring(0, whole.indexOf('\n', whole.length() / 2) + 1);
        JsonNode events = JSON.readTree(decode(
                                "scl=scl&sda=sda",
                                half.getBytes(java.nio.charset.StandardCharsets.US_ASCII),
                                "application/json")
                        .body())
                .get("events");
        assertThat(events.get(events.size() - 1).get("end").asString()).isEqualTo("cut-off");
        String torn = half + "1";
        assertThat(problem(
                                decode(
                                        "scl=scl&sda=sda",
                                        torn.getBytes(java.nio.charset.StandardCharsets.US_ASCII),
                                        "*/*"),
                                422)
                        .get("detail")
                        .asString())
                .startsWith("Line " + (half.lines().count() + 1))
                .contains("cut off");
    }

    /** The document names every route of the API that the application serves, and none that it does not. */
    @Test
    void theDocumentAndTheRoutesAgree() {
        JsonNode document = JSON.readTree(send(to("/api/openapi.json")).body());
        List<String> documented = new ArrayList<>();
        document.get("paths").propertyStream().forEach(path -> path.getValue()
                .propertyStream()
                .forEach(op -> documented.add(op.getKey().toUpperCase(java.util.Locale.ROOT) + " "
                        + path.getKey().replaceAll("\\{\\w+}", "{}"))));
        List<String> served = routes.getHandlerMethods().keySet().stream()
                .flatMap(info -> info.getPathPatternsCondition().getPatternValues().stream()
                        .filter(path ->
                                path.startsWith("/api/") && !path.contains("schema") && !path.contains("openapi"))
                        .flatMap(path -> info.getMethodsCondition().getMethods().stream()
                                .map(m -> m + " " + path.replaceAll("\\{\\*?\\w+}", "{}"))))
                .toList();
        assertThat(documented).containsExactlyInAnyOrderElementsOf(served);
        // Every shape that is referred to is described.
        java.util.regex.Matcher ref =
                java.util.regex.Pattern.compile("#/components/schemas/(\\w+)").matcher(document.toString());
        while (ref.find()) {
            assertThat(document.get("components").get("schemas").has(ref.group(1)))
                    .as(ref.group(1))
                    .isTrue();
        }
    }

    /** What is answered has the keys that the document promises. */
    @Test
    void answersHaveTheShapesOfTheDocument() {
        String plan = create();
        JsonNode schemas = JSON.readTree(send(to("/api/openapi.json")).body())
                .get("components")
                .get("schemas");
        JsonNode report = JSON.readTree(send(to(plan + "/findings")).body());
        JsonNode finding = report.get("findings").get(0);
        JsonNode wiring = JSON.readTree(send(to(plan + "/wiring")).body());
        JsonNode step = wiring.get("groups").get(1).get("steps").get(0);
        Map.ofEntries(
                        Map.entry("MeterCheck", wiring.get("checks").get(0)),
                        Map.entry("Report", report),
                        Map.entry("Finding", finding),
                        Map.entry("Repair", finding.get("repairs").get(0)),
                        Map.entry("Price", finding.get("repairs").get(0).get("price")),
                        Map.entry("Place", finding.get("places").get(0)),
                        Map.entry("Figure", finding.get("figures").get(0)),
                        Map.entry("Wiring", wiring),
                        Map.entry("WiringGroup", wiring.get("groups").get(0)),
                        Map.entry("WiringStep", step),
                        Map.entry("WireEnd", step.get("from")))
                .forEach((name, answer) -> assertThat(List.copyOf(answer.propertyNames()))
                        .as(name)
                        .containsExactlyInAnyOrderElementsOf(
                                schemas.get(name).get("properties").propertyNames()));
    }

    @Test
    void repairsTellWhatTheyBring() {
        JsonNode clash =
                JSON.readTree(post("/api/check", TWINS).body()).get("findings").get(0);
        for (JsonNode repair : clash.get("repairs")) {
            assertThat(repair.get("price").get("pins").isNumber()).isTrue();
            assertThat(repair.get("stopsLeft").asInt()).isZero();
            assertThat(repair.has("brings")).isTrue();
        }
    }

    /** A page elsewhere can give this machine a name of its own; the application does not answer to it. */
    @Test
    void foreignNamesAreRefused() throws IOException {
        for (String host : new String[] {"signs.example", "127.0.0.1.example"}) {
            assertThat(raw("GET /api/plans HTTP/1.1\r\nHost: " + host + "\r\nConnection: close\r\n\r\n"))
                    .startsWith("HTTP/1.1 421");
        }
        for (String host : new String[] {"localhost:" + port, "127.0.0.1", "[::1]:80", "192.168.1.7"}) {
            assertThat(raw("GET /api/plans HTTP/1.1\r\nHost: " + host + "\r\nConnection: close\r\n\r\n"))
                    .as(host)
                    .startsWith("HTTP/1.1 200");
        }
    }

    private String raw(String request) throws IOException {
        try (var socket = new java.net.Socket("127.0.0.1", port)) {
            socket.getOutputStream().write(request.getBytes(java.nio.charset.StandardCharsets.US_ASCII));
            return new String(socket.getInputStream().readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
        }
    }

    @Test
    void foreignPagesMayLinkHereAndLoadNothing() {
        HttpRequest.Builder page = to("/shelf").header("Sec-Fetch-Site", "cross-site");
        assertThat(send(page.copy().header("Sec-Fetch-Dest", "image")).statusCode())
                .isEqualTo(403);
        assertThat(send(page.copy().header("Sec-Fetch-Dest", "document")).statusCode())
                .isEqualTo(403);
        assertThat(send(page.copy().header("Sec-Fetch-Dest", "document").header("Sec-Fetch-User", "?1"))
                        .statusCode())
                .isEqualTo(200);
        HttpRequest.Builder old = to("/shelf").header("Referer", "http://elsewhere.example/page");
        assertThat(send(old.copy()).statusCode()).isEqualTo(403);
        assertThat(send(old.copy().header("Accept", "text/html")).statusCode()).isEqualTo(200);
    }

    @Test
    void aFaultPageLeadsBackToOurOwnPagesOnly() {
        HttpRequest.Builder nowhere = to("/nowhere").header("Accept", "text/html");
        assertThat(send(nowhere.copy().header("Referer", "http://elsewhere.example/page"))
                        .body())
                .doesNotContain("elsewhere");
        String own = "http://127.0.0.1:" + port;
        assertThat(send(nowhere.copy().header("Referer", own + "/shelf?q=oled")).body())
                .contains("href=\"/shelf?q=oled\"");
    }

    /** More half-sent forms and files than there are threads: pages are served all the same. */
    @Test
    void halfSentBodiesTakeNoPageAway() throws IOException {
        List<java.net.Socket> half = new ArrayList<>();
        try {
            for (int i = 0; i < 260; i++) {
                var socket = new java.net.Socket("127.0.0.1", port);
                half.add(socket);
                String type = i % 2 == 0 ? "application/x-www-form-urlencoded" : "multipart/form-data; boundary=b";
                socket.getOutputStream()
                        .write(("POST /plans HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: " + type
                                        + "\r\nContent-Length: 900\r\n\r\nname=")
                                .getBytes(java.nio.charset.StandardCharsets.US_ASCII));
            }
            assertThat(send(to("/").header("Accept", "text/html").timeout(Duration.ofSeconds(5)))
                            .statusCode())
                    .isEqualTo(200);
            // The last one is beyond every share and is told so.
            assertThat(new String(
                            half.get(259).getInputStream().readNBytes(12), java.nio.charset.StandardCharsets.US_ASCII))
                    .isEqualTo("HTTP/1.1 503");
        } finally {
            for (var socket : half) {
                socket.close();
            }
        }
    }

    @Test
    void answersKeepTheirDistance() {
        var headers = send(to("/").header("Accept", "text/html")).headers();
        assertThat(headers.firstValue("Cross-Origin-Opener-Policy")).hasValue("same-origin");
        assertThat(headers.firstValue("Cross-Origin-Resource-Policy")).hasValue("same-origin");
        assertThat(headers.firstValue("Permissions-Policy")).isPresent();
        assertThat(headers.firstValue("Cache-Control")).hasValue("private, no-cache");
        assertThat(headers.firstValue("X-Content-Type-Options")).hasValue("nosniff");
        assertThat(headers.firstValue("Referrer-Policy")).hasValue("same-origin");
        assertThat(headers.firstValue("Content-Security-Policy").orElse("")).contains("frame-ancestors 'none'");
        assertThat(headers.map()).doesNotContainKeys("server", "x-powered-by");
        assertThat(send(to("/js/main.js")).headers().firstValue("Cache-Control").orElse(""))
                .doesNotContain("private");
    }

    /** The reason told is the true one: it is the name that is too long, not the file. */
    @Test
    void aLongFileNameIsToldAsOne() {
        String body = "--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + "a".repeat(9000)
                + ".vcd\"\r\n\r\nx\r\n--b--\r\n";
        HttpResponse<String> answer = send(to("/plans/1/traffic")
                .header("Content-Type", "multipart/form-data; boundary=b")
                .POST(HttpRequest.BodyPublishers.ofString(body)));
        assertThat(answer.statusCode()).isEqualTo(413);
        assertThat(answer.body()).contains("shorter name").doesNotContain("1 GB");
    }

    @Test
    void foreignPagesMayNotChangeAnything() {
        HttpRequest.Builder create = to("/api/plans").POST(HttpRequest.BodyPublishers.ofString(TWINS));
        assertThat(send(create.copy().header("Origin", "http://elsewhere.example"))
                        .statusCode())
                .isEqualTo(403);
        assertThat(send(create.copy().header("Sec-Fetch-Site", "cross-site")).statusCode())
                .isEqualTo(403);
        assertThat(send(create.copy().header("Origin", "http://127.0.0.1:" + port))
                        .statusCode())
                .isEqualTo(201);
    }

    @Test
    void pagesEscapeNamesAndForbidInlineScripts() {
        String plan = create().replace("/api", "");
        HttpResponse<String> page = send(to(plan + "/pins"));
        assertThat(page.body()).doesNotContain("<script>alert").contains("&lt;script&gt;alert");
        assertThat(page.headers().firstValue("Content-Security-Policy"))
                .hasValueSatisfying(
                        p -> assertThat(p).contains("script-src 'self'").doesNotContain("unsafe"));
        assertThat(send(to("/plans/99999/pins")).body()).contains("There is no plan 99999");
        assertThat(send(to("/nowhere")).body())
                .contains("nothing at this address")
                .doesNotContain("Exception");
        assertThat(send(to("/h2-console")).statusCode()).isEqualTo(404);
    }
}
