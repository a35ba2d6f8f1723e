package izzet.app.bench;

import izzet.app.drawing.Pictures;
import izzet.app.fault.NoSuchThing;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.app.traffic.RecordStore;
import izzet.core.bench.BusScan;
import izzet.core.bench.Desk;
import izzet.core.bench.DeskRun;
import izzet.core.bench.Fault;
import izzet.core.bench.Faults;
import izzet.core.bench.Meter;
import izzet.core.bench.PinRecord;
import izzet.core.bench.Practice;
import izzet.core.catalog.Pin;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Net;
import izzet.core.circuit.Wire;
import izzet.core.display.Glass;
import izzet.core.plan.Plan;
import izzet.core.plan.Target;
import izzet.core.quantity.Quantity;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** A simulated bench for a plan: its program runs over wires that may be wrong, and instruments look at them. */
@Controller
class BenchController {

    private static final int MOST_FAULTS = 4;
    private static final long MOST_RATE = 50_000_000;
    private static final long NANOS = 1_000_000_000;
    private static final int SMALL = 200;

    private static final int MOST_KEPT = 20;

    private final PlanFrames frames;
    private final RecordStore records;

    /** Tasks by plan: making them runs the program on many desks. */
    private final Map<Plan, List<Practice.Task>> made =
            Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
                @Override
                protected boolean removeEldestEntry(Map.Entry<Plan, List<Practice.Task>> eldest) {
                    return size() > MOST_KEPT;
                }
            });

    BenchController(PlanFrames frames, RecordStore records) {
        this.frames = frames;
        this.records = records;
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

    /** @param told as {@code fault@place} */
    public record FaultView(String told, String name, String place) {}

    /** What was measured at a check. */
    public record CheckView(String where, String value, String expected, boolean fine, String words) {}

    /** What somebody asks of the bench; each may be null. */
    public record Asked(
            List<String> fault, Integer task, String look, Integer steps, String guess, String red, String black) {

        /** A fault has commas, at which a list would be parted. */
        Asked with(MultiValueMap<String, String> all) {
            return new Asked(all.get("fault"), task, look, steps, guess, red, black);
        }

        int stepsDone() {
            return steps == null ? 0 : Math.max(0, Math.min(999, steps));
        }
    }

    @GetMapping("/plans/{id}/bench")
    String page(@PathVariable long id, Asked told, @RequestParam MultiValueMap<String, String> all, Model model) {
        Asked asked = told.with(all);
        PlanFrame frame = frames.of(id, "bench");
        Circuit planned = frame.circuit();
        List<Practice.Task> tasks = tasks(planned);
        Practice.Task task = asked.task() == null ? null : task(tasks, asked.task());
        Desk desk = task != null ? task.desk(planned) : desk(planned, asked.fault());
        model.addAttribute("frame", frame);
        model.addAttribute("tasks", tasks);
        model.addAttribute("task", task);
        model.addAttribute("steps", asked.stepsDone());
        model.addAttribute("look", asked.look() == null ? "" : asked.look());
        model.addAttribute(
                "glasses",
                DeskRun.of(desk).stream().map(s -> view(s, task == null)).toList());
        model.addAttribute("faults", choices(planned));
        model.addAttribute("put", put(planned, asked.fault()));
        model.addAttribute("places", places(planned));
        model.addAttribute("pins", pins(planned));
        model.addAttribute("red", asked.red());
        model.addAttribute(
                "black",
                asked.black() == null
                        ? Target.rail(planned.board().ground().id()).toString()
                        : asked.black());
        boolean open = task == null;
        if (open || "scan".equals(asked.look())) {
            Map<String, String> scan = new LinkedHashMap<>();
            BusScan.of(desk)
                    .forEach((bus, there) -> scan.put(bus, there.isEmpty() ? "nobody answers" : BusScan.text(there)));
            model.addAttribute("scan", scan);
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
        if (task != null && asked.guess() != null && !asked.guess().isBlank()) {
            guess(task, asked, model);
        }
        return "bench/page";
    }

    private List<Practice.Task> tasks(Circuit planned) {
        List<Practice.Task> known = made.get(planned.plan());
        if (known == null) {
            known = Practice.of(planned);
            made.put(planned.plan(), known);
        }
        return known;
    }

    private static Practice.Task task(List<Practice.Task> tasks, int number) {
        return tasks.stream()
                .filter(t -> t.number() == number)
                .findFirst()
                .orElseThrow(() -> new NoSuchThing("This plan has tasks from 1 to " + tasks.size() + "."));
    }

    private static Desk desk(Circuit planned, List<String> faults) {
        Desk desk = Desk.of(planned);
        if (faults != null) {
            if (faults.size() > MOST_FAULTS) {
                throw new IllegalArgumentException("Up to " + MOST_FAULTS + " faults lie on the desk at once.");
            }
            for (String told : faults) {
                if (!told.isBlank()) {
                    desk = Faults.put(desk, told);
                }
            }
        }
        return desk;
    }

    private static void guess(Practice.Task task, Asked asked, Model model) {
        boolean given = asked.guess().equals("show");
        boolean right = asked.guess().equals(told(task.fault(), task.place()));
        model.addAttribute("guess", asked.guess());
        model.addAttribute("right", right);
        if (right || given) {
            model.addAttribute(
                    "answer", task.fault().name() + ", " + task.place().words());
            model.addAttribute("explained", task.fault().explained());
        }
    }

    private static String told(Fault fault, Fault.Place place) {
        return fault.id() + "@" + place.key();
    }

    private static List<FaultView> choices(Circuit planned) {
        List<FaultView> all = new ArrayList<>();
        for (Fault fault : Faults.of(planned)) {
            fault.places(planned).forEach(p -> all.add(new FaultView(told(fault, p), fault.name(), p.words())));
        }
        return all;
    }

    private static List<FaultView> put(Circuit planned, List<String> faults) {
        return faults == null
                ? List.of()
                : choices(planned).stream()
                        .filter(c -> faults.contains(c.told()))
                        .toList();
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

    private static Set<String> pins(Circuit planned) {
        return planned.nets().stream()
                .map(Net::pins)
                .flatMap(List::stream)
                .map(Pin::label)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private static void measure(Desk desk, Asked asked, Model model) {
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

    /** The capture device listens while the program runs; its record goes where all records go. */
    @PostMapping("/plans/{id}/bench/record")
    String record(
            @PathVariable long id,
            @RequestParam(required = false) List<String> pin,
            @RequestParam(defaultValue = "4") double rate,
            Asked told,
            @RequestParam MultiValueMap<String, String> all)
            throws IOException {
        Asked asked = told.with(all);
        Circuit planned = frames.of(id, "bench").circuit();
        Set<String> known = pins(planned);
        List<String> pins =
                pin == null ? List.of() : pin.stream().filter(known::contains).toList();
        if (pins.isEmpty() || pins.size() > 16) {
            throw new IllegalArgumentException("Clip the capture device to 1 to 16 of the pins in use.");
        }
        if (!(rate > 0 && rate * 1e6 <= MOST_RATE)) {
            throw new IllegalArgumentException("The rate lies above 0 and up to 50 million samples a second.");
        }
        Desk desk = asked.task() == null
                ? desk(planned, asked.fault())
                : task(tasks(planned), asked.task()).desk(planned);
        PinRecord record = new PinRecord(pins, Math.max(1, Math.round(NANOS / (rate * 1e6))));
        DeskRun.of(desk, record);
        String name = asked.task() == null ? "bench.vcd" : "bench, task " + asked.task() + ".vcd";
        byte[] bytes = record.text().getBytes(StandardCharsets.US_ASCII);
        return "redirect:/plans/" + id + "/traffic/" + records.upload(id, name, new ByteArrayInputStream(bytes));
    }
}
