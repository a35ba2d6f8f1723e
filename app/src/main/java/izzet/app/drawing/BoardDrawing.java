package izzet.app.drawing;

import izzet.core.catalog.Board;
import java.util.Comparator;
import java.util.List;

/** A board as a small picture for lists: outline, chip, and as many holes at its edges as it has. */
final class BoardDrawing {

    private static final double EDGE = 3;
    private static final double PITCH = 7;
    private static final double HIGH = 64;

    private BoardDrawing() {}

    /** Turned to the left by a quarter: the right edge of the header as it lies is drawn above, the left one below. */
    static ItemDrawing of(Board board) {
        ItemDrawing.Sheet sheet = new ItemDrawing.Sheet();
        List<HeaderDrawing.Hole> holes = HeaderDrawing.of(board).holes();
        List<List<HeaderDrawing.Hole>> rows = List.of(edge(holes, "right"), edge(holes, "left"));
        int longest = rows.stream().mapToInt(List::size).max().orElse(0);
        double wide = longest * PITCH + 16;
        sheet.put(Shape.rect("body", EDGE, EDGE, wide, HIGH));
        boolean together = "single-board computer".equals(board.kind());
        for (int r = 0; r < rows.size(); r++) {
            double y = EDGE + (r == 0 ? 8 : together ? 16 : HIGH - 8);
            List<HeaderDrawing.Hole> row = rows.get(r);
            double first = EDGE + (wide - row.size() * PITCH) / 2 + PITCH / 2;
            for (int i = 0; i < row.size(); i++) {
                sheet.put(Shape.circle("pin " + row.get(i).look(), first + i * PITCH, y, 2.4));
            }
        }
        sheet.put(Shape.rect("block", EDGE + wide / 2 - 13, EDGE + (together ? 30 : HIGH / 2 - 11), 26, 22));
        return sheet.drawing(board.name());
    }

    private static List<HeaderDrawing.Hole> edge(List<HeaderDrawing.Hole> holes, String side) {
        return holes.stream()
                .filter(h -> h.side().equals(side))
                .sorted(Comparator.comparingInt(HeaderDrawing.Hole::y))
                .toList();
    }
}
