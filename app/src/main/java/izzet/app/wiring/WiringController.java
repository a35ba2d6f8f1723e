package izzet.app.wiring;

import izzet.app.drawing.HeaderDrawing;
import izzet.app.drawing.HeaderView;
import izzet.app.fault.NoSuchThing;
import izzet.app.fault.WrongField;
import izzet.app.news.PlanNews;
import izzet.app.plan.MeasurementStore;
import izzet.app.plan.PlanStore;
import izzet.app.plan.TickStore;
import izzet.app.preference.Preferences;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.app.store.MeasurementRow;
import izzet.core.catalog.Part;
import izzet.core.circuit.Circuit;
import izzet.core.export.Bill;
import izzet.core.export.Maker;
import izzet.core.plan.Target;
import izzet.core.wiring.Breadboard;
import izzet.core.wiring.MeterCheck;
import izzet.core.wiring.Rewiring;
import izzet.core.wiring.WireColours;
import izzet.core.wiring.WireUse;
import izzet.core.wiring.WiringList;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The station where the plan is wired: the whole list, one step at a time, and what to measure. */
@Controller
class WiringController {

    private static final int MOST_KEY = 300;
    private static final int LATEST = 50;

    private final PlanFrames frames;
    private final PlanStore plans;
    private final TickStore ticks;
    private final MeasurementStore measurements;
    private final Preferences preferences;
    private final PlanNews news;

    WiringController(
            PlanFrames frames,
            PlanStore plans,
            TickStore ticks,
            MeasurementStore measurements,
            Preferences preferences,
            PlanNews news) {
        this.frames = frames;
        this.plans = plans;
        this.ticks = ticks;
        this.measurements = measurements;
        this.preferences = preferences;
        this.news = news;
    }

    /** A check with what was measured at it; {@code verdict} null before that. */
    public record CheckView(MeterCheck check, String told, MeterCheck.Verdict verdict) {}

    @GetMapping("/plans/{id}/wiring")
    String wiring(@PathVariable long id, Model model) {
        PlanFrame frame = frames.of(id, "wiring");
        List<WiringList.Group> groups = WiringList.of(frame.circuit(), preferences.colours());
        Set<String> done = ticks.of(id);
        List<WiringList.Step> steps =
                groups.stream().flatMap(g -> g.steps().stream()).toList();
        model.addAttribute("frame", frame);
        model.addAttribute("groups", groups);
        model.addAttribute("checks", checks(frame.circuit(), id));
        model.addAttribute("done", done);
        model.addAttribute("steps", steps.size());
        model.addAttribute(
                "ticked", steps.stream().filter(s -> done.contains(s.key())).count());
        model.addAttribute(
                "next",
                steps.stream()
                        .filter(s -> !done.contains(s.key()))
                        .map(WiringList.Step::number)
                        .findFirst()
                        .orElse(1));
        breadboard(frame.circuit(), id, steps, model);
        Map<Boolean, List<Bill.Row>> bill =
                Bill.of(frame.circuit(), new Maker(preferences.colours(), preferences.drawer())).stream()
                        .collect(Collectors.partitioningBy(Bill.Row::atHand));
        model.addAttribute("shopping", bill.get(false));
        model.addAttribute("atHand", bill.get(true));
        model.addAttribute("first", preferences.first());
        model.addAttribute("firsts", Preferences.First.values());
        model.addAttribute("uses", WireUse.values());
        model.addAttribute("colours", preferences.colours());
        model.addAttribute("allColours", WireColours.COLOURS);
        return "wiring/page";
    }

    /** @param start row of the first leg; {@code free} where the layout chose it */
    public record LaidView(String id, String name, int start, boolean free) {}

    private void breadboard(Circuit circuit, long id, List<WiringList.Step> steps, Model model) {
        Optional<Preferences.BoardChoice> choice = preferences.breadboard(id);
        model.addAttribute(
                "boardRows", choice.map(Preferences.BoardChoice::rows).orElse(0));
        model.addAttribute("boardSizes", Breadboard.SIZES);
        model.addAttribute("holes", Map.of());
        choice.ifPresent(c -> {
            try {
                Breadboard board = Breadboard.of(circuit, c.rows(), c.starts());
                model.addAttribute("holes", board.holes());
                model.addAttribute("board", BreadboardPicture.of(board, steps));
                model.addAttribute("beside", board.beside());
                model.addAttribute(
                        "laid",
                        board.parts().stream()
                                .map(p -> new LaidView(
                                        p.unit().id(),
                                        p.unit().name(),
                                        p.legs().stream()
                                                .mapToInt(l -> l.hole().row())
                                                .min()
                                                .orElse(1),
                                        !c.starts().containsKey(p.unit().id())))
                                .toList());
            } catch (IllegalArgumentException e) {
                // The plan changed since: the part has more rows now.
                model.addAttribute("boardFault", e.getMessage());
            }
        });
    }

