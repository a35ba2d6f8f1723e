package izzet.app.assign;

import izzet.app.catalog.Shelf;
import izzet.app.fault.NoSuchThing;
import izzet.app.jobs.Job;
import izzet.app.jobs.Jobs;
import izzet.app.pins.Weave;
import izzet.app.plan.PlanStore;
import izzet.app.plan.StoredPlan;
import izzet.app.shell.PlanFrames;
import izzet.core.assign.Assigner;
import izzet.core.assign.Assigner.Answer;
import izzet.core.assign.Assigner.Assignment;
import izzet.core.assign.Assigner.Limits;
import izzet.core.assign.Assigner.Outcome;
import izzet.core.assign.Criterion;
import izzet.core.assign.WaysOut;
import izzet.core.assign.Weights;
import izzet.core.catalog.Catalog;
import izzet.core.check.Checker;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The page that finds the best places for all lines of a plan, and what it found. */
@Controller
class AssignController {

    private static final Duration PATIENCE = Duration.ofMillis(400);
    private static final double LONGEST = 30;

    private final PlanFrames frames;
    private final PlanStore plans;
    private final Shelf shelf;
    private final Checker checker;
    private final Assigner assigner;
    private final WaysOut waysOut;
    private final Jobs jobs;

    AssignController(PlanFrames frames, PlanStore plans, Shelf shelf, Checker checker, Assigner assigner, Jobs jobs) {
        this.frames = frames;
        this.plans = plans;
        this.shelf = shelf;
        this.checker = checker;
        this.assigner = assigner;
        this.waysOut = WaysOut.all(assigner);
        this.jobs = jobs;
    }

    /** A criterion with its weight. */
    public record Scale(Criterion criterion, int weight) {}

    /** Points of a criterion, and what they cost. */
    public record Share(String label, int points, int price) {}

    /** A wire that has another place than now. */
    public record Move(String line, String from, String to) {}

    /**
     * An assignment as a card.
     *
     * @param stops left after it, of all rules
     */
    public record Card(
            int number, int price, List<Share> shares, List<Move> moves, Weave weave, long stops, long fixes) {}

    @GetMapping("/plans/{id}/assign")
    String ask(@PathVariable long id, Model model) {
        return page(id, Weights.USUAL, Limits.USUAL.toMillis() / 1000.0, model);
    }

    private String page(long id, Weights weights, double seconds, Model model) {
        model.addAttribute("frame", frames.of(id, "pins"));
        List<Scale> scales = new ArrayList<>();
        weights.of().forEach((c, w) -> scales.add(new Scale(c, w)));
        model.addAttribute("scales", scales);
        model.addAttribute("weighed", scales.stream().anyMatch(s -> s.weight() != 1));
        model.addAttribute("seconds", seconds);
        return "assign/page";
    }

    @PostMapping("/plans/{id}/assign")
    String begin(
            @PathVariable long id,
            @RequestParam long version,
            @RequestParam(defaultValue = "2") double seconds,
            @RequestParam Map<String, String> form) {
        if (!(seconds > 0 && seconds <= LONGEST)) {
            throw new IllegalArgumentException("A search takes up to " + LONGEST + " seconds, not " + seconds + ".");
        }
        Map<Criterion, Integer> weights = new EnumMap<>(Criterion.class);
        for (Criterion c : Criterion.values()) {
            String text = form.get("weight." + c.name());
            if (text != null) {
                weights.put(c, whole(text));
            }
        }
        StoredPlan stored = plans.at(id, version);
        Search search = new Search(
                id,
                version,
                stored.plan(),
                new Weights(weights),
                Duration.ofMillis(Math.round(seconds * 1000)),
                Instant.now());
        Job<Found> job = jobs.of(
                id,
                search,
                "Assign the pins of " + stored.plan().name(),
                "/plans/" + id + "/assign/{job}",
                j -> find(search, j));
        return "redirect:/plans/" + id + "/assign/" + job.id();
    }

    /** What was asked for; at each time anew. */
    private record Search(long plan, long version, Plan start, Weights weights, Duration time, Instant asked) {}

    private record Found(Answer answer, WaysOut.Ways ways) {}

    private Found find(Search search, Job<Found> job) {
        Catalog catalog = shelf.catalog();
        Limits limits = new Limits(
                search.time(),
                job::stopped,
                price -> job.say("the best so far costs " + price + "."),
                Limits.MOST_ANSWERS);
        Answer answer = assigner.assign(search.start(), catalog, search.weights(), limits);
        return new Found(
                answer,
                answer.outcome() == Outcome.NONE
                        ? waysOut.of(search.start(), catalog, search.weights(), limits)
                        : WaysOut.Ways.NONE);
    }

