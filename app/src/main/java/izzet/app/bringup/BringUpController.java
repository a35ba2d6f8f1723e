package izzet.app.bringup;

import izzet.app.plan.PlanStore;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.core.bringup.PowerUp;
import izzet.core.bringup.ScanResult;
import izzet.core.bringup.ScanText;
import izzet.core.bringup.Symptoms;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Segment;
import izzet.core.circuit.Unit;
import izzet.core.code.CodeTarget;
import izzet.core.code.ReadBack;
import izzet.core.kernel.BoardSide;
import izzet.core.plan.Bus;
import izzet.core.quantity.Hex;
import izzet.core.quantity.Listed;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The station of first light. */
@Controller
class BringUpController {

    private static final String A_SCAN =
            "This reads as the result of a scan: it is compared under 'The scan', where the place can be chosen.";

    private static final int MOST_SHOWN = 8;
    private static final int MOST_ANSWERS = 60;

    private final PlanFrames frames;
    private final PlanStore plans;

    BringUpController(PlanFrames frames, PlanStore plans) {
        this.frames = frames;
        this.plans = plans;
    }

    /** A place to scan, with what must answer there. */
    public record Place(int number, String name, String expected) {}

    /** @param address as 0x3C */
    public record Row(String address, String state, String names, List<String> causes) {}

    /** @param share in hundredths */
    public record LikelyView(Symptoms.Likely likely, int share, String yes, String no) {}

    /** @param share of the longest, from 0 to 100 */
    public record PhaseView(PowerUp.Phase phase, double from, double share) {}

    public record PowerView(PowerUp power, List<PhaseView> phases) {}

    @GetMapping("/plans/{id}/bring-up")
    String page(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String see,
            @RequestParam(defaultValue = "") String yes,
            @RequestParam(defaultValue = "") String no,
            @RequestParam(defaultValue = "0") int place,
            @RequestParam(defaultValue = "") String scan,
            Model model) {
        PlanFrame frame = frames.of(id, "bring-up");
        fill(frame, see, ids(yes), ids(no), model);
        if (!scan.isBlank()) {
            compare(frame, place, scan, model);
        }
        return "bringup/page";
    }

    /** Reads a scan; nothing is kept. */
    @PostMapping("/plans/{id}/bring-up/scan")
    String scan(@PathVariable long id, @RequestParam int place, @RequestParam String scan, Model model) {
        PlanFrame frame = frames.of(id, "bring-up");
        fill(frame, "", Set.of(), Set.of(), model);
        compare(frame, place, scan, model);
        return "bringup/page";
    }

    private static void compare(PlanFrame frame, int place, String scan, Model model) {
        model.addAttribute("scan", scan);
        List<Segment> segments = ScanResult.segments(frame.circuit());
        if (place < 0 || place >= segments.size()) {
            throw new IllegalArgumentException(
                    "The plan has " + segments.size() + " places to scan; choose one of the list.");
        }
        model.addAttribute("place", place);
        try {
            ScanText text = ScanText.of(scan);
            ScanResult result = ScanResult.of(frame.circuit(), frame.report(), segments.get(place), text);
            model.addAttribute("reading", text.reading());
            model.addAttribute("result", result);
            model.addAttribute(
                    "rows",
                    result.rows().stream()
                            .map(r -> new Row(Hex.of(r.address()), word(r.state()), r.names(), r.causes()))
                            .toList());
        } catch (IllegalArgumentException e) {
            model.addAttribute("scanFault", e.getMessage());
        }
    }

    /**
     * Constants from elsewhere, against the plan. The text is not kept.
     *
     * @param put row whose value of the plan goes into the text, or {@code all}
     * @param take row whose value goes into the plan, on the version that the page showed
     */
    @PostMapping("/plans/{id}/bring-up/read-back")
    String readBack(
            @PathVariable long id,
            @RequestParam String told,
            @RequestParam(defaultValue = "") String put,
            @RequestParam(defaultValue = "") String take,
            @RequestParam(defaultValue = "0") long version,
            Model model) {
        PlanFrame frame = frames.of(id, "bring-up");
        if (!take.isEmpty()) {
            ReadBack.Take taken = row(ReadBack.of(frame.circuit(), told), take).take();
            if (taken == null) {
                throw new IllegalArgumentException("The plan cannot take this value over; read the text again.");
            }
            plans.apply(id, version, taken.edit());
            frame = frames.of(id, "bring-up");
        }
        fill(frame, "", Set.of(), Set.of(), model);
        model.addAttribute("told", told);
        List<ReadBack.Row> rows;
        try {
            rows = ReadBack.of(frame.circuit(), told);
        } catch (IllegalArgumentException e) {
            model.addAttribute("readFault", scanned(frame, told, model) ? A_SCAN : e.getMessage());
            return "bringup/page";
        }
        if (!put.isEmpty()) {
            String text = ReadBack.corrected(told, put.equals("all") ? rows : List.of(row(rows, put)));
            rows = ReadBack.of(frame.circuit(), text);
            model.addAttribute("told", text);
        }
        model.addAttribute("read", rows);
        model.addAttribute(
                "puts", rows.stream().filter(r -> r.instead() != null).count());
        return "bringup/page";
    }

