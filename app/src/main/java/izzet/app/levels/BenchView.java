package izzet.app.levels;

import izzet.app.shell.AskedNumber;
import izzet.core.calc.ColourBand;
import izzet.core.calc.Drawer;
import izzet.core.calc.PreferredValues;
import izzet.core.calc.RunTime;
import izzet.core.calc.SeriesResistor;
import izzet.core.catalog.Rail;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Contrast;
import izzet.core.levels.CellBench;
import izzet.core.levels.LampBench;
import izzet.core.levels.PullBench;
import izzet.core.plan.Target;
import izzet.core.quantity.Quantity;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.ui.Model;

/** Resistors of a plan worked out in place, and how long its cells last. */
final class BenchView {

    private BenchView() {}

    /**
     * A resistor with its rings.
     *
     * @param rings colours in order; empty where they cannot tell the value
     */
    public record Ringed(String ohms, double value, List<ColourBand> rings) {
        static Ringed of(double ohms, PreferredValues series) {
            return new Ringed(
                    Quantity.ohms(ohms).toString(),
                    ohms,
                    ColourBand.of(ohms, series.digits(), series.tolerancePercent())
                            .orElse(List.of()));
        }

        public String spoken() {
            return ColourBand.spoken(rings);
        }
    }

    /**
     * A lamp of the plan.
     *
     * @param now what flows now, with which resistor
     * @param wanted null where no resistor is needed for this brightness
     * @param flows with it
     * @param pick out of the drawer; null where nothing of it will do
     * @param dial what a potentiometer in its way does; empty without one
     */
    public record LampRow(
            String name,
            Target from,
            String drive,
            String now,
            boolean bad,
            String share,
            Ringed wanted,
            String exact,
            String flows,
            String heat,
            Drawer.Pick pick,
            String pickFlows,
            String dial,
            String aimed) {}

    /** @param points of a curve over the turn, in a picture of 220 by 90; empty where nothing turns */
    public record ContrastRow(
            String name,
            String volts,
            String points,
            double readableTop,
            double readableHeight,
            boolean readable,
            String share) {}

    /** @param stops parts that stop before the cells are empty, in words */
    public record CellRow(String name, String capacity, String average, String hours, List<String> stops) {}

    static void fill(Model model, Circuit circuit, Drawer drawer, Map<String, String> asked) {
        PreferredValues series = series(asked.get("series"));
        double bright = AskedNumber.of(asked.get("bright"), 100, 5, 100);
        double lit = AskedNumber.of(asked.get("lit"), 100, 0, 100);
        double dimmed = Math.min(100 - lit, AskedNumber.of(asked.get("dimmed"), 0, 0, 100));
        double dimTo = AskedNumber.of(asked.get("dimTo"), 30, 0, 100);
        double asleep = AskedNumber.of(asked.get("asleep"), 0.1, 0, 1000);
        model.addAttribute("series", series);
        model.addAttribute("allSeries", PreferredValues.values());
        model.addAttribute("bright", bright);
        model.addAttribute("lit", plain(lit));
        model.addAttribute("dimmed", plain(dimmed));
        model.addAttribute("dimTo", plain(dimTo));
        model.addAttribute("asleep", plain(asleep));
        model.addAttribute("drawer", drawer);
        model.addAttribute(
                "lamps",
                LampBench.of(circuit).stream()
                        .map(l -> row(l, bright / 100, series, drawer))
                        .toList());
        model.addAttribute(
                "contrasts", Contrast.of(circuit).stream().map(BenchView::row).toList());
        model.addAttribute(
                "pulls",
                PullBench.of(circuit).stream().map(p -> row(p, circuit, series)).toList());
        model.addAttribute("pullSource", PullBench.SOURCE);
        model.addAttribute(
                "cells",
                CellBench.of(circuit).stream()
                        .map(c -> row(c, lit / 100, dimmed / 100, dimTo / 100, asleep))
                        .toList());
    }

    private static PreferredValues series(String text) {
        for (PreferredValues series : PreferredValues.values()) {
            if (series.name().equals(text)) {
                return series;
            }
        }
        return PreferredValues.E12;
    }

    private static String plain(double value) {
        return Quantity.count(value).toString();
    }