    /** @throws NoSuchThing when there is no such search of this plan any more */
    @SuppressWarnings("unchecked")
    private Job<Found> search(long id, long number) {
        Job<?> job = jobs.get(number);
        if (job.owner() != id || !(job.key() instanceof Search)) {
            throw new NoSuchThing("This plan has no such search; start it again.");
        }
        return (Job<Found>) job;
    }

    private static int whole(String text) {
        try {
            return Integer.parseInt(text.strip());
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("'" + text + "' is no weight; 0 to " + Weights.MOST + " are possible.");
        }
    }

    @GetMapping("/plans/{id}/assign/{job}")
    String look(@PathVariable long id, @PathVariable long job, Model model) {
        Job<Found> searching = search(id, job);
        Search search = (Search) searching.key();
        searching.await(PATIENCE);
        page(id, search.weights(), search.time().toMillis() / 1000.0, model);
        model.addAttribute("job", searching);
        if (searching.done() && searching.fault() == null) {
            Found found = searching.result();
            model.addAttribute("answer", found.answer());
            model.addAttribute("cards", cards(search, found.answer()));
            model.addAttribute("waysWhole", found.ways().whole());
            model.addAttribute("ways", WayView.of(found.ways().found(), search.start(), shelf.catalog(), checker));
            model.addAttribute("stale", plans.get(id).version() != search.version());
        }
        return "assign/page";
    }

    private List<Card> cards(Search search, Answer answer) {
        List<Card> cards = new ArrayList<>();
        for (Assignment a : answer.assignments()) {
            Plan after = a.edit().apply(search.start());
            Circuit circuit = new Circuit(after, shelf.catalog());
            Report report = checker.check(circuit);
            List<Share> shares = a.points().entrySet().stream()
                    .filter(e -> e.getValue() > 0)
                    .map(e -> new Share(
                            e.getKey().label(),
                            e.getValue(),
                            e.getValue() * search.weights().of(e.getKey())))
                    .toList();
            cards.add(new Card(
                    cards.size() + 1,
                    a.price(),
                    shares,
                    moves(search.start(), after),
                    Weave.of(circuit, report, Weave.Show.picture(search.start())),
                    report.count(Severity.STOP),
                    report.count(Severity.FIX)));
        }
        return cards;
    }

    static List<Move> moves(Plan before, Plan after) {
        List<Move> moves = new ArrayList<>();
        for (Connection c : after.connections()) {
            Optional<Connection> old = before.connection(c.from());
            if (old.filter(o -> o.to().equals(c.to())).isEmpty()) {
                String part = after.part(c.from().owner())
                        .map(p -> p.name())
                        .orElse(c.from().owner());
                moves.add(new Move(
                        part + " " + c.from().name(),
                        old.map(o -> o.to().name()).orElse("open"),
                        c.to().isLine() ? c.to().toString() : c.to().name()));
            }
        }
        return moves;
    }

    @PostMapping("/plans/{id}/assign/{job}/stop")
    String stop(@PathVariable long id, @PathVariable long job) {
        search(id, job).stop();
        return "redirect:/plans/" + id + "/assign/" + job;
    }

    /** Makes an assignment, or a way out, one revision of the plan it was found for. */
    @PostMapping("/plans/{id}/assign/{job}/take")
    String take(
            @PathVariable long id,
            @PathVariable long job,
            @RequestParam(defaultValue = "0") int number,
            @RequestParam(defaultValue = "0") int way) {
        Job<Found> searching = search(id, job);
        Search search = (Search) searching.key();
        Found all = searching.done() ? searching.result() : null;
        List<Assignment> found = all == null ? List.of() : all.answer().assignments();
        List<WaysOut.Way> ways = all == null ? List.of() : all.ways().found();
        PlanEdit edit;
        if (number >= 1 && number <= found.size()) {
            edit = found.get(number - 1).edit();
        } else if (way >= 1 && way <= ways.size()) {
            edit = ways.get(way - 1).edit();
        } else {
            throw new IllegalArgumentException("The search found no assignment " + Math.max(number, way) + ".");
        }
        plans.apply(id, search.version(), edit);
        return "redirect:/plans/" + id + "/pins";
    }
}
