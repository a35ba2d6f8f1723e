package izzet.benchmarks;

import izzet.core.assign.Proposal;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.CatalogReader;
import izzet.core.catalog.Part;
import izzet.core.circuit.Circuit;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import izzet.core.plan.PlanEdit;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** A running program under its own pages: the weave of 40 places by 60 lines and more, and the verdict of a move. */
public final class PageTimes {

    private static final int WARM = 100;
    private static final int MEASURED = 200;
    private static final int LINES = 60;

    private PageTimes() {}

    /** @param args the address of the program */
    public static void main(String[] args) throws IOException, InterruptedException {
        HttpClient client = HttpClient.newHttpClient();
        Catalog catalog = CatalogReader.shipped();
        Plan plan = plan(catalog);
        HttpResponse<String> made = client.send(
                HttpRequest.newBuilder(URI.create(args[0] + "/api/plans"))
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(new PlanDocument().write(plan)))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        String location =
                made.headers().firstValue("Location").orElseThrow(() -> new IllegalStateException(made.body()));
        String id = location.substring(location.lastIndexOf('/') + 1);
        int lines = new Circuit(plan, catalog).wires().size();
        System.out.println(
                "plan with " + plan.parts().size() + " parts and " + lines + " lines on the " + plan.board());
        String line = plan.connections().stream()
                .filter(c -> c.to().isPin())
                .map(c -> c.from().toString())
                .findFirst()
                .orElseThrow();
        measure(client, args[0] + "/plans/" + id + "/pins");
        measure(client, args[0] + "/plans/" + id + "/pins?folded=all");
        measure(client, args[0] + "/plans/" + id + "/verdict?from=" + line + "&to=board:GPIO4");
        measure(client, args[0] + "/");
        measure(client, args[0] + "/quick-list?list=2+small+oled,+16x2+lcd+with+backpack,+3+butons,+wifi+board");
        measure(client, args[0] + "/shelf?q=lcd");
        edits(client, args[0], id);
    }

    private static Plan plan(Catalog catalog) {
        Plan plan = Plan.empty("Port Ennor, everything", "sbc-40-pin");
        String[] parts = {
            "colour-240x320-serial", "card-socket", "oled-128x64-page-2wire", "oled-1v3-132-2wire", "expander-8",
            "character-16x2-direct", "rotary-encoder", "push-button", "light-sensor", "real-time-clock"
        };
        for (int i = 0; new Circuit(plan, catalog).wires().size() < LINES; i++) {
            Part part = catalog.part(parts[i % parts.length]).orElseThrow();
            plan = new PlanEdit.AddPart(new PlacedPart(
                            "p" + i,
                            part.id(),
                            part.version(),
                            "Part " + i,
                            part.interfaces().get(0).id(),
                            Map.of(),
                            null,
                            null))
                    .apply(plan);
            plan = Proposal.of(plan, catalog, "p" + i).edit().apply(plan);
        }
        return plan;
    }

    /** An edit until its page is there again: the form is sent, the redirect followed. */
    private static void edits(HttpClient client, String base, String id) throws IOException, InterruptedException {
        String version = "";
        List<Double> times = new ArrayList<>();
        for (int i = 0; i < WARM + MEASURED; i++) {
            HttpResponse<String> now = client.send(
                    HttpRequest.newBuilder(URI.create(base + "/api/plans/" + id))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            version = now.headers().firstValue("ETag").orElseThrow().replace("\"", "");
            long start = System.nanoTime();
            HttpResponse<String> moved = client.send(
                    HttpRequest.newBuilder(URI.create(base + "/plans/" + id + "/wire"))
                            .header("Content-Type", "application/x-www-form-urlencoded")
                            .POST(HttpRequest.BodyPublishers.ofString(
                                    "version=" + version + "&here=/plans/" + id + "/pins&centimetres=" + (20 + i % 2)))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            HttpResponse<String> page = client.send(
                    HttpRequest.newBuilder(URI.create(base)
                                    .resolve(moved.headers()
                                            .firstValue("Location")
                                            .orElseThrow()))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            if (page.statusCode() != 200) {
                throw new IllegalStateException("the page after an edit answers " + page.statusCode());
            }
            if (i >= WARM) {
                times.add((System.nanoTime() - start) / 1e6);
            }
        }
        tell("an edit and its page", times);
    }

    private static void measure(HttpClient client, String address) throws IOException, InterruptedException {
        HttpRequest request = HttpRequest.newBuilder(URI.create(address)).build();
        List<Double> times = new ArrayList<>();
        for (int i = 0; i < WARM + MEASURED; i++) {
            long start = System.nanoTime();
            HttpResponse<String> response = client.send(request, HttpResponse.BodyHandlers.ofString());
            if (response.statusCode() != 200) {
                throw new IllegalStateException(address + " answers " + response.statusCode());
            }
            if (i >= WARM) {
                times.add((System.nanoTime() - start) / 1e6);
            }
        }
        tell(address.replaceAll("^http://[^/]+", ""), times);
    }

    private static void tell(String what, List<Double> times) {
        List<Double> sorted = times.stream().sorted().toList();
        System.out.printf(
                Locale.ROOT,
                "%s: median %.1f ms, 95 of 100 within %.1f ms%n",
                what,
                sorted.get(MEASURED / 2),
                sorted.get(MEASURED * 95 / 100));
    }
}