    /** Whether a text that has no constants is the result of a scan; it is compared where scans are. */
    private static boolean scanned(PlanFrame frame, String told, Model model) {
        if (ScanResult.segments(frame.circuit()).isEmpty()) {
            return false;
        }
        try {
            ScanText.of(told);
        } catch (IllegalArgumentException e) {
            return false;
        }
        compare(frame, 0, told, model);
        return true;
    }

    private static ReadBack.Row row(List<ReadBack.Row> rows, String number) {
        if (!number.matches("\\d{1,3}") || Integer.parseInt(number) >= rows.size()) {
            throw new IllegalArgumentException("The text has no such line; read it again.");
        }
        return rows.get(Integer.parseInt(number));
    }

    private static String word(ScanResult.State state) {
        return switch (state) {
            case THERE -> "there";
            case MISSING -> "missing";
            case EXTRA -> "not in the plan";
        };
    }

    private static Set<String> ids(String text) {
        return Arrays.stream(text.split(","))
                .filter(w -> w.matches("[a-z-]{1,40}"))
                .limit(MOST_ANSWERS)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private static void fill(PlanFrame frame, String see, Set<String> yes, Set<String> no, Model model) {
        Circuit circuit = frame.circuit();
        model.addAttribute("frame", frame);
        model.addAttribute("side", BoardSide.of(circuit));
        model.addAttribute("places", places(circuit));
        model.addAttribute("place", 0);
        model.addAttribute("scan", "");
        model.addAttribute("told", "");
        model.addAttribute("puts", 0);
        model.addAttribute("symptoms", Symptoms.all());
        model.addAttribute("see", see);
        model.addAttribute("symptomSource", Symptoms.source());
        Map<String, String> answers = new LinkedHashMap<>();
        yes.forEach(c -> answers.put(c, "yes"));
        no.forEach(c -> answers.put(c, "no"));
        model.addAttribute(
                "likely",
                Symptoms.of(circuit, frame.report(), see, answers).stream()
                        .limit(MOST_SHOWN)
                        .map(l -> new LikelyView(
                                l, (int) Math.round(l.share() * 100), with(yes, no, l.id()), with(no, yes, l.id())))
                        .toList());
        model.addAttribute("yes", String.join(",", yes));
        model.addAttribute("no", String.join(",", no));
        model.addAttribute("powers", powers(circuit));
        model.addAttribute(
                "programs",
                CodeTarget.all().stream()
                        .filter(t -> t.missing(circuit).isEmpty())
                        .toList());
    }

    /** One set of answers with a cause put in, or taken out where it was in. */
    private static String with(Set<String> in, Set<String> other, String cause) {
        Set<String> then = new LinkedHashSet<>(in);
        if (!then.remove(cause)) {
            then.add(cause);
        }
        return String.join(",", then);
    }

    private static List<Place> places(Circuit circuit) {
        List<Place> places = new ArrayList<>();
        for (Segment segment : ScanResult.segments(circuit)) {
            String bus = circuit.plan().bus(segment.bus()).map(Bus::name).orElse(segment.bus());
            String expected = ScanResult.expected(circuit, segment).entrySet().stream()
                    .map(e -> Hex.of(e.getKey()) + " "
                            + e.getValue().stream().map(Unit::name).collect(Listed.and()))
                    .collect(Collectors.joining(", "));
            places.add(new Place(places.size(), bus + ", " + segment.label(), expected));
        }
        return places;
    }

    private static List<PowerView> powers(Circuit circuit) {
        List<PowerUp> all = PowerUp.of(circuit);
        double longest = all.stream().mapToInt(PowerUp::readyMillis).max().orElse(1);
        return all.stream()
                .map(p -> new PowerView(
                        p,
                        p.phases().stream()
                                .map(x -> new PhaseView(
                                        x, 100 * x.fromMillis() / longest, Math.max(0.4, 100 * x.millis() / longest)))
                                .toList()))
                .toList();
    }
}