    private static LampRow row(LampBench lamp, double share, PreferredValues series, Drawer drawer) {
        Optional<SeriesResistor> wanted = lamp.wanted(share, series);
        Optional<Drawer.Pick> pick = wanted.flatMap(w -> drawer.pick(w.exactOhms(), w.exactOhms(), Double.MAX_VALUE));
        boolean none = lamp.fittedOhms() == null && lamp.otherOhms() == 0;
        return new LampRow(
                lamp.lit().line().label(),
                lamp.wire().from(),
                Quantity.volts(lamp.lit().openVolts()) + " drive it, it drops "
                        + Quantity.volts(lamp.lit().lamp().data().forwardVolts()) + " at "
                        + Quantity.amperes(lamp.ratedAmperes()),
                none
                        ? "no resistor"
                        : Quantity.amperes(lamp.lit().amperes()) + " through "
                                + Quantity.ohms(Math.round(lamp.lit().seriesOhms() * 10) / 10.0),
                none || lamp.lit().amperes() > lamp.limitAmperes() * 1.005,
                none ? "" : Math.round(100 * lamp.share()) + " % of full light",
                wanted.map(w -> Ringed.of(w.ohms(), series)).orElse(null),
                wanted.map(w -> Quantity.ohms(w.exactOhms()).toString()).orElse(""),
                wanted.map(w -> Quantity.amperes(w.amperes()).toString()).orElse(""),
                wanted.map(w -> Quantity.watts(w.watts()).toString()).orElse(""),
                pick.orElse(null),
                pick.map(p -> Quantity.amperes(lamp.amperesWith(p.ohms())).toString())
                        .orElse(""),
                dial(lamp),
                Math.round(share * 100) + " % of full light");
    }

    private static String dial(LampBench lamp) {
        if (!lamp.dialled()) {
            return "";
        }
        double least = lamp.lit().dimmedAmperes();
        return "Its dial: from " + Quantity.amperes(least) + ", "
                + Math.round(100 * least / lamp.ratedAmperes()) + " % of full light, to "
                + Quantity.amperes(lamp.lit().amperes()) + ".";
    }

    /**
     * A pull-up or pull-down of a button.
     *
     * @param put ohms to put in instead; null where it stands well, or nothing would
     */
    public record PullRow(
            String id, String name, String leads, String stands, boolean bad, String window, Ringed put) {}

    private static PullRow row(PullBench pull, Circuit circuit, PreferredValues series) {
        String rail = circuit.board()
                .rail(pull.rail().name())
                .map(Rail::label)
                .orElse(pull.rail().name());
        boolean open = Double.isInfinite(pull.most());
        return new PullRow(
                pull.resistor().id(),
                pull.wire().label(),
                Quantity.ohms(pull.resistor().ohms()) + (pull.up() ? " up to " : " down to ") + rail,
                pull.listener().label() + " rests at " + Quantity.volts(pull.rest())
                        + (pull.closed() == null
                                ? ""
                                : "; pressed " + Quantity.volts(pull.closed()) + ", with "
                                        + Quantity.amperes(pull.flows()) + " through it"),
                !pull.fine(),
                open
                        ? "from " + Quantity.ohms(pull.least()) + "; others hold the line, too"
                        : pull.least() > pull.most()
                                ? "no value would do"
                                : "from " + Quantity.ohms(pull.least()) + " to " + Quantity.ohms(pull.most()),
                pull.fine()
                        ? null
                        : pull.wanted(series).map(o -> Ringed.of(o, series)).orElse(null));
    }

    private static final double WIDE = 220;
    private static final double HIGH = 90;

    private static ContrastRow row(Contrast contrast) {
        double most = Math.max(1.4, contrast.most());
        StringBuilder points = new StringBuilder();
        int n = contrast.volts().size();
        for (int i = 0; i < n && n > 1; i++) {
            points.append(String.format(
                    Locale.ROOT,
                    "%.1f,%.1f ",
                    WIDE * i / (n - 1),
                    HIGH * (1 - contrast.volts().get(i) / most)));
        }
        double top = HIGH * (1 - Contrast.READABLE_TO / most);
        String volts = contrast.turned()
                ? Quantity.volts(contrast.least()) + " to " + Quantity.volts(contrast.most())
                : Quantity.volts(contrast.least()).toString();
        return new ContrastRow(
                contrast.line().label(),
                volts,
                points.toString().strip(),
                top,
                HIGH * (1 - Contrast.READABLE_FROM / most) - top,
                contrast.readableShare() > 0,
                contrast.turned() ? Math.round(100 * contrast.readableShare()) + " % of the turn is readable" : "");
    }

    private static CellRow row(CellBench cells, double lit, double dimmed, double dimTo, double asleep) {
        RunTime time =
                new RunTime(cells.milliampHours(), cells.milliamps(), lit, cells.milliamps() * dimTo, dimmed, asleep);
        double average = time.averageMilliamps();
        return new CellRow(
                cells.source().unit().name(),
                Math.round(cells.milliampHours()) + " mAh",
                Quantity.milliamps(average).toString(),
                average <= 0 ? "nothing flows" : "about " + hours(time.hours()),
                cells.stops().stream()
                        .map(s -> s.unit().name() + " below " + Quantity.volts(s.volts()))
                        .toList());
    }

    private static final int DAYS_FROM = 72;

    private static String hours(double hours) {
        return hours < DAYS_FROM ? Quantity.count(Math.round(hours)) + " hours" : Math.round(hours / 24) + " days";
    }
}
