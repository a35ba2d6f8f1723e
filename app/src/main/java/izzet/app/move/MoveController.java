package izzet.app.move;

import izzet.app.assign.WayView;
import izzet.app.catalog.Shelf;
import izzet.app.fault.NoSuchThing;
import izzet.app.jobs.Job;
import izzet.app.jobs.Jobs;
import izzet.app.plan.PlanStore;
import izzet.app.plan.StoredPlan;
import izzet.app.preference.Preferences;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.core.assign.Assigner;
import izzet.core.assign.Assigner.Limits;
import izzet.core.assign.Migration;
import izzet.core.assign.WaysOut;
import izzet.core.assign.Weights;
import izzet.core.catalog.Board;
import izzet.core.catalog.Catalog;
import izzet.core.check.Checker;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Plan;
import izzet.core.repair.Repair;
import izzet.core.repair.Repairs;
import izzet.core.wiring.Rewiring;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The page that sets a plan on its board and on another one side by side, and takes it over. */
@Controller
class MoveController {

    private static final int LEAST_SECONDS = 2;

    /** For the move and for ways out of a clash, when asked to look longer. */
    private static final int MOST_SECONDS = 10;

    private static final int REMEMBERED = 20;

    private final PlanFrames frames;
    private final PlanStore plans;
    private final Shelf shelf;
    private final Checker checker;
    private final Repairs repairs;
    private final Assigner assigner;
    private final WaysOut waysOut;
    private final Preferences preferences;
    private final Jobs jobs;
    private final Map<String, Shown> shown = new LinkedHashMap<>();
    private int next = 1;

    MoveController(
            PlanFrames frames,
            PlanStore plans,
            Shelf shelf,
            Checker checker,
            Repairs repairs,
            Assigner assigner,
            Preferences preferences,
            Jobs jobs) {
        this.frames = frames;
        this.plans = plans;
        this.shelf = shelf;
        this.checker = checker;
        this.repairs = repairs;
        this.assigner = assigner;
        this.waysOut = WaysOut.all(assigner);
        this.preferences = preferences;
        this.jobs = jobs;
    }

    /** What a page showed, so that just that is taken. */
    private record Shown(long plan, long version, Plan moved, String board, List<WaysOut.Way> ways) {}

    /** What a comparison depends on. */
    private record Asked(long plan, long version, String board, Duration longest, Catalog catalog) {}

    /** What it comes to. */
    private record Compared(Migration migration, WaysOut.Ways ways) {}

    /** What would be to mend on the new board, with the titles of its repairs. */
    public record Trouble(Severity severity, String sentence, List<String> repairs, boolean before) {}

    @GetMapping("/plans/{id}/move")
    String move(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String board,
            @RequestParam(defaultValue = "2") int seconds,
            Model model) {
        PlanFrame frame = frames.of(id, "pins");
        model.addAttribute("frame", frame);
        model.addAttribute("boards", shelf.catalog().boards().values());
        model.addAttribute("target", board);
        if (board.isBlank()) {
            return "move/page";
        }
        Board target = shelf.catalog()
                .board(board)
                .orElseThrow(() -> new NoSuchThing("The shelf has no board '" + board + "'."));
        StoredPlan stored = plans.get(id);
        if (stored.plan().board().equals(board)) {
            throw new IllegalArgumentException("The plan is on this board already; choose another one.");
        }
        Migration.Stay stay = plans.lastOn(id, board).orElse(null);
        Duration longest = Duration.ofSeconds(Math.max(LEAST_SECONDS, Math.min(MOST_SECONDS, seconds)));
        Job<Compared> job = jobs.of(
                id,
                new Asked(id, stored.version(), board, longest, shelf.catalog()),
                "Compare with the " + target.name(),
                "/plans/" + id + "/move?board=" + board + "&seconds=" + longest.toSeconds(),
                j -> compare(stored.plan(), board, stay, j, longest));
        model.addAttribute("board", target);
        if (!job.await(Jobs.PATIENCE)) {
            model.addAttribute("job", job);
            return "move/page";
        }
        Migration migration = job.result().migration();
        WaysOut.Ways ways = job.result().ways();
        model.addAttribute("migration", migration);
        Circuit moved = new Circuit(migration.plan(), shelf.catalog());
        model.addAttribute("rewiring", Rewiring.between(frame.circuit(), moved, preferences.colours()));
        model.addAttribute("troubles", troubles(frame.report(), moved));
        model.addAttribute("ways", WayView.of(ways.found(), migration.plan(), shelf.catalog(), checker));
        model.addAttribute("waysWhole", ways.whole());
        model.addAttribute("longer", longest.toSeconds() < MOST_SECONDS ? MOST_SECONDS : 0);
        model.addAttribute("counts", counts(migration));
        model.addAttribute(
                "token", remember(new Shown(id, stored.version(), migration.plan(), target.name(), ways.found())));
        return "move/page";
    }

    private Compared compare(Plan plan, String board, Migration.Stay stay, Job<Compared> job, Duration longest) {
        Catalog catalog = shelf.catalog();
        Limits limits = new Limits(
                longest,
                job::stopped,
                price -> job.say("The best assignment so far costs " + price + "."),
                Limits.MOST_ANSWERS);
        Migration migration = Migration.of(plan, board, stay, catalog, assigner, Weights.USUAL, limits);
        if (migration.conflict() == null) {
            return new Compared(migration, WaysOut.Ways.NONE);
        }
        job.say("Not all lines have a place; looking for ways out.");
        return new Compared(migration, waysOut.of(migration.plan(), catalog, Weights.USUAL, limits));
    }

    private static Map<String, Long> counts(Migration migration) {
        Map<String, Long> counts = new LinkedHashMap<>();
        for (Migration.State state : Migration.State.values()) {
            counts.put(
                    state.name().toLowerCase(java.util.Locale.ROOT),
                    migration.rows().stream().filter(r -> r.state() == state).count());
        }
        return counts;
    }

    private List<Trouble> troubles(Report before, Circuit circuit) {
        Report report = checker.check(circuit);
        List<Trouble> troubles = new ArrayList<>();
        report.findings().stream()
                .filter(f -> f.severity().mustBeMended())
                .forEach(f -> troubles.add(new Trouble(
                        f.severity(),
                        f.sentence(),
                        repairs.of(circuit, report, f).stream()
                                .map(Repair::title)
                                .toList(),
                        before.finding(f.id()).isPresent())));
        return troubles;
    }

    private synchronized String remember(Shown what) {
        String token = String.valueOf(next++);
        shown.put(token, what);
        if (shown.size() > REMEMBERED) {
            shown.remove(shown.keySet().iterator().next());
        }
        return token;
    }

    private synchronized Shown recall(long id, String token) {
        Shown what = shown.get(token);
        if (what == null || what.plan() != id) {
            throw new NoSuchThing("This comparison is not known any more; choose the board again.");
        }
        return what;
    }

    /**
     * Takes the plan over as it was shown, as one revision.
     *
     * @param way number of the way out to take with it, from 1; 0 for none
     */
    @PostMapping("/plans/{id}/move")
    String take(@PathVariable long id, @RequestParam String token, @RequestParam(defaultValue = "0") int way) {
        Shown what = recall(id, token);
        if (way < 0 || way > what.ways().size()) {
            throw new NoSuchThing("There is no way " + way + " out; compare the boards again.");
        }
        plans.at(id, what.version());
        Plan moved = way == 0 ? what.moved() : what.ways().get(way - 1).edit().apply(what.moved());
        plans.replace(id, what.version(), moved, "moved to the " + what.board());
        return "redirect:/plans/" + id + "/pins";
    }
}