    /** Chooses a breadboard, 0 rows for none; a part's row by {@code at.PART}, empty for wherever there is room. */
    @PostMapping("/plans/{id}/wiring/breadboard")
    String chooseBreadboard(@PathVariable long id, @RequestParam int rows, @RequestParam Map<String, String> told) {
        Circuit circuit = frames.of(id, "wiring").circuit();
        if (rows == 0) {
            preferences.keepBreadboard(id, Optional.empty());
            return "redirect:/plans/" + id + "/wiring#breadboard";
        }
        Map<String, Integer> starts = new LinkedHashMap<>();
        circuit.units().forEach(u -> {
            String row = told.getOrDefault("at." + u.id(), "").strip();
            if (row.matches("\\d{1,2}")) {
                starts.put(u.id(), Integer.valueOf(row));
            } else if (!row.isEmpty()) {
                throw new WrongField(
                        "at." + u.id(), u.name() + ": '" + row + "' is no row; write a number such as 12.");
            }
        });
        Preferences.BoardChoice choice = new Preferences.BoardChoice(rows, starts);
        try {
            Breadboard.of(circuit, rows, starts);
        } catch (IllegalArgumentException e) {
            throw new WrongField("rows", e.getMessage());
        }
        preferences.keepBreadboard(id, Optional.of(choice));
        return "redirect:/plans/" + id + "/wiring#breadboard";
    }

    private Map<MeterCheck.When, List<CheckView>> checks(Circuit circuit, long id) {
        Map<String, MeasurementRow> measured = measurements.of(id);
        Map<MeterCheck.When, List<CheckView>> views = new LinkedHashMap<>();
        for (MeterCheck check : MeterCheck.of(circuit)) {
            MeasurementRow row = measured.get(check.key());
            views.computeIfAbsent(check.when(), w -> new ArrayList<>())
                    .add(new CheckView(
                            check, row == null ? "" : row.told(), row == null ? null : check.judge(row.measured())));
        }
        return views;
    }

    /**
     * One step on a screen.
     *
     * @param turn quarters to the right of the board's header
     * @param under whether the board is seen from its underside
     */
    @GetMapping("/plans/{id}/wiring/steps/{number}")
    String step(
            @PathVariable long id,
            @PathVariable int number,
            @RequestParam(defaultValue = "0") int turn,
            @RequestParam(defaultValue = "false") boolean under,
            Model model) {
        PlanFrame frame = frames.of(id, "wiring");
        List<WiringList.Step> steps = WiringList.steps(frame.circuit(), preferences.colours());
        if (number < 1 || number > steps.size()) {
            throw new NoSuchThing("The plan has " + steps.size() + " steps; there is no step " + number + ".");
        }
        WiringList.Step step = steps.get(number - 1);
        int quarters = Math.floorMod(turn, 4);
        model.addAttribute("frame", frame);
        model.addAttribute("step", step);
        model.addAttribute("steps", steps.size());
        model.addAttribute("done", ticks.of(id).contains(step.key()));
        model.addAttribute("first", preferences.first());
        model.addAttribute("turn", quarters);
        model.addAttribute("under", under);
        List<HeaderView> headers = new ArrayList<>();
        if (step.wire()) {
            for (WiringList.End end : List.of(step.from(), step.to())) {
                header(frame.circuit(), end, quarters, under).ifPresent(headers::add);
            }
        }
        breadboard(frame.circuit(), id, steps, model);
        model.addAttribute("headers", headers);
        model.addAttribute("turns", step.wire() && (isPin(step.from()) || isPin(step.to())));
        model.addAttribute("traps", traps(frame.circuit(), step));
        return "wiring/step";
    }

    private static boolean isPin(WiringList.End end) {
        return end.at() != null && end.at().isPin();
    }

