package izzet.app.levels;

import izzet.app.catalog.Shelf;
import izzet.app.jobs.Job;
import izzet.app.jobs.Jobs;
import izzet.app.preference.Preferences;
import izzet.app.shell.AskedNumber;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.PartKind;
import izzet.core.catalog.Rail;
import izzet.core.check.Checker;
import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.PinCurrents;
import izzet.core.levels.Builds;
import izzet.core.levels.LevelMargin;
import izzet.core.levels.PowerFlow;
import izzet.core.levels.Variants;
import izzet.core.levels.WhatIf;
import izzet.core.plan.Target;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The station of levels and currents. */
@Controller
class LevelsController {

    private static final double MOST_PERCENT = 10;
    private static final double WHOLE_PERCENT = 100;
    private static final double USUAL_PERCENT = 5;
    private static final double LEAST_SHARE = 0.01;
    private static final int MOST_LINES = 12;
    private static final int MOST_VALUES = 8;
    private static final String AT = "at.";

    /** Of a small regulator without copper around it. From memory of the data sheets of such parts. */
    private static final double USUAL_KELVIN = 90;

    private static final Set<Trouble> OF_LEVELS = Set.of(Trouble.LEVEL_MISS, Trouble.OVER_VOLTAGE);

    private final PlanFrames frames;
    private final Preferences preferences;
    private final Shelf shelf;
    private final Checker checker;
    private final Jobs jobs;

    LevelsController(PlanFrames frames, Preferences preferences, Shelf shelf, Checker checker, Jobs jobs) {
        this.shelf = shelf;
        this.checker = checker;
        this.jobs = jobs;
        this.frames = frames;
        this.preferences = preferences;
    }

    /** @param percent that the rail is taken to be away from its nominal voltage */
    public record Slider(Rail rail, double percent) {
        public String words() {
            return Quantity.volts(rail.volts() * (1 + percent / 100)).toString();
        }

        public boolean moved() {
            return percent != 0;
        }
    }

    /**
     * Something that carries a current, against what it may.
     *
     * @param pin its id; null for what is none
     * @param unlimited whether a lamp without a resistor hangs on it: then only its own limit counts
     */
    public record Gauge(String pin, String what, double amperes, double limit, boolean unlimited) {
        /** Of its bar, from 0 to 100. */
        public double share() {
            return Math.min(100, 100 * amperes / limit);
        }

        public boolean over() {
            return amperes > limit * 1.0001;
        }

        public String figure() {
            return unlimited ? "no limit" : Quantity.amperes(amperes).toString();
        }

        public String words() {
            return unlimited
                    ? "nothing limits it to " + Quantity.amperes(limit)
                    : Quantity.amperes(amperes) + " of " + Quantity.amperes(limit);
        }
    }

    /** What simulated builds depend on. */
    private record Asked(long plan, long version, double supplies, double resistors, double others, Catalog catalog) {}

