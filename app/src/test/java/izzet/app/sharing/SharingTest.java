package izzet.app.sharing;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.app.store.PairedDeviceRow;
import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Somebody in the network without a key, with a stolen link, with a key that was ended: over plain sockets, so that nothing tidies up. */
class SharingTest extends InTheNetwork {

    @Autowired
    private Devices devices;

    @Autowired
    private RequestMappingHandlerMapping mappings;

    private long open;
    private long secret;

    private record Answer(int status, String all) {}

    /** An address of the application with what stands for its variables. */
    private record Address(String method, String path) {}

    @BeforeEach
    void storePlans() {
        open = store("Open plan");
        secret = store("Secret plan");
    }

    private Answer ask(String method, String path, String... headers) throws IOException {
        return send(method, path, "", headers);
    }

    private Answer send(String method, String path, String body, String... headers) throws IOException {
        try (Socket socket = new Socket(InetAddress.getLoopbackAddress(), port)) {
            String form = body.isEmpty() ? "" : "Content-Type: application/x-www-form-urlencoded\r\n";
            String more = Arrays.stream(headers).map(h -> h + "\r\n").collect(Collectors.joining());
            String request = method + " " + path + " HTTP/1.1\r\nHost: 127.0.0.1:" + port + "\r\nConnection: close\r\n"
                    + form + more + "Content-Length: " + body.length() + "\r\n\r\n" + body;
            socket.getOutputStream().write(request.getBytes(StandardCharsets.UTF_8));
            String all = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            return new Answer(Integer.parseInt(all.split(" ")[1]), all);
        }
    }

    /** All addresses that there are, with those of a plan at this one. */
    private Set<Address> addresses(long plan) {
        return mappings.getHandlerMethods().keySet().stream()
                .flatMap(i -> i.getPathPatternsCondition().getPatternValues().stream()
                        .flatMap(p -> methods(i.getMethodsCondition().getMethods())
                                .map(m -> new Address(m, filled(p, plan)))))
                .collect(Collectors.toSet());
    }

    private static java.util.stream.Stream<String> methods(Set<RequestMethod> all) {
        return all.isEmpty()
                ? java.util.stream.Stream.of("GET", "POST")
                : all.stream().map(RequestMethod::name);
    }

    private static String filled(String pattern, long plan) {
        String path = pattern.replace("plans/{id}", "plans/" + plan).replace("{*kind}", "plan.json");
        return path.replaceAll("\\{[^}]*}", "1");
    }

    @Test
    void withoutAKeyNoAddressAnswers() throws IOException {
        Set<Address> all = addresses(open);
        assertThat(all).hasSizeGreaterThan(120);
        for (Address a : all) {
            if (!a.path().equals("/pair") && !a.path().startsWith("/read/")) {
                Answer answer = ask(a.method(), a.path(), "Accept: text/html");
                assertThat(answer.status()).as(a.toString()).isEqualTo(401);
                assertThat(answer.all()).as(a.toString()).doesNotContain("Open plan", "izzet.css");
            }
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/css/izzet.css",
                "/js/main.js",
                "/webjars/htmx.org/2.0.10/dist/htmx.min.js",
                "/icon.svg",
                "/error",
                "/actuator",
                "/pair/",
                "/PAIR",
                "/pair/../plans/1/pins",
                "/pair/..;/plans/1/pins",
                "/pair;a=b/../plans/1/pins",
                "/plans/1/pins;/pair",
                "/plans/1/pins?/pair",
                "//plans/1/pins",
                "/./plans/1/pins",
                "/%70lans/1/pins",
                "/plans%2F1%2Fpins",
                "/plans/1/pins%00",
                "/read/..%2Fplans",
                "/read/../plans/1/pins",
            })
    void noWayOfWritingAnAddressHelps(String path) throws IOException {
        for (String method : List.of("GET", "HEAD", "POST", "OPTIONS", "PUT", "TRACE")) {
            Answer answer = ask(method, path.replace("/1/", "/" + open + "/"), "Accept: text/html");
            assertThat(answer.status()).as(method + " " + path).isBetween(400, 405);
            assertThat(answer.all()).doesNotContain("Open plan", "Set-Cookie");
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "X-Forwarded-For: 127.0.0.1",
                "X-Original-URL: /pair",
                "X-Rewrite-URL: /pair",
                "X-HTTP-Method-Override: GET",
                "Forwarded: for=127.0.0.1",
                "Cookie: izzet-device=1",
                "Cookie: izzet-device=",
                "Cookie: izzet-device=' or '1'='1",
                "Cookie: JSESSIONID=1",
                "Authorization: Basic YWRtaW46YWRtaW4=",
                "Authorization: Bearer ",
                "HX-Request: true",
                "Sec-Fetch-Site: same-origin",
            })
    void noHeaderHelps(String header) throws IOException {
        Answer answer = ask("GET", "/plans/" + open + "/pins", header);
        assertThat(answer.status()).isEqualTo(401);
        assertThat(answer.all()).doesNotContain("Open plan");
    }

