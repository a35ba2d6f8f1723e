package izzet.app.levels;

import izzet.core.levels.PowerFlow.Mouth;
import izzet.core.levels.PowerFlow.Stream;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Rails as rivers from left to right: their width is current, filled what flows typically, outlined the most. Places in pixels.
 *
 * @param sources boxes at the left
 * @param rivers in the order they are drawn
 * @param narrows regulators
 * @param labels of what is fed
 */
public record RiverPicture(
        int width, int height, List<Box> sources, List<River> rivers, List<Narrow> narrows, List<Label> labels) {

    private static final int WIDTH = 1180;
    private static final int BOX = 230;
    private static final int MOUTH = 470;
    private static final int NARROW = 70;
    private static final int SECOND = 900;
    private static final int LINE = 22;
    private static final int GAP = 26;
    private static final double WIDEST = 64;
    private static final double LEAST = 2.5;

    /** Kelvin above its surroundings that leave nothing to 125 °C in a warm box. Common practice. */
    private static final long HOT = 80;

    /** @param over whether more is taken than it gives */
    public record Box(double y, double height, String name, String limit, String load, boolean over) {}

    /** @param path of the typical flow; {@code most} of the outline of the most */
    public record River(String path, String most, boolean over) {}

    /** @param wordsY where its words stand */
    public record Narrow(double y, double height, double wordsY, String words) {}

    public record Label(double x, double y, String name, String figures) {}

    /** @param kelvinPerWatt by which a regulator is warmer than what is around it */
    static RiverPicture of(List<Stream> streams, double kelvinPerWatt) {
        Drawing drawing = new Drawing(streams, kelvinPerWatt);
        streams.forEach(drawing::source);
        return new RiverPicture(
                WIDTH, (int) Math.ceil(drawing.y), drawing.sources, drawing.rivers, drawing.narrows, drawing.labels);
    }

    /** One run. Not thread-safe. */
    private static final class Drawing {
        private final double scale;
        private final double kelvinPerWatt;
        private final List<Box> sources = new ArrayList<>();
        private final List<River> rivers = new ArrayList<>();
        private final List<Narrow> narrows = new ArrayList<>();
        private final List<Label> labels = new ArrayList<>();
        private double y = 8;

        Drawing(List<Stream> streams, double kelvinPerWatt) {
            this.kelvinPerWatt = kelvinPerWatt;
            double most = streams.stream().mapToDouble(Stream::most).max().orElse(1);
            scale = WIDEST / Math.max(most, 1);
        }

        private double wide(double milliamps) {
            return Math.max(LEAST, milliamps * scale);
        }

        void source(Stream stream) {
            double top = y;
            double from = top + 4;
            double bottom = mouths(stream, BOX, from, MOUTH);
            double height = Math.max(Math.max(bottom - top, wide(stream.most()) + 8), 3.4 * LINE);
            sources.add(new Box(
                    top,
                    height,
                    stream.rail().label(),
                    stream.limit() == null ? "what it gives is not known" : "gives " + current(stream.limit()),
                    load(stream),
                    stream.over()));
            y = top + height + GAP;
        }

        /** @return the lower edge of what was drawn */
        private double mouths(Stream stream, double x, double top, double end) {
            double leaves = top;
            double arrives = top;
            for (Mouth mouth : stream.mouths()) {
                double wide = wide(mouth.most());
                double room = Math.max(LINE, wide + 6);
                double from = leaves + wide / 2;
                double to = arrives + room / 2;
                rivers.add(new River(
                        band(x, from, end, to, wide(mouth.typical())), band(x, from, end, to, wide), stream.over()));
                double used = room;
                if (mouth.behind().isEmpty()) {
                    labels.add(new Label(
                            end + 10, to + 5, mouth.unit().name() + (mouth.lamp() ? ", lamp" : ""), figures(mouth)));
                } else {
                    double height = Math.max(wide + 10, 2 * LINE);
                    double at = arrives;
                    double below = at + 4;
                    for (Stream behind : mouth.behind()) {
                        below = mouths(behind, end + NARROW, below, SECOND);
                        labels.add(new Label(
                                end + NARROW + 8, below + 12, behind.rail().label(), load(behind) + limit(behind)));
                        below += LINE;
                    }
                    double words = Math.max(at + height, below) + LINE * 0.75;
                    narrows.add(new Narrow(at, height, words, mouth.unit().name() + ": " + heat(mouth, kelvinPerWatt)));
                    used = Math.max(words - at + 8, room);
                }
                leaves += wide;
                arrives += used;
            }
            return Math.max(arrives, leaves);
        }
    }

    private static String load(Stream stream) {
        return current(stream.typical()) + ", at most " + current(stream.most());
    }

    private static String limit(Stream stream) {
        return stream.limit() == null ? "" : " of " + current(stream.limit());
    }

    private static String figures(Mouth mouth) {
        if (mouth.unknown()) {
            return "its file tells no draw";
        }
        return Math.abs(mouth.most() - mouth.typical()) < 1e-9
                ? current(mouth.most())
                : current(mouth.typical()) + ", at most " + current(mouth.most());
    }

    private static String heat(Mouth mouth, double kelvinPerWatt) {
        if (mouth.mostWatts() == null) {
            return "no voltage lost";
        }
        long warmer = Math.round(mouth.mostWatts() * kelvinPerWatt);
        return (warmer > HOT ? "▲ " : "") + "heat " + watts(mouth.typicalWatts()) + ", at most "
                + watts(mouth.mostWatts()) + ": up to " + warmer + " K warmer";
    }

    private static String watts(double watts) {
        return Quantity.watts(Math.round(watts * 1000) / 1000.0).toString();
    }

    /** To the milliampere; what is small to a tenth. */
    private static String current(double milliamps) {
        double step = milliamps < 10 ? 10 : 1;
        return Quantity.milliamps(Math.round(milliamps * step) / step).toString();
    }

    /** A band that swings from one height to another. */
    private static String band(double x, double y, double toX, double toY, double wide) {
        double half = wide / 2;
        double bend = (x + toX) / 2;
        return String.format(
                Locale.ROOT,
                "M%.1f %.1fC%.1f %.1f %.1f %.1f %.1f %.1fV%.1fC%.1f %.1f %.1f %.1f %.1f %.1fZ",
                x,
                y - half,
                bend,
                y - half,
                bend,
                toY - half,
                toX,
                toY - half,
                toY + half,
                bend,
                toY + half,
                bend,
                y + half,
                x,
                y + half);
    }
}
