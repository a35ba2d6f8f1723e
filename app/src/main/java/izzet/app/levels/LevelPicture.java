package izzet.app.levels;

import izzet.core.circuit.Levels.Reading;
import izzet.core.levels.LevelMargin;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Two upright scales side by side: what is given, what is needed, and the gaps between. Places in pixels of the picture, y downwards.
 *
 * @param ticks of both scales
 * @param zones of the receiver's scale that it reads as high and as low
 */
public record LevelPicture(
        double top,
        double bottom,
        List<Tick> ticks,
        List<Zone> zones,
        List<Level> gives,
        List<Level> needs,
        List<Gap> gaps,
        String words) {

    static final double TOP = 34;
    static final double HEIGHT = 300;
    private static final double LABEL = 18;
    private static final double NARROW = 26;
    private static final double STEP_FROM = 6;

    public record Tick(double y, String label) {}

    /** @param kind high or low */
    public record Zone(double y, double height, String kind) {}

    /**
     * A mark on a scale with its words.
     *
     * @param labelY where the words stand, apart from others
     */
    public record Level(double y, double labelY, String label, String kind) {}

    /**
     * @param middle where its words stand: between the two, or above both where that is too narrow
     * @param bad whether it is the wrong way round
     */
    public record Gap(double from, double to, double middle, String label, boolean bad) {}

    static LevelPicture of(LevelMargin margin) {
        Reading r = margin.reading();
        double most = Math.max(
                        r.receiver().absMax(),
                        Math.max(r.highest(), r.receiver().supply()))
                * 1.04;
        double[] scale = {most};
        List<Tick> ticks = new ArrayList<>();
        double step = most > STEP_FROM ? 2 : most > STEP_FROM / 2 ? 1 : 0.5;
        for (double v = 0; v <= most; v += step) {
            ticks.add(new Tick(y(v, scale[0]), Quantity.volts(v).toString()));
        }
        List<Zone> zones = new ArrayList<>();
        List<Level> needs = new ArrayList<>();
        List<Level> gives = new ArrayList<>();
        List<Gap> gaps = new ArrayList<>();
        Double vih = r.receiver().vih();
        Double vil = r.receiver().vil();
        if (vih != null) {
            zones.add(zone(vih, r.receiver().absMax(), most, "high"));
            needs.add(level(vih, most, "high from " + Quantity.volts(vih), "high"));
        }
        if (vil != null) {
            zones.add(zone(0, vil, most, "low"));
            needs.add(level(vil, most, "low up to " + Quantity.volts(vil), "low"));
        }
        needs.add(level(
                r.receiver().absMax(),
                most,
                "survives " + Quantity.volts(r.receiver().absMax()),
                "most"));
        if (r.high() != null) {
            gives.add(level(r.high(), most, "high " + Quantity.volts(r.high()), "high"));
        }
        if (r.low() != null) {
            gives.add(level(r.low(), most, "low " + Quantity.volts(r.low()), "low"));
        }
        if (r.high() == null || r.highest() > r.high() + 1e-6) {
            gives.add(level(r.highest(), most, "up to " + Quantity.volts(r.highest()), "most"));
        }
        List<String> words = new ArrayList<>();
        if (r.highMargin() != null) {
            gaps.add(gap(r.high(), vih, most, r.highMargin(), r.missesHigh()));
            words.add("high " + r.high() + " V against " + vih + " V: " + told(r.highMargin(), r.missesHigh()));
        }
        if (r.lowMargin() != null) {
            gaps.add(gap(r.low(), vil, most, r.lowMargin(), r.missesLow()));
            words.add("low " + r.low() + " V against " + vil + " V: " + told(r.lowMargin(), r.missesLow()));
        }
        if (r.tooHigh()) {
            gaps.add(gap(r.highest(), r.receiver().absMax(), most, r.overMargin(), true));
        }
        return new LevelPicture(
                TOP, TOP + HEIGHT, ticks, zones, apart(gives), apart(needs), gaps, String.join("; ", words));
    }

    private static double y(double volts, double most) {
        return Math.round((TOP + HEIGHT * (1 - volts / most)) * 10) / 10.0;
    }

    private static Zone zone(double from, double to, double most, String kind) {
        double top = y(to, most);
        return new Zone(top, Math.max(0, y(from, most) - top), kind);
    }

    private static Level level(double volts, double most, String label, String kind) {
        double y = y(volts, most);
        return new Level(y, y, label, kind);
    }

    private static Gap gap(double gives, double needs, double most, double margin, boolean bad) {
        double from = y(gives, most);
        double to = y(needs, most);
        boolean narrow = Math.abs(from - to) < NARROW;
        double words = narrow ? Math.min(from, to) - 5 : (from + to) / 2 + 5;
        return new Gap(from, to, words, told(margin, bad), bad);
    }

    private static String told(double margin, boolean bad) {
        return Quantity.volts(Math.abs(margin)).inMillis() + (bad ? margin < 0 ? " short" : " too much" : " to spare");
    }

    /** Labels keep a line's height from one another, in the order of their marks. */
    private static List<Level> apart(List<Level> levels) {
        List<Level> sorted = new ArrayList<>(levels);
        sorted.sort(Comparator.comparingDouble(Level::y));
        List<Level> placed = new ArrayList<>();
        double free = TOP - LABEL;
        for (Level l : sorted) {
            double at = Math.max(l.y(), free);
            placed.add(new Level(l.y(), at, l.label(), l.kind()));
            free = at + LABEL;
        }
        // What would fall off the lower end pushes upwards.
        double below = TOP + HEIGHT + LABEL / 2;
        for (int i = placed.size() - 1; i >= 0; i--) {
            Level l = placed.get(i);
            double at = Math.min(l.labelY(), below);
            placed.set(i, new Level(l.y(), at, l.label(), l.kind()));
            below = at - LABEL;
        }
        return placed;
    }
}
