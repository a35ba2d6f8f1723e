package izzet.app.front;

import izzet.app.pins.Weave;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** A plan's weave as its picture in a list: no words, every column and row at a like distance. */
record SmallWeave(double width, double height, List<Line> warps, List<Line> threads, List<Knot> knots) {

    private static final double WIDE = 340;
    private static final double HIGH = 112;
    private static final double HIGHEST_ROW = 9;
    private static final double LARGEST_KNOT = 4.4;

    /** @param look kind of the knots, or clash */
    record Line(double x1, double y1, double x2, double y2, String look) {}

    record Knot(double x, double y, double r, String look) {}

    static SmallWeave of(Weave weave) {
        Map<Integer, Double> at = new HashMap<>();
        double step = WIDE / Math.max(1, weave.columns().size());
        List<Line> warps = new ArrayList<>();
        Map<Integer, String> kinds = new HashMap<>();
        weave.threads().forEach(t -> kinds.put(t.x(), t.kind()));
        for (Weave.Column column : weave.columns()) {
            double x = step * (at.size() + 0.5);
            at.put(column.x(), x);
            warps.add(new Line(x, 0, x, HIGH, ""));
        }
        List<Weave.Row> rows = weave.parts().stream()
                .flatMap(p -> p.rows().stream())
                .filter(r -> r.knotX() > 0)
                .toList();
        double pitch = Math.min(HIGHEST_ROW, HIGH / Math.max(1, rows.size()));
        List<Knot> knots = new ArrayList<>();
        Map<Integer, double[]> spans = new HashMap<>();
        Set<Integer> clashing = new HashSet<>();
        for (int i = 0; i < rows.size(); i++) {
            Weave.Row row = rows.get(i);
            double y = pitch * (i + 0.5);
            double x = at.getOrDefault(row.knotX(), 0.0);
            knots.add(new Knot(x, y, Math.min(LARGEST_KNOT, pitch * 0.48), row.clash() ? "clash" : row.kind()));
            spans.merge(row.knotX(), new double[] {y, y}, (a, b) -> new double[] {a[0], b[1]});
            if (row.clash()) {
                clashing.add(row.knotX());
            }
        }
        List<Line> threads = new ArrayList<>();
        spans.forEach((column, span) -> {
            if (span[1] > span[0]) {
                String look = clashing.contains(column) ? "clash" : kinds.getOrDefault(column, "single");
                threads.add(new Line(at.get(column), span[0], at.get(column), span[1], look));
            }
        });
        return new SmallWeave(WIDE, HIGH, warps, threads, knots);
    }
}