    /** How many of many builds keep every level, with supplies and resistors, and parts that have look-alikes, as they come. */
    @GetMapping("/plans/{id}/levels/builds")
    String builds(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String supply,
            @RequestParam(defaultValue = "") String resistor,
            @RequestParam(defaultValue = "") String other,
            Model model) {
        PlanFrame frame = frames.of(id, "levels");
        double others = AskedNumber.of(other, 0, 0, WHOLE_PERCENT);
        model.addAttribute("other", others);
        double supplies = AskedNumber.of(supply, USUAL_PERCENT, 0, MOST_PERCENT);
        double resistors = AskedNumber.of(resistor, USUAL_PERCENT, 0, 2 * MOST_PERCENT);
        model.addAttribute("frame", frame);
        model.addAttribute("supply", supplies);
        model.addAttribute("resistor", resistors);
        Job<Builds> job = jobs.of(
                id,
                new Asked(id, frame.stored().version(), supplies, resistors, others, shelf.catalog()),
                "Build the plan " + Builds.USUAL + " times",
                "/plans/" + id + "/levels/builds?supply=" + supplies + "&resistor=" + resistors + "&other=" + others,
                j -> Builds.of(frame.circuit(), supplies, resistors, variants(frame, others), Builds.USUAL, made -> {
                    j.say(made + " of " + Builds.USUAL + " built.");
                    return !j.stopped();
                }));
        if (!job.await(Jobs.PATIENCE)) {
            model.addAttribute("job", job);
            return "levels/builds";
        }
        Builds builds = job.result();
        model.addAttribute("builds", builds);
        model.addAttribute(
                "lines",
                builds.lines().stream()
                        .limit(MOST_LINES)
                        .map(l -> new BuildLine(
                                l.name(),
                                millis(l.nominal()),
                                millis(l.worst()),
                                l.lost() == 0 ? "never" : share(l.lost(), builds.count())))
                        .toList());
        model.addAttribute(
                "values",
                builds.values().stream()
                        .filter(v -> v.share() > LEAST_SHARE)
                        .limit(MOST_VALUES)
                        .map(v -> new BuildValue(
                                v.name(),
                                Math.round(100 * v.share()) + " %",
                                (v.voltsPerPercent() > 0 ? "+" : "") + millis(v.voltsPerPercent())))
                        .toList());
        model.addAttribute(
                "others",
                builds.others().stream()
                        .map(o -> new BuildOther(
                                o.part(),
                                o.with(),
                                o.trouble(),
                                o.came() + (o.came() == 1 ? " build" : " builds"),
                                o.came() == 0 ? "" : share(o.lost(), o.came())))
                        .toList());
        model.addAttribute(
                "missing",
                builds.missing().stream()
                        .map(m -> m.name()
                                + (m.read() < 0
                                        ? ""
                                        : ": read in " + share(m.read(), builds.count()) + " all the same"))
                        .toList());
        model.addAttribute("works", share(builds.working(), builds.count()));
        return "levels/builds";
    }

    /** Look-alikes make trouble where the check finds what it does not find in the plan. */
    private Variants variants(PlanFrame frame, double percent) {
        return new Variants(frame.circuit(), percent, circuit -> checker.check(circuit).findings().stream()
                .filter(f -> f.severity().mustBeMended())
                .filter(f -> frame.report().finding(f.id()).isEmpty())
                .map(Finding::sentence)
                .toList());
    }

    /** A part that may come otherwise, for people. */
    public record BuildOther(String part, String with, List<String> trouble, String came, String lost) {}

    /** A line of many builds, for people. */
    public record BuildLine(String name, String nominal, String worst, String lost) {}

    /** A value of many builds, for people. */
    public record BuildValue(String name, String share, String perPercent) {}

    private static String millis(double volts) {
        return Math.round(volts * 1000) + " mV";
    }

    private static String share(int some, int all) {
        return String.format(java.util.Locale.ROOT, "%.1f %%", 100.0 * some / Math.max(1, all));
    }

    @GetMapping("/plans/{id}/levels")
    String levels(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String line,
            @RequestParam(defaultValue = "") String show,
            @RequestParam(defaultValue = "") String of,
            @RequestParam Map<String, String> asked,
            Model model) {
        PlanFrame frame = frames.of(id, "levels");
        Map<String, Double> percent = new LinkedHashMap<>();
        List<Slider> sliders = WhatIf.rails(frame.circuit()).stream()
                .map(r -> new Slider(r, AskedNumber.of(asked.get(AT + r.id()), 0, -MOST_PERCENT, MOST_PERCENT)))
                .toList();
        sliders.forEach(s -> percent.put(s.rail().id(), s.percent()));
        boolean whatIf = sliders.stream().anyMatch(Slider::moved);
        Circuit circuit = whatIf ? WhatIf.supplies(frame.circuit(), percent) : frame.circuit();
        List<LevelMargin> all = LevelMargin.of(circuit);
        List<LevelMargin> margins = all.stream().filter(m -> shown(m, show)).toList();
        LevelMargin chosen = all.stream()
                .filter(m -> m.key().equals(line))
                .findFirst()
                .or(() -> all.stream().filter(m -> m.joins(of, circuit)).findFirst())
                .orElse(margins.isEmpty() ? null : margins.get(0));
        model.addAttribute("frame", frame);
        model.addAttribute("show", show);
        model.addAttribute("sliders", sliders);
        model.addAttribute("whatIf", whatIf);
        model.addAttribute("margins", margins);
        model.addAttribute("count", all.size());
        model.addAttribute("supplies", supplies(all));
        model.addAttribute("chosen", chosen);
        if (chosen != null) {
            model.addAttribute("picture", LevelPicture.of(chosen));
            model.addAttribute("pullUps", chosen.pullUps(circuit));
            model.addAttribute("otherWay", chosen.otherWay(all, circuit));
            model.addAttribute("findings", whatIf ? List.of() : about(frame, chosen));
        }
        List<PowerFlow.Stream> streams = PowerFlow.of(frame.circuit());
        double kelvin = AskedNumber.of(asked.get("kelvin"), USUAL_KELVIN, 10, 300);
        RiverPicture rivers = streams.isEmpty() ? null : RiverPicture.of(streams, kelvin);
        model.addAttribute("kelvin", Math.round(kelvin));
        model.addAttribute("rivers", rivers);
        List<Gauge> gauges = gauges(frame.circuit());
        model.addAttribute("gauges", gauges);
        model.addAttribute(
                "pins",
                PinPicture.of(
                                frame.circuit().board(),
                                gauges.stream()
                                        .filter(g -> g.pin() != null)
                                        .collect(Collectors.toMap(Gauge::pin, g -> g, (a, b) -> a)))
                        .orElse(null));
        model.addAttribute("cautions", cautions(frame.circuit()));
        BenchView.fill(model, frame.circuit(), preferences.drawer(), asked);
        return "levels/page";
    }

