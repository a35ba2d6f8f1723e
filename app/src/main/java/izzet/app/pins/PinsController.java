package izzet.app.pins;

import izzet.app.catalog.Shelf;
import izzet.app.drawing.AlonePicture;
import izzet.app.fault.NoSuchThing;
import izzet.app.plan.PlanStore;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.core.catalog.BusKind;
import izzet.core.check.Checker;
import izzet.core.check.Finding;
import izzet.core.check.Report;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Target;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** The station of the weave: the plan in it, filtered, folded, beside an older revision, as a picture; and what a move would bring. */
@Controller
class PinsController {

    private static final String ALL = "all";
    private static final int MOST_SENTENCES = 3;
    private static final int LATEST = 12;

    private final PlanFrames frames;
    private final PlanStore plans;
    private final Shelf shelf;
    private final Checker checker;
    private final AlonePicture alone;

    PinsController(PlanFrames frames, PlanStore plans, Shelf shelf, Checker checker, AlonePicture alone) {
        this.frames = frames;
        this.plans = plans;
        this.shelf = shelf;
        this.checker = checker;
        this.alone = alone;
    }

    /** A bus with the controllers that it can be on. */
    public record BusView(String id, String name, List<Weave.Option> controllers) {}

    /**
     * @param show {@code part:ID} or {@code bus:ID}; empty for every part
     * @param against number of a revision to compare with; empty for none
     * @param folded {@code all}, or ids of parts with commas between
     */
    @GetMapping("/plans/{id}/pins")
    String pins(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String show,
            @RequestParam(defaultValue = "") String against,
            @RequestParam(defaultValue = "") String folded,
            Model model) {
        PlanFrame frame = frames.of(id, "pins");
        Plan ghost = ghost(id, against);
        model.addAttribute("frame", frame);
        model.addAttribute(
                "weave", Weave.of(frame.circuit(), frame.report(), show(frame.circuit(), show, ghost, folded, true)));
        model.addAttribute("show", show);
        model.addAttribute("against", against);
        model.addAttribute("folded", folded);
        model.addAttribute("ghost", ghost);
        model.addAttribute("history", plans.history(id, LATEST));
        model.addAttribute("knots", knots(frame.circuit()));
        model.addAttribute("buses", buses(frame.circuit()));
        ResistorsView resistors = new ResistorsView(frame.circuit());
        model.addAttribute("resistors", resistors.fitted());
        model.addAttribute("ends", resistors.ends());
        model.addAttribute("rails", resistors.rails());
        return "pins/page";
    }

    private Plan ghost(long id, String against) {
        if (against.isBlank()) {
            return null;
        }
        try {
            return plans.revision(id, Integer.parseInt(against));
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("'" + against + "' is no number of a revision.");
        }
    }

    private static Weave.Show show(Circuit circuit, String show, Plan ghost, String folded, boolean movable) {
        Set<String> parts = Set.of();
        if (show.startsWith("part:")) {
            parts = Set.of(show.substring(5));
        } else if (show.startsWith("bus:")) {
            parts = circuit.units().stream()
                    .filter(u -> show.substring(4).equals(u.placed().bus()))
                    .map(Unit::id)
                    .collect(Collectors.toSet());
        }
        Set<String> ids = folded.equals(ALL)
                ? circuit.units().stream().map(Unit::id).collect(Collectors.toSet())
                : Set.of(folded.split(",", -1));
        return new Weave.Show(ghost, parts, ids, movable);
    }

    private static List<Weave.Option> knots(Circuit circuit) {
        return circuit.wires().stream()
                .filter(w -> w.to().filter(Target::isPin).isPresent())
                .map(w -> new Weave.Option(
                        w.from().toString(),
                        w.label() + " (" + w.to().orElseThrow().name() + ")",
                        false,
                        0))
                .toList();
    }

    private static List<BusView> buses(Circuit circuit) {
        List<BusView> buses = new ArrayList<>();
        for (Bus bus : circuit.plan().buses()) {
            List<Weave.Option> choice = new ArrayList<>();
            circuit.board()
                    .controllersOf(bus.kind())
                    .forEach(c -> choice.add(new Weave.Option(c.id(), c.name(), c.id().equals(bus.controller()), 0)));
            if (bus.kind() != BusKind.RGB) {
                choice.add(new Weave.Option("", "any pins, made by the program", bus.bitBanged(), 0));
            }
            buses.add(new BusView(bus.id(), bus.name(), choice));
        }
        return buses;
    }

    /**
     * What a move or a swap would bring, before it is made.
     *
     * @param stops more than now; negative when it takes some away
     * @param says sentences of stops and fixes that it would bring
     */
    public record Verdict(long stops, long fixes, List<String> says) {}

    @GetMapping("/plans/{id}/verdict")
    @ResponseBody
    Verdict verdict(
            @PathVariable long id,
            @RequestParam String from,
            @RequestParam(defaultValue = "") String to,
            @RequestParam(defaultValue = "") String with) {
        Plan plan = plans.get(id).plan();
        Target line = Target.of(from);
        PlanEdit edit = with.isEmpty()
                ? new PlanEdit.Connect(plan.connection(line)
                        .map(c -> c.withTo(Target.of(to)))
                        .orElseGet(() -> Connection.wire(line, Target.of(to))))
                : new PlanEdit.Swap(line, Target.of(with));
        Report before = report(plan);
        Report after = report(edit.apply(plan));
        List<String> says = after.findings().stream()
                .filter(f -> f.severity().mustBeMended())
                .filter(f -> before.finding(f.id()).isEmpty())
                .map(Finding::sentence)
                .limit(MOST_SENTENCES)
                .toList();
        return new Verdict(
                after.count(Severity.STOP) - before.count(Severity.STOP),
                after.count(Severity.FIX) - before.count(Severity.FIX),
                says);
    }

    private Report report(Plan plan) {
        return checker.check(new Circuit(plan, shelf.catalog()));
    }

    /** The weave as a picture that stands alone, with its styles in it. */
    @GetMapping("/plans/{id}/pins.svg")
    ResponseEntity<byte[]> picture(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String show,
            @RequestParam(defaultValue = "") String against,
            @RequestParam(defaultValue = "") String folded) {
        Plan plan = plans.get(id).plan();
        Circuit circuit = new Circuit(plan, shelf.catalog());
        Weave weave = Weave.of(circuit, checker.check(circuit), show(circuit, show, ghost(id, against), folded, false));
        if (weave.parts().isEmpty()) {
            throw new NoSuchThing("There is nothing to draw; the plan has no such part.");
        }
        String picture = alone.of(
                "pins/weave", "picture", Map.of("weave", weave, "label", plan.name()), weave.width(), weave.height());
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf("image/svg+xml"))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("pins-" + id + ".svg")
                                .build()
                                .toString())
                .body(picture.getBytes(StandardCharsets.UTF_8));
    }
}
