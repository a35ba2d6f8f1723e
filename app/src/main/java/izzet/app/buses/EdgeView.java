package izzet.app.buses;

import izzet.core.buses.PullUpWindow;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.JoinedNet;
import izzet.core.quantity.Listed;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/**
 * The rising edge of a bus line with its 30 % and 70 % marks, and the window of the pull-up. Places in a picture of 420 by 190 and a bar of
 * 420 by 40.
 *
 * @param lines that have these figures
 * @param points of the curve
 * @param limitX where the rise would have to be over
 */
public record EdgeView(
        String lines,
        String points,
        double x30,
        double x70,
        double y30,
        double y70,
        double limitX,
        String rises,
        boolean slow,
        String sinks,
        boolean strong,
        String stands,
        double leastX,
        double mostX,
        double atX,
        List<String> from,
        List<String> without,
        String capacitance,
        boolean none) {

    private static final double LEFT = 44;
    private static final double WIDE = 360;
    private static final double TOP = 12;
    private static final double HIGH = 150;
    private static final int STEPS = 60;

    /** One picture for lines with the same figures: mostly data and clock. */
    static List<EdgeView> of(List<PullUpWindow> windows, Circuit circuit) {
        List<EdgeView> views = new ArrayList<>();
        List<List<PullUpWindow>> groups = new ArrayList<>();
        for (PullUpWindow w : windows) {
            groups.stream()
                    .filter(g -> alike(g.get(0), w))
                    .findFirst()
                    .orElseGet(() -> {
                        groups.add(new ArrayList<>());
                        return groups.get(groups.size() - 1);
                    })
                    .add(w);
        }
        groups.forEach(g -> views.add(view(g, circuit)));
        return views;
    }

    private static boolean alike(PullUpWindow a, PullUpWindow b) {
        return a.net().bus().equals(b.net().bus())
                && a.ohms() == b.ohms()
                && a.farads() == b.farads()
                && a.idle() == b.idle()
                && a.none() == b.none()
                && a.rise() == b.rise()
                && a.sinkLimit() == b.sinkLimit();
    }

    private static EdgeView view(List<PullUpWindow> group, Circuit circuit) {
        PullUpWindow w = group.get(0);
        double span = Math.max(w.none() ? 0 : w.timeTo(0.95), (w.none() ? 0 : w.timeTo(0.3)) + w.riseLimit() * 1.15);
        StringBuilder points = new StringBuilder();
        for (int i = 0; i <= STEPS && !w.none(); i++) {
            double t = span * i / STEPS;
            points.append(String.format(Locale.ROOT, "%.1f,%.1f ", x(t, span), y(w.edge(t) / w.idle())));
        }
        double lowest = Math.min(w.least(), Math.min(w.most(), w.none() ? w.least() : w.ohms())) / 2;
        double highest = Math.max(w.most(), Math.max(w.least(), w.none() ? w.most() : w.ohms())) * 2;
        return new EdgeView(
                lines(group),
                points.toString().strip(),
                w.none() ? 0 : x(w.timeTo(0.3), span),
                w.none() ? 0 : x(w.timeTo(0.7), span),
                y(0.3),
                y(0.7),
                w.none() ? 0 : x(w.timeTo(0.3) + w.riseLimit(), span),
                w.none()
                        ? "never rises: no pull-up"
                        : "rises in " + Quantity.seconds(w.rise()) + " of " + Quantity.seconds(w.riseLimit()),
                w.tooSlow(),
                Quantity.amperes(w.sink()) + " of " + Quantity.amperes(w.sinkLimit()) + " to hold it low",
                w.tooStrong(),
                w.shut()
                        ? "no value can be right: at least " + Quantity.ohms(w.least()) + " and at most "
                                + Quantity.ohms(w.most())
                        : Quantity.ohms(Math.max(0, w.least())) + " to " + Quantity.ohms(w.most())
                                + (w.none() ? "" : "; now " + Quantity.ohms(w.ohms()) + " together"),
                log(w.least(), lowest, highest),
                log(w.most(), lowest, highest),
                w.none() ? -1 : log(w.ohms(), lowest, highest),
                w.fitted().stream().map(EdgeView::words).toList(),
                w.fitted().size() < 2
                        ? List.of()
                        : w.without(circuit).stream().map(EdgeView::words).toList(),
                Quantity.farads(w.farads()) + ", parts and wire",
                w.none());
    }

    private static String lines(List<PullUpWindow> group) {
        String where = group.stream().map(g -> g.net().where()).distinct().collect(Collectors.joining("; "));
        String signals = group.stream()
                .map(g -> g.net().signal() == Role.I2C_SDA ? "SDA" : "SCL")
                .distinct()
                .collect(Listed.and());
        return signals + ", " + where;
    }

    private static String words(JoinedNet.Fitted f) {
        return Quantity.ohms(f.pullUp().ohms()) + " to "
                + Quantity.volts(f.pullUp().volts()) + ", " + f.from();
    }

    private static String words(PullUpWindow.Without without) {
        PullUpWindow then = without.then();
        return "without " + without.off().from() + ": "
                + (then.none()
                        ? "no pull-up at all"
                        : Quantity.ohms(then.ohms()) + ", rises in " + Quantity.seconds(then.rise()) + ", "
                                + Quantity.amperes(then.sink()) + " to hold it low"
                                + (then.fine() ? "" : then.tooSlow() ? ": too slow" : ": too strong"));
    }

    private static double x(double seconds, double span) {
        return LEFT + WIDE * seconds / span;
    }

    private static double y(double share) {
        return TOP + HIGH * (1 - share);
    }

    private static double log(double ohms, double lowest, double highest) {
        return 10 + 400 * Math.log(Math.max(ohms, lowest) / lowest) / Math.log(highest / lowest);
    }
}