    private static boolean shown(LevelMargin margin, String show) {
        int colon = show.indexOf(':');
        String what = colon < 0 ? "" : show.substring(colon + 1);
        return switch (colon < 0 ? "" : show.substring(0, colon)) {
            case "part" -> margin.parts().contains(what);
            case "bus" -> what.equals(margin.bus());
            case "supply" -> supply(margin).equals(what);
            default -> true;
        };
    }

    private static String supply(LevelMargin margin) {
        return Quantity.volts(margin.reading().receiver().supply()).toString();
    }

    private static Set<String> supplies(List<LevelMargin> margins) {
        Set<String> supplies = new TreeSet<>();
        margins.forEach(m -> supplies.add(supply(m)));
        return supplies;
    }

    private static List<PlanFrame.FindingView> about(PlanFrame frame, LevelMargin margin) {
        if (margin.verdict() == LevelMargin.Verdict.FINE) {
            return List.of();
        }
        Target end = margin.reading().receiver().end();
        String kind = end.isPin() ? "pin" : "line";
        String id = end.isPin() ? end.name() : end.toString();
        return frame.findings().stream()
                .filter(f -> isAbout(f.finding(), kind, id))
                .toList();
    }

    private static boolean isAbout(Finding finding, String kind, String id) {
        return OF_LEVELS.contains(finding.trouble()) && finding.about(kind, id);
    }

    private static List<Gauge> gauges(Circuit circuit) {
        List<PinCurrents.Load> loads = PinCurrents.of(circuit);
        List<Gauge> gauges = new ArrayList<>();
        for (PinCurrents.Load load : loads) {
            if (load.output().maxMilliamps() != null) {
                Target end = load.output().end();
                String what = end.isPin()
                        ? "pin "
                                + circuit.board()
                                        .pin(end.name())
                                        .map(p -> p.label())
                                        .orElse(end.name())
                        : circuit.wire(end).map(w -> w.label()).orElse(end.toString());
                double max = Math.max(load.sourceAmperes(), load.sinkAmperes());
                gauges.add(new Gauge(
                        end.isPin() ? end.name() : null,
                        what,
                        max,
                        load.output().maxMilliamps() / 1000,
                        // One that its supply hardly lights is told by its figure.
                        max > load.output().maxMilliamps() / 1000 && bareLamp(circuit, load)));
            }
        }
        PinCurrents.sums(circuit, loads).stream()
                .filter(s -> s.amperes() > 0)
                .forEach(s -> gauges.add(new Gauge(null, s.what(), s.amperes(), s.limit(), false)));
        return gauges;
    }

    /** What the supplies of the plan ask for, each once. */
    private static List<String> cautions(Circuit circuit) {
        return circuit.units().stream()
                .filter(u -> u.part().kind() == PartKind.SUPPLY)
                .flatMap(u -> u.part().traps().stream().map(t -> u.part().shortName() + ": " + t.text()))
                .distinct()
                .toList();
    }

    private static boolean bareLamp(Circuit circuit, PinCurrents.Load load) {
        return circuit.lamps().stream()
                .anyMatch(l -> l.seriesOhms() < 1
                        && (l.lamp().a() == load.output().node()
                                || l.lamp().b() == load.output().node()));
    }
}
