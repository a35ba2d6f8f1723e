package izzet.app.front;

import izzet.app.drawing.Outline;
import izzet.app.pins.Weave;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** A plan's weave as its picture in a list: no words, every column and row at a like distance. */
record SmallWeave(double width, double height, List<Stroke> strokes) {

    private static final double WIDE = 340;
    private static final double HIGH = 112;
    private static final double HIGHEST_ROW = 9;
    private static final double LARGEST_KNOT = 4.4;

    /**
     * Everything that looks alike.
     *
     * @param look warp, weft, thread or knot, and its kind or clash
     * @param path the outlines of all of them
     */
    record Stroke(String look, String path) {}

    private static Outline of(Map<String, Outline> looks, String look) {
        return looks.computeIfAbsent(look, l -> new Outline());
    }

    static SmallWeave of(Weave weave) {
        Map<Integer, Double> at = new HashMap<>();
        double step = WIDE / Math.max(1, weave.columns().size());
        // What comes later lies above.
        Map<String, Outline> strokes = new LinkedHashMap<>();
        Map<String, Outline> knots = new LinkedHashMap<>();
        Map<Integer, String> kinds = new HashMap<>();
        weave.threads().forEach(t -> kinds.put(t.x(), t.kind()));
        for (Weave.Column column : weave.columns()) {
            double x = step * (at.size() + 0.5);
            at.put(column.x(), x);
            of(strokes, "warp").line(x, 0, x, HIGH);
        }
        List<Weave.Row> rows = weave.parts().stream()
                .flatMap(p -> p.rows().stream())
                .filter(r -> r.knotX() > 0)
                .toList();
        double pitch = Math.min(HIGHEST_ROW, HIGH / Math.max(1, rows.size()));
        Map<Integer, double[]> spans = new HashMap<>();
        Set<Integer> clashing = new HashSet<>();
        for (int i = 0; i < rows.size(); i++) {
            Weave.Row row = rows.get(i);
            double y = pitch * (i + 0.5);
            double x = at.getOrDefault(row.knotX(), 0.0);
            String look = row.clash() ? "clash" : row.kind();
            of(strokes, "weft " + look).line(0, y, x, y);
            of(knots, "knot " + look).circle(x, y, Math.min(LARGEST_KNOT, pitch * 0.48));
            spans.merge(row.knotX(), new double[] {y, y}, (a, b) -> new double[] {a[0], b[1]});
            if (row.clash()) {
                clashing.add(row.knotX());
            }
        }
        spans.forEach((column, span) -> {
            if (span[1] > span[0]) {
                String look = clashing.contains(column) ? "clash" : kinds.getOrDefault(column, "single");
                double x = at.getOrDefault(column, 0.0);
                of(strokes, "thread " + look).line(x, span[0], x, span[1]);
            }
        });
        strokes.putAll(knots);
        return new SmallWeave(
                WIDE,
                HIGH,
                strokes.entrySet().stream()
                        .map(e -> new Stroke(e.getKey(), e.getValue().toString()))
                        .toList());
    }
}
