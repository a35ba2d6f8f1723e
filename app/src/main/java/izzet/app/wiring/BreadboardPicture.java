package izzet.app.wiring;

import izzet.core.wiring.Breadboard;
import izzet.core.wiring.Breadboard.Hole;
import izzet.core.wiring.WiringList;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/**
 * A breadboard as a quiet map: rows along, columns a to j across, legs as dots, ends of wires as rings with the number of their step.
 *
 * @param grid all holes
 */
public record BreadboardPicture(
        int width,
        int height,
        List<Mark> grid,
        List<Mark> numbers,
        List<Mark> letters,
        List<Body> bodies,
        List<Mark> legs,
        List<Mark> ends) {

    private static final int LEFT = 34;
    private static final int TOP = 26;
    private static final int PITCH = 18;
    private static final int GAP = 16;
    private static final int LETTER = 7;
    private static final String COLUMNS = "abcdefghij";

    public record Mark(int x, int y, String text) {}

    /** @param label as much of the name as has room, at its own place */
    public record Body(int x, int y, int width, int height, String name, String label, int labelX, int labelY) {}

    public static BreadboardPicture of(Breadboard board, List<WiringList.Step> steps) {
        List<Mark> grid = new ArrayList<>();
        for (int row = 1; row <= board.rows(); row++) {
            for (char column : COLUMNS.toCharArray()) {
                grid.add(mark(new Hole(row, column), ""));
            }
        }
        List<Mark> numbers = IntStream.rangeClosed(1, board.rows())
                .filter(r -> r == 1 || r % 5 == 0)
                .mapToObj(r -> new Mark(x(r), TOP - 10, String.valueOf(r)))
                .toList();
        List<Mark> letters = COLUMNS.chars()
                .mapToObj(c -> new Mark(LEFT - 18, y((char) c) + 4, String.valueOf((char) c)))
                .toList();
        List<Body> bodies = new ArrayList<>();
        List<Mark> legs = new ArrayList<>();
        for (Breadboard.Laid part : board.parts()) {
            int from = part.legs().stream().mapToInt(l -> l.hole().row()).min().orElse(1);
            int to = part.legs().stream().mapToInt(l -> l.hole().row()).max().orElse(1);
            char first = part.across() ? 'e' : part.legs().get(0).hole().column();
            char last = part.across() ? 'f' : first;
            int width = x(to) - x(from) + 16;
            String name = part.unit().name();
            int room = Math.max(1, width / LETTER);
            bodies.add(new Body(
                    x(from) - 8,
                    y(first) - 8,
                    width,
                    y(last) - y(first) + 16,
                    name,
                    name.length() > room ? name.substring(0, room) : name,
                    x(from) - 6,
                    y(part.across() || first == 'a' ? 'd' : 'h') + (part.across() ? PITCH * 2 : 5)));
            part.legs().forEach(l -> legs.add(mark(l.hole(), part.unit().name() + " " + l.line())));
        }
        List<Mark> ends = new ArrayList<>();
        for (WiringList.Step step : steps) {
            Breadboard.Ends at = board.holes().get(step.key());
            if (at != null) {
                for (Hole hole : new Hole[] {at.from(), at.to(), at.between(), at.on()}) {
                    if (hole != null) {
                        ends.add(mark(hole, String.valueOf(step.number())));
                    }
                }
            }
        }
        return new BreadboardPicture(
                x(board.rows()) + PITCH, y('j') + PITCH, grid, numbers, letters, bodies, legs, ends);
    }

    private static Mark mark(Hole hole, String text) {
        return new Mark(x(hole.row()), y(hole.column()), text);
    }

    private static int x(int row) {
        return LEFT + (row - 1) * PITCH;
    }

    private static int y(char column) {
        int i = column - 'a';
        return TOP + i * PITCH + (i >= 5 ? GAP : 0);
    }
}
