package izzet.app.drawing;

import java.util.ArrayList;
import java.util.List;

/**
 * A header as it lies in front of the maker: turned by quarters, from above or from the underside, one hole lit. Words stay upright.
 *
 * @param first the hole of the first place, marked by a corner
 */
public record HeaderView(
        String title, int width, int height, List<Hole> holes, List<HeaderDrawing.Outline> outlines, Hole first) {

    private static final int BESIDE = 18;
    private static final int LETTER = 9;
    private static final int LIT_LETTER = 11;
    private static final int ROUND = 26;

    /**
     * @param labelX where its label stands, {@code anchor} start, middle or end; {@code slant} in degrees
     */
    public record Hole(
            int x,
            int y,
            String place,
            String label,
            String look,
            boolean lit,
            int labelX,
            int labelY,
            String anchor,
            int slant) {

        /** How far it and its label reach in a direction. */
        int reach(int right, int down) {
            int letters = (lit ? LIT_LETTER : LETTER) * label.length();
            boolean aside = slant == 0;
            if (right != 0) {
                boolean words = aside && anchor.equals(right > 0 ? "start" : "end");
                return words ? labelX + right * letters : x + right * ROUND;
            }
            boolean words = !aside && anchor.equals(down > 0 ? "end" : "start");
            return words ? labelY + down * letters : y + down * ROUND;
        }

        Hole moved(int dx, int dy) {
            return new Hole(x + dx, y + dy, place, label, look, lit, labelX + dx, labelY + dy, anchor, slant);
        }
    }

    private record Point(double x, double y) {}

    /**
     * @param lit place of the hole that is lit
     * @param label its label, where places are not unique; null for any
     * @param quarters turns to the right
     * @param under whether it is seen from the underside, mirrored
     */
    public static HeaderView of(
            String title, HeaderDrawing header, String lit, String label, int quarters, boolean under) {
        double cx = header.width() / 2.0;
        double cy = header.height() / 2.0;
        List<Hole> holes = new ArrayList<>();
        boolean found = false;
        for (HeaderDrawing.Hole h : header.holes()) {
            Point p = turn(h.x() - cx, h.y() - cy, quarters, under);
            Point out = turn(
                    h.side().equals("left") ? -1 : h.side().equals("right") ? 1 : 0,
                    h.side().equals("below") ? 1 : 0,
                    quarters,
                    under);
            boolean on = !found
                    && h.place().equals(lit)
                    && (label == null || h.label().equals(label));
            found |= on;
            boolean aside = Math.abs(out.x()) > 0.5;
            holes.add(new Hole(
                    round(p.x()),
                    round(p.y()),
                    h.place(),
                    h.label(),
                    h.look(),
                    on,
                    round(p.x() + out.x() * BESIDE) + (aside ? 0 : 4),
                    round(p.y() + out.y() * BESIDE) + (aside ? 5 : 0),
                    aside ? out.x() > 0 ? "start" : "end" : out.y() > 0 ? "end" : "start",
                    aside ? 0 : -90));
        }
        List<HeaderDrawing.Outline> outlines = new ArrayList<>();
        for (HeaderDrawing.Outline o : header.outlines()) {
            Point a = turn(o.x() - cx, o.y() - cy, quarters, under);
            Point b = turn(o.x() + o.width() - cx, o.y() + o.height() - cy, quarters, under);
            outlines.add(new HeaderDrawing.Outline(
                    round(Math.min(a.x(), b.x())),
                    round(Math.min(a.y(), b.y())),
                    round(Math.abs(a.x() - b.x())),
                    round(Math.abs(a.y() - b.y()))));
        }
        int left = 0;
        int right = 0;
        int top = 0;
        int bottom = 0;
        for (Hole h : holes) {
            left = Math.min(left, h.reach(-1, 0));
            right = Math.max(right, h.reach(1, 0));
            top = Math.min(top, h.reach(0, -1));
            bottom = Math.max(bottom, h.reach(0, 1));
        }
        for (HeaderDrawing.Outline o : outlines) {
            left = Math.min(left, o.x() - 2);
            right = Math.max(right, o.x() + o.width() + 2);
            top = Math.min(top, o.y() - 2);
            bottom = Math.max(bottom, o.y() + o.height() + 2);
        }
        int dx = -left;
        int dy = -top;
        holes.replaceAll(h -> h.moved(dx, dy));
        outlines.replaceAll(o -> new HeaderDrawing.Outline(o.x() + dx, o.y() + dy, o.width(), o.height()));
        Hole first =
                holes.stream().filter(h -> h.place().equals("1")).findFirst().orElse(null);
        return new HeaderView(title, right - left, bottom - top, holes, outlines, first);
    }

    private static Point turn(double x, double y, int quarters, boolean under) {
        double px = under ? -x : x;
        double py = y;
        for (int i = 0; i < Math.floorMod(quarters, 4); i++) {
            double t = px;
            px = -py;
            py = t;
        }
        return new Point(px, py);
    }

    private static int round(double value) {
        return (int) Math.round(value);
    }

    public boolean lights() {
        return holes.stream().anyMatch(Hole::lit);
    }
}
