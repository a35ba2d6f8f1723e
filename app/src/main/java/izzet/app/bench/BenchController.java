package izzet.app.bench;

import izzet.app.drawing.Pictures;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.core.bench.BusScan;
import izzet.core.bench.Desk;
import izzet.core.bench.DeskRun;
import izzet.core.bench.Faults;
import izzet.core.bench.Hands;
import izzet.core.bench.Harm;
import izzet.core.bench.Meter;
import izzet.core.bench.PinRecord;
import izzet.core.bench.Practice;
import izzet.core.bench.TypedProgram;
import izzet.core.bringup.ScanResult;
import izzet.core.catalog.Pin;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Segment;
import izzet.core.circuit.Wire;
import izzet.core.display.Glass;
import izzet.core.plan.Target;
import izzet.core.quantity.Counts;
import izzet.core.quantity.Quantity;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** A simulated bench for a plan: its program runs over wires that may be wrong, and instruments look at them. */
@Controller
class BenchController {

    private static final int SMALL = 200;

    private final PlanFrames frames;
    private final BenchDesks desks;

    BenchController(PlanFrames frames, BenchDesks desks) {
        this.frames = frames;
        this.desks = desks;
    }

    /**
     * @param floating what floats at it, in words
     * @param png of pixels, as base64; null for a glass of characters, and where nothing is shown
     */
    public record GlassView(
            String name,
            String why,
            String floating,
            boolean blank,
            List<String> lines,
            int columns,
            int rows,
            String png) {}

    /**
     * What answers on a bus.
     *
     * @param text as Bring-up reads it
     * @param place of the bus among those that Bring-up compares; -1 where nobody is expected
     */
    public record ScanView(String bus, String words, String text, int place) {}

    /** What was measured at a check. */
    public record CheckView(String where, String value, String expected, boolean fine, String words) {}

    @GetMapping("/plans/{id}/bench")
    String page(
            @PathVariable long id,
            BenchDesks.Asked told,
            @RequestParam MultiValueMap<String, String> all,
            Model model) {
        BenchDesks.Asked asked = told.with(all);
        PlanFrame frame = frames.of(id, "bench");
        Circuit planned = frame.circuit();
        Practice.Task task = desks.task(planned, asked);
        Desk desk = desks.desk(planned, asked);
        model.addAttribute("frame", frame);
        model.addAttribute("tasks", asked.story() == null ? desks.tasks(planned) : List.of());
        model.addAttribute("story", asked.story() == null ? null : desks.story(asked.story()));
        model.addAttribute("stories", desks.stories().all().size());
        model.addAttribute("task", task);
        model.addAttribute("steps", asked.stepsDone());
        List<String> harm = task == null ? List.of() : Harm.of(desk);
        model.addAttribute("hurt", asked.hurtDone() + (!harm.isEmpty() && asked.powered() ? 1 : 0));
        model.addAttribute("harm", harm);
        model.addAttribute("meter", asked.meter());
        model.addAttribute("look", asked.look() == null ? "" : asked.look());
        model.addAttribute(
                "glasses",
                run(desk, asked.program(), model).stream()
                        .map(s -> view(s, task == null))
                        .toList());
        model.addAttribute("hands", Hands.of(desk));
        model.addAttribute("faults", BenchDesks.choices(planned));
        model.addAttribute("put", BenchDesks.put(planned, asked.fault()));
        model.addAttribute("places", places(planned));
        model.addAttribute("pins", BenchDesks.pins(planned));
        model.addAttribute("red", asked.red());
        model.addAttribute(
                "black",
                asked.black() == null
                        ? Target.rail(planned.board().ground().id()).toString()
                        : asked.black());
        boolean open = task == null;
        if (open || "scan".equals(asked.look())) {
            model.addAttribute("scan", scans(desk));
        }
        if (open || "checks".equals(asked.look())) {
            model.addAttribute(
                    "checks",
                    new Meter(desk).checks().stream().map(BenchController::view).toList());
        }
        if (asked.red() != null && asked.black() != null && !asked.red().isBlank()) {
            measure(desk, asked, model);
        }
        if (task != null && "hint".equals(asked.look())) {
            model.addAttribute("hint", task.fault().hint());
        }
        List<String> spent =
                task == null || asked.guess() == null ? List.of() : guess(planned, task, asked.guess(), model);
        model.addAttribute("spent", asked.spentDone() + spent.size());
        return "bench/page";
    }

    private static List<ScanView> scans(Desk desk) {
        List<Segment> segments = ScanResult.segments(desk.planned());
        return BusScan.of(desk).entrySet().stream()
                .map(s -> {
                    int place = IntStream.range(0, segments.size())
                            .filter(i -> segments.get(i).trunk())
                            .filter(i -> desk.planned()
                                    .plan()
                                    .bus(segments.get(i).bus())
                                    .filter(b -> b.name().equals(s.getKey()))
                                    .isPresent())
                            .findFirst()
                            .orElse(-1);
                    boolean nobody = s.getValue().isEmpty();
                    return new ScanView(
                            s.getKey(),
                            nobody ? "nobody answers" : BusScan.text(s.getValue()),
                            nobody ? "none" : BusScan.text(s.getValue()),
                            place);
                })
                .toList();
    }

