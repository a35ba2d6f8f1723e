package izzet.app.tools;

import izzet.app.fault.WrongField;
import izzet.app.preference.Preferences;
import izzet.core.calc.ColourBand;
import izzet.core.calc.Divider;
import izzet.core.calc.Drawer;
import izzet.core.calc.I2cMode;
import izzet.core.calc.PreferredValues;
import izzet.core.calc.PullUps;
import izzet.core.calc.SeriesResistor;
import izzet.core.quantity.Quantity;
import izzet.core.quantity.Unit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Resistors worked out by hand, without a plan. */
@Controller
class ResistorsController {

    private final Preferences preferences;

    ResistorsController(Preferences preferences) {
        this.preferences = preferences;
    }

    /**
     * One answer.
     *
     * @param ohms the preferred value; null where it is a window
     * @param figures name and value in turn
     * @param pick out of the drawer, in words; empty where there is none
     */
    public record Answer(
            String ohms, List<ColourBand> rings, String spoken, List<String[]> figures, String pick, String formula) {}

    @GetMapping("/tools/resistors")
    String resistors(@RequestParam Map<String, String> asked, Model model) {
        PreferredValues series = PreferredValues.E12;
        for (PreferredValues s : PreferredValues.values()) {
            series = s.name().equals(asked.get("series")) ? s : series;
        }
        Drawer drawer = preferences.drawer();
        Fields f = new Fields(asked);
        model.addAttribute("series", series);
        model.addAttribute("allSeries", PreferredValues.values());
        model.addAttribute("drawer", drawer);
        model.addAttribute("f", f);
        model.addAttribute("lamp", f.answer(this::lamp, series, drawer));
        model.addAttribute("divider", f.answer(this::divider, series, drawer));
        model.addAttribute("pullUp", f.answer(this::pullUp, series, drawer));
        model.addAttribute("damping", f.answer(this::damping, series, drawer));
        model.addAttribute("rings", f.answer(this::rings, series, drawer));
        model.addAttribute("faults", f.faults);
        return "tools/resistors";
    }

    private interface Reckoner {
        Answer of(Fields fields, PreferredValues series, Drawer drawer);
    }

    /** What stands in the form, read when asked for; what cannot be read is told and stays. */
    public static final class Fields {
        private final Map<String, String> asked;
        private final List<String> faults = new ArrayList<>();

        Fields(Map<String, String> asked) {
            this.asked = asked;
        }

        /** As typed, or what usually stands there. */
        public String text(String name, String usual) {
            String text = asked.getOrDefault(name, "").strip();
            return text.isEmpty() ? usual : text;
        }

        double value(String name, String usual, Unit unit, String label) {
            return Quantity.parse(text(name, usual), unit)
                    .map(Quantity::value)
                    .filter(v -> v > 0 && v < 1e12)
                    .orElseThrow(() -> new WrongField(
                            name,
                            label + ": '" + text(name, usual) + "' is no value above 0; write it as " + usual + "."));
        }

        Answer answer(Reckoner reckoner, PreferredValues series, Drawer drawer) {
            try {
                return reckoner.of(this, series, drawer);
            } catch (IllegalArgumentException e) {
                faults.add(e.getMessage());
                return null;
            }
        }
    }

    private static Answer answer(
            double exact,
            double ohms,
            double least,
            double most,
            PreferredValues series,
            Drawer drawer,
            String formula,
            String... figures) {
        Optional<List<ColourBand>> rings = ColourBand.of(ohms, series.digits(), series.tolerancePercent());
        List<String[]> pairs = new ArrayList<>();
        for (int i = 0; i < figures.length; i += 2) {
            pairs.add(new String[] {figures[i], figures[i + 1]});
        }
        return new Answer(
                Quantity.ohms(ohms).toString(),
                rings.orElse(List.of()),
                rings.map(ColourBand::spoken).orElse("its rings cannot tell so many digits"),
                pairs,
                drawer.pick(exact, least, most).map(Drawer.Pick::words).orElse(""),
                formula);
    }

    private Answer lamp(Fields f, PreferredValues series, Drawer drawer) {
        double drive = f.value("drive", "5", Unit.VOLT, "Drive");
        double drop = f.value("drop", "2", Unit.VOLT, "Lamp's own drop");
        double amperes = f.value("amperes", "15m", Unit.AMPERE, "Current");
        SeriesResistor r = SeriesResistor.forLamp(drive, drop, amperes, series);
        return answer(
                r.exactOhms(),
                r.ohms(),
                r.exactOhms(),
                Double.MAX_VALUE,
                series,
                drawer,
                SeriesResistor.FORMULA,
                "exact",
                Quantity.ohms(r.exactOhms()).toString(),
                "current with it",
                Quantity.amperes(r.amperes()).toString(),
                "heat in it",
                Quantity.watts(r.watts()).toString());
    }