    private static Optional<HeaderView> header(Circuit circuit, WiringList.End end, int quarters, boolean under) {
        if (end.at() == null || end.at().isRail()) {
            return Optional.empty();
        }
        if (end.at().isPin()) {
            var pin = circuit.board().pin(end.at().name()).orElseThrow();
            return Optional.of(HeaderView.of(
                    circuit.board().name(),
                    HeaderDrawing.of(circuit.board()),
                    pin.position(),
                    pin.label(),
                    quarters,
                    under));
        }
        return circuit.wire(end.at())
                .filter(w -> w.line().header() != null)
                .map(w -> HeaderView.of(
                        w.unit().name(),
                        HeaderDrawing.of(w.unit().part()),
                        String.valueOf(w.line().header()),
                        null,
                        0,
                        false));
    }

    /** What its parts are known for, where supply or ground is wired: then the order of their header matters most. */
    private static List<String> traps(Circuit circuit, WiringList.Step step) {
        if (!step.wire()) {
            return List.of();
        }
        List<String> traps = new ArrayList<>();
        for (WiringList.End end : List.of(step.from(), step.to())) {
            Target at = end.at();
            if (at != null && at.isLine()) {
                circuit.wire(at)
                        .filter(w -> w.role().power())
                        .map(w -> w.unit().part())
                        .filter(p -> p.kin().containsKey("other-header"))
                        .map(Part::name)
                        .ifPresent(n -> traps.add(
                                "Sold with supply and ground in the other order, too: read the print on yours."));
            }
        }
        return traps;
    }

    @PostMapping("/plans/{id}/wiring/ticks")
    String tick(
            @PathVariable long id,
            @RequestParam String key,
            @RequestParam(defaultValue = "false") boolean done,
            @RequestParam(defaultValue = "0") int next,
            @RequestParam(defaultValue = "0") int turn,
            @RequestParam(defaultValue = "false") boolean under) {
        if (key.length() > 200) {
            throw new IllegalArgumentException("A step's key has 200 characters at most.");
        }
        ticks.set(plans.get(id).id(), key, done);
        news.ticked(id, key);
        return "redirect:/plans/" + id + "/wiring"
                + (next > 0 ? "/steps/" + next + "?turn=" + Math.floorMod(turn, 4) + "&under=" + under : "");
    }

    /** A value at one of the checks; an empty one forgets it. */
    @PostMapping("/plans/{id}/wiring/measured")
    String measured(@PathVariable long id, @RequestParam String key, @RequestParam String told) {
        if (key.length() > MOST_KEY) {
            throw new IllegalArgumentException("A check's key has " + MOST_KEY + " characters at most.");
        }
        Circuit circuit = frames.of(id, "wiring").circuit();
        MeterCheck check = MeterCheck.of(circuit).stream()
                .filter(c -> c.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new NoSuchThing("The plan has no such check any more; load the page again."));
        measurements.keep(id, check, told);
        news.ticked(id, key);
        return "redirect:/plans/" + id + "/wiring#measure";
    }

    /**
     * What to change on the bench between two revisions.
     *
     * @param since number of the one that is wired; the one before the present one where there is none
     * @param until number of the one that is wanted; the present one where there is none
     */
    @GetMapping("/plans/{id}/wiring/changes")
    String changes(
            @PathVariable long id,
            @RequestParam(required = false) Integer since,
            @RequestParam(required = false) Integer until,
            Model model) {
        PlanFrame frame = frames.of(id, "wiring");
        int present = frame.stored().number();
        int to = until == null ? present : until;
        List<PlanStore.Change> history = plans.history(id, LATEST);
        int from = since != null
                ? since
                : history.stream()
                        .map(PlanStore.Change::number)
                        .filter(n -> n < to)
                        .findFirst()
                        .orElse(to);
        Circuit after = to == present ? frame.circuit() : revision(frame, to);
        model.addAttribute("frame", frame);
        model.addAttribute("history", within(history, id, from, to));
        model.addAttribute("since", from);
        model.addAttribute("until", to);
        model.addAttribute("changes", Rewiring.between(revision(frame, from), after, preferences.colours()));
        return "wiring/changes";
    }

    private Circuit revision(PlanFrame frame, int number) {
        return new Circuit(plans.revision(frame.id(), number), frame.circuit().catalog());
    }

    /** The latest revisions, and those asked for where they are older. */
    private List<PlanStore.Change> within(List<PlanStore.Change> history, long id, int... asked) {
        List<PlanStore.Change> all = new ArrayList<>(history);
        for (int number : asked) {
            if (all.stream().noneMatch(c -> c.number() == number)) {
                all.addAll(plans.history(id, number + 1, 1));
            }
        }
        return all;
    }
}
