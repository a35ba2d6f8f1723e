package izzet.benchmarks;

import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.edit.PartAddition;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A club at work: people with a plan each, who look at the weave, at the parts and at the shelf, and change something every third time.
 * Between two clicks each thinks for two seconds on average. Program and people share the machine.
 */
public final class People {

    private static final int PEOPLE = 100;
    private static final int THINK_MILLIS = 2000;
    private static final long WARM_SECONDS = 40;
    private static final long MEASURED_SECONDS = 60;
    private static final Pattern VERSION = Pattern.compile("name=\"version\" value=\"(\\d+)\"");

    private final String base;
    private final HttpClient client = HttpClient.newHttpClient();
    private final ConcurrentLinkedQueue<Double> times = new ConcurrentLinkedQueue<>();
    private final AtomicInteger failures = new AtomicInteger();
    private volatile boolean measuring;
    private volatile boolean working = true;

    private People(String base) {
        this.base = base;
    }

    /** @param args the address of the program */
    public static void main(String[] args) throws Exception {
        new People(args[0]).work();
    }

    private void work() throws Exception {
        Catalog catalog = CatalogReader.shipped();
        Plan plan = Plan.empty("Wick halt", "mcu-8bit-5v-14-6");
        for (String part :
                List.of("oled-128x64-page-2wire", "oled-128x64-page-2wire", "character-16x2-direct", "led")) {
            plan = PartAddition.of(plan, catalog, part, "", "").apply(plan);
        }
        String document = new PlanDocument().write(plan);
        ExecutorService people = Executors.newFixedThreadPool(PEOPLE);
        for (int i = 0; i < PEOPLE; i++) {
            Random random = new Random(i);
            people.submit(() -> {
                person(document, random);
                return null;
            });
        }
        TimeUnit.SECONDS.sleep(WARM_SECONDS);
        measuring = true;
        TimeUnit.SECONDS.sleep(MEASURED_SECONDS);
        measuring = false;
        working = false;
        people.shutdown();
        people.awaitTermination(1, TimeUnit.MINUTES);
        List<Double> sorted = new ArrayList<>(times);
        sorted.sort(null);
        System.out.printf(
                Locale.ROOT,
                "%d people, %d answers in %d s: median %.0f ms, 95 of 100 within %.0f ms, longest %.0f ms, %d failed%n",
                PEOPLE,
                sorted.size(),
                MEASURED_SECONDS,
                sorted.get(sorted.size() / 2),
                sorted.get(sorted.size() * 95 / 100),
                sorted.get(sorted.size() - 1),
                failures.get());
    }

    private void person(String document, Random random) throws IOException, InterruptedException {
        HttpResponse<String> made = client.send(
                HttpRequest.newBuilder(URI.create(base + "/api/plans"))
                        .POST(HttpRequest.BodyPublishers.ofString(document))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        String location = made.headers().firstValue("Location").orElseThrow();
        String id = location.substring(location.lastIndexOf('/') + 1);
        String[] looks = {
            "/plans/" + id + "/pins", "/plans/" + id + "/parts", "/shelf?q=oled", "/plans/" + id + "/wiring"
        };
        for (int click = 0; working; click++) {
            TimeUnit.MILLISECONDS.sleep(random.nextInt(2 * THINK_MILLIS));
            String look = looks[random.nextInt(looks.length)];
            String page = timed(HttpRequest.newBuilder(URI.create(base + look)).build(), 200);
            Matcher version = VERSION.matcher(page);
            if (click % 3 == 2 && version.find()) {
                String name = URLEncoder.encode("Halt " + random.nextInt(1000), StandardCharsets.UTF_8);
                timed(
                        HttpRequest.newBuilder(URI.create(base + "/plans/" + id + "/rename"))
                                .header("Content-Type", "application/x-www-form-urlencoded")
                                .POST(HttpRequest.BodyPublishers.ofString(
                                        "version=" + version.group(1) + "&here=/plans/" + id + "/pins&name=" + name))
                                .build(),
                        302);
            }
        }
    }

    private String timed(HttpRequest request, int expected) throws InterruptedException {
        long start = System.nanoTime();
        try {
            HttpResponse<String> answer = client.send(request, HttpResponse.BodyHandlers.ofString());
            if (measuring) {
                times.add((System.nanoTime() - start) / 1e6);
            }
            if (answer.statusCode() != expected) {
                failures.incrementAndGet();
            }
            return answer.body();
        } catch (IOException e) {
            failures.incrementAndGet();
            return "";
        }
    }
}