    private Answer divider(Fields f, PreferredValues series, Drawer drawer) {
        double in = f.value("in", "5", Unit.VOLT, "Level that is given");
        double out = f.value("out", "3.3", Unit.VOLT, "Level that is wanted");
        double bottom = f.value("bottom", "2k", Unit.OHM, "Resistor to ground");
        double farads = f.value("load", "20p", Unit.FARAD, "Input and wire");
        Divider d = Divider.of(in, out, bottom, series);
        double exact = bottom * (in / out - 1);
        return answer(
                exact,
                d.topOhms(),
                exact,
                Double.MAX_VALUE,
                series,
                drawer,
                Divider.FORMULA,
                "level",
                Quantity.volts(d.volts(in)).toString(),
                "taken from the driver",
                Quantity.amperes(d.amperes(in)).toString(),
                "rise 10 % to 90 %",
                Quantity.seconds(d.riseSeconds(farads)).toString(),
                "good up to about",
                Quantity.hertz(d.mostHertz(farads)).toString());
    }

    private Answer pullUp(Fields f, PreferredValues series, Drawer drawer) {
        double volts = f.value("bus", "3.3", Unit.VOLT, "Bus supply");
        double farads = f.value("capacitance", "100p", Unit.FARAD, "Capacitance");
        double hertz = f.value("clock", "100k", Unit.HERTZ, "Clock");
        if (hertz > I2cMode.FAST_PLUS.maxHz()) {
            throw new WrongField("clock", "Clock: the modes reckoned here go to 1 MHz.");
        }
        I2cMode mode = I2cMode.forClock((int) Math.round(hertz));
        double least = PullUps.minimumOhms(volts, mode.sinkAmperes());
        double most = PullUps.maximumOhms(mode.riseSeconds(), farads);
        if (volts <= PullUps.VOL_MAX || least > most) {
            throw new WrongField(
                    "capacitance",
                    "Pull-up: no value is right: at least " + Quantity.ohms(Math.max(least, 0))
                            + " to be held low, at most " + Quantity.ohms(most)
                            + " to rise in time. Slower, shorter, or less capacitance.");
        }
        double middle = Math.sqrt(least * most);
        double ohms = series.nearest(middle);
        return answer(
                middle,
                ohms < least ? series.nextUp(least) : ohms,
                least,
                most,
                series,
                drawer,
                "(VDD − 0.4 V) / I ≤ R ≤ t / (0.8473 C)",
                "at least",
                Quantity.ohms(least).toString(),
                "at most",
                Quantity.ohms(most).toString(),
                "rise with it",
                Quantity.seconds(new PullUps(List.of(new PullUps.PullUp(ohms, volts))).riseSeconds(farads))
                        .toString(),
                mode.label() + " allows",
                Quantity.seconds(mode.riseSeconds()).toString());
    }

    private Answer damping(Fields f, PreferredValues series, Drawer drawer) {
        double line = f.value("line", "100", Unit.OHM, "The wire's own impedance");
        double driver = f.value("driver", "40", Unit.OHM, "Output resistance");
        if (driver >= line) {
            throw new WrongField(
                    "driver",
                    "Damping: the output's " + Quantity.ohms(driver)
                            + " are as much as the wire's already; no resistor is needed.");
        }
        double exact = line - driver;
        return answer(
                exact,
                series.nearest(exact),
                0,
                Double.MAX_VALUE,
                series,
                drawer,
                "R = Z0 − R of the output, at the output's end (common practice)",
                "exact",
                Quantity.ohms(exact).toString());
    }

    private Answer rings(Fields f, PreferredValues series, Drawer drawer) {
        double ohms = f.value("ohms", "4k7", Unit.OHM, "Value");
        return answer(
                ohms,
                ohms,
                0,
                Double.MAX_VALUE,
                series,
                drawer,
                ColourBand.SOURCE,
                "neighbours in " + series.name(),
                Quantity.ohms(series.nextDown(ohms * 0.999)) + " and " + Quantity.ohms(series.nextUp(ohms * 1.001)));
    }
}