    @Test
    void aKeyPairsOneDeviceOnce() throws IOException {
        String made = key.fresh();
        // A look at the address, as a preview makes it, does not take the key.
        assertThat(ask("GET", "/pair?key=" + made).status()).isEqualTo(200);
        Answer paired = pair(made.toLowerCase(Locale.ROOT).replace("-", " ").replace(" ", "%20"), "Phone");
        assertThat(paired.status()).isEqualTo(303);
        assertThat(paired.all()).contains("HttpOnly", "SameSite=Lax");
        String cookie = cookie(paired);
        Answer page = ask("GET", "/plans/" + open + "/pins", cookie);
        assertThat(page.status()).isEqualTo(200);
        assertThat(page.all()).contains("Open plan", "Devices");
        assertThat(pair(made, "Another").status()).isEqualTo(403);
        // What it has opens nothing under another name, and nothing once it is ended.
        String value = cookie.substring(cookie.indexOf('=') + 1);
        assertThat(ask("GET", "/", "Cookie: izzet-reader=" + value).status()).isEqualTo(401);
        assertThat(ask("GET", "/api/plans", "Authorization: Bearer " + value).status())
                .isEqualTo(200);
        PairedDeviceRow row = devices.all().stream()
                .filter(d -> d.name().equals("Phone"))
                .findFirst()
                .orElseThrow();
        assertThat(ask("POST", "/sharing/" + row.id() + "/end", cookie).status())
                .isEqualTo(302);
        assertThat(ask("GET", "/plans/" + open + "/pins", cookie).status()).isEqualTo(401);
    }

    /** The key is taken by then: whatever name comes with it, the device is paired. */
    @ParameterizedTest
    @CsvSource({"%00%01, Computer", "'', Computer", "%20Bench%00, Bench"})
    void anyNameWillDo(String sent, String kept) throws IOException {
        Set<Long> before = devices.all().stream().map(PairedDeviceRow::id).collect(Collectors.toSet());
        assertThat(pair(key.fresh(), sent).status()).isEqualTo(303);
        assertThat(devices.all())
                .filteredOn(d -> !before.contains(d.id()))
                .extracting(PairedDeviceRow::name)
                .containsExactly(kept);
        assertThat(pair(key.fresh(), "%F0%9F%9A%8A".repeat(41)).status()).isEqualTo(303);
        assertThat(devices.all()).anyMatch(d -> d.name().equals("🚊".repeat(40)));
    }

    private Answer pair(String typed, String name) throws IOException {
        return send("POST", "/pair", "key=" + typed + "&name=" + name);
    }

    private static String cookie(Answer answer) {
        int from = answer.all().indexOf("Set-Cookie: ") + "Set-Cookie: ".length();
        return "Cookie: " + answer.all().substring(from, answer.all().indexOf(';', from));
    }

    @Test
    void guessingVoidsTheKey() throws IOException {
        String made = key.fresh();
        for (int i = 0; i < PairingKey.MOST_WRONG; i++) {
            assertThat(pair("2222-2222-222" + i, "x").status()).isEqualTo(403);
        }
        assertThat(pair(made, "x").status()).isEqualTo(403);
    }

    /** A page of another origin can neither pair nor change, whatever the browser sends along. */
    @Test
    void foreignPagesCannotUseADevice() throws IOException {
        String cookie = cookie(pair(key.fresh(), "Desk"));
        String change = "/plans/" + open + "/delete";
        assertThat(send("POST", change, "version=1", cookie, "Origin: http://elsewhere.example")
                        .status())
                .isEqualTo(403);
        assertThat(send("POST", change, "version=1", cookie, "Sec-Fetch-Site: cross-site")
                        .status())
                .isEqualTo(403);
        assertThat(plans.get(open).deleted()).isFalse();
    }

    @Test
    void aLinkReadsItsPlanAndNothingElse() throws IOException {
        Answer followed = ask("GET", "/read/" + devices.link(open, "workshop"));
        assertThat(followed.status()).isEqualTo(303);
        String cookie = cookie(followed);
        for (String page :
                List.of("pins", "parts", "levels", "buses", "wiring", "bring-up", "traffic", "log", "findings")) {
            Answer seen = ask("GET", "/plans/" + open + "/" + page, cookie);
            assertThat(seen.status()).as(page).isEqualTo(200);
            assertThat(seen.all()).as(page).contains("Open plan").doesNotContain("Secret plan", "id=\"undo\"");
        }
        assertThat(ask("GET", "/css/izzet.css", cookie).status()).isEqualTo(200);
        for (Address a : addresses(open)) {
            if (!a.path().equals("/pair")
                    && !a.path().startsWith("/read/")
                    && !a.path().endsWith("/news")) {
                Answer answer = ask(a.method(), a.path(), cookie);
                assertThat(answer.all()).as(a.toString()).doesNotContain("Secret plan");
                if (!a.method().equals("GET")) {
                    assertThat(answer.status()).as(a.toString()).isEqualTo(403);
                }
            }
        }
        for (Address a : addresses(secret)) {
            if (a.path().contains("/plans/" + secret)) {
                assertThat(ask(a.method(), a.path(), cookie).status())
                        .as(a.toString())
                        .isEqualTo(403);
            }
        }
        for (String other : List.of(
                "/", "/sharing", "/phone", "/backup", "/shelf", "/log", "/api/plans", "/plans/" + open + "/mend")) {
            assertThat(ask("GET", other, cookie).status()).as(other).isEqualTo(403);
        }
    }
}