    /** What is typed runs, else the bring-up program; so it does beside a typed one that cannot be read. */
    private static List<DeskRun.Shown> run(Desk desk, String program, Model model) {
        model.addAttribute("program", program);
        if (program == null || program.isBlank()) {
            return DeskRun.of(desk);
        }
        try {
            TypedProgram typed = TypedProgram.of(desk.programmed(), BenchDesks.bounded(program));
            DeskRun.Result result = DeskRun.of(desk, new PinRecord(List.of(), 1), typed);
            model.addAttribute("told", result.told());
            return result.shown();
        } catch (IllegalArgumentException e) {
            model.addAttribute("wrong", e.getMessage());
            return DeskRun.of(desk);
        }
    }

    /** @return parts that go into the mend of a guess; into one that was wrong for nothing */
    private static List<String> guess(Circuit planned, Practice.Task task, String guess, Model model) {
        boolean given = guess.equals("show");
        boolean right = guess.equals(BenchDesks.told(task.fault(), task.place()));
        model.addAttribute("guess", guess);
        model.addAttribute("right", right);
        List<String> spent = Faults.of(planned).stream()
                .filter(f -> guess.startsWith(f.id() + "@"))
                .findFirst()
                .map(f -> f.mend().spent())
                .orElse(List.of());
        model.addAttribute("parts", Counts.together(spent));
        if (right || given) {
            model.addAttribute("mended", task.fault().mend().words());
            model.addAttribute(
                    "answer", task.fault().name() + ", " + task.place().words());
            model.addAttribute("explained", task.fault().explained());
        }
        return spent;
    }

    /** Ends of wires that a probe can stand on. */
    private static Map<String, String> places(Circuit planned) {
        Map<String, String> places = new LinkedHashMap<>();
        planned.board().rails().stream()
                .filter(r -> planned.netOf(Target.rail(r.id())).isPresent())
                .forEach(r -> places.put(Target.rail(r.id()).toString(), r.label() + " row"));
        for (Pin pin : planned.board().pins()) {
            if (planned.netOf(Target.pin(pin.id())).isPresent()) {
                places.put(Target.pin(pin.id()).toString(), "pin " + pin.label());
            }
        }
        for (Wire wire : planned.wires()) {
            if (wire.connected()) {
                places.put(wire.from().toString(), wire.label());
            }
        }
        return places;
    }

    private static void measure(Desk desk, BenchDesks.Asked asked, Model model) {
        Target red = Target.of(asked.red());
        Target black = Target.of(asked.black());
        Meter meter = new Meter(desk);
        double ohms = meter.ohms(red, black);
        Double one = meter.volts(red).orElse(null);
        Double other = meter.volts(black).orElse(null);
        model.addAttribute(
                "ohms",
                Double.isInfinite(ohms)
                        ? "OL: nothing joins them"
                        : ohms < 1 ? "beeps" : Quantity.ohms(Math.round(ohms)).toString());
        model.addAttribute(
                "volts",
                one == null || other == null
                        ? "wanders: nothing holds "
                                + (one == null ? "the red probe's place" : "the black probe's place")
                        : Quantity.volts(Math.round((one - other) * 1000) / 1000.0)
                                .toString());
    }

    private static CheckView view(Meter.Measured m) {
        boolean volts = m.check().unit() == izzet.core.quantity.Unit.VOLT;
        String value = Double.isInfinite(m.value())
                ? "OL"
                : volts
                        ? Quantity.volts(Math.round(m.value() * 1000) / 1000.0).toString()
                        : m.value() < 1
                                ? "beeps"
                                : Quantity.ohms(Math.round(m.value())).toString();
        return new CheckView(
                m.check().where(),
                value,
                m.check().expected(),
                m.verdict().fine(),
                m.verdict().words());
    }

    /** @param tells whether the reason is told, which somebody who searches must find */
    private static GlassView view(DeskRun.Shown shown, boolean tells) {
        Glass glass = shown.glass();
        String why = tells ? shown.why() : "";
        String floating = tells && !shown.floating().isEmpty()
                ? String.join(", ", shown.floating()) + (shown.floating().size() == 1 ? " floats" : " float")
                        + ": what it shows is chance."
                : "";
        if (glass == null || !shown.why().isEmpty()) {
            return new GlassView(shown.unit().name(), why, floating, true, null, 0, 0, null);
        }
        if (glass instanceof Glass.Text t) {
            List<String> lines = t.lines().stream()
                    .map(l -> l.replaceAll("[\\x00-\\x1F]", "?"))
                    .toList();
            return new GlassView(
                    shown.unit().name(), why, floating, shown.blank(), lines, glass.columns(), glass.rows(), null);
        }
        try {
            byte[] png = Pictures.png(((Glass.Pixels) glass).seen(), glass.columns() < SMALL ? 2 : 1);
            return new GlassView(
                    shown.unit().name(),
                    why,
                    floating,
                    shown.blank(),
                    null,
                    glass.columns(),
                    glass.rows(),
                    "data:image/png;base64," + Base64.getEncoder().encodeToString(png));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
