package izzet.app.drawing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A drawing, ready for the page; not to scale.
 *
 * @param strokes the same as the page draws them: neighbours that look alike are one path
 * @param title what it shows, for people who do not see it
 */
public record ItemDrawing(double width, double height, List<Shape> shapes, List<Shape> strokes, String title) {

    public ItemDrawing {
        shapes = List.copyOf(shapes);
        strokes = List.copyOf(strokes);
    }

    private static boolean merges(Shape shape) {
        return switch (shape.tag()) {
            case "circle", "line", "box" -> true;
            default -> false;
        };
    }

    /** A run of shapes of one kind, none of which covers another, is a path for each of their looks; all others keep their place. */
    static List<Shape> strokes(List<Shape> shapes) {
        List<Shape> strokes = new ArrayList<>();
        List<Shape> run = new ArrayList<>();
        for (Shape shape : shapes) {
            if (!merges(shape) || run.stream().anyMatch(r -> !r.tag().equals(shape.tag()) || r.meets(shape))) {
                end(run, strokes);
            }
            if (merges(shape)) {
                run.add(shape);
            } else {
                strokes.add(shape);
            }
        }
        end(run, strokes);
        return strokes;
    }

    private static void end(List<Shape> run, List<Shape> strokes) {
        Map<String, Outline> looks = new LinkedHashMap<>();
        for (Shape s : run) {
            Outline path = looks.computeIfAbsent(s.look(), l -> new Outline());
            switch (s.tag()) {
                case "circle" -> path.circle(s.x(), s.y(), s.w());
                case "line" -> path.line(s.x(), s.y(), s.w(), s.h());
                default -> path.box(s.x(), s.y(), s.w(), s.h());
            }
        }
        looks.forEach((look, path) -> strokes.add(Shape.path(look, path)));
        run.clear();
    }

    /** Shapes below each other, with the room that they take. */
    static final class Sheet {
        private final List<Shape> shapes = new ArrayList<>();
        private double right;
        private double bottom;

        void put(Shape shape) {
            shapes.add(shape);
            right = Math.max(right, shape.right());
            bottom = Math.max(bottom, shape.bottom());
        }

        double bottom() {
            return bottom;
        }

        ItemDrawing drawing(String title) {
            return new ItemDrawing(right + 3, bottom + 3, shapes, strokes(shapes), title);
        }
    }
}
