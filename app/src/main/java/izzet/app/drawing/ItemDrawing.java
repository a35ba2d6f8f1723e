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

    /** What lies between two others keeps its place; within a run of like shapes nothing covers another. */
    static List<Shape> strokes(List<Shape> shapes) {
        List<Shape> strokes = new ArrayList<>();
        for (int from = 0; from < shapes.size(); ) {
            Shape first = shapes.get(from);
            if (!merges(first)) {
                strokes.add(first);
                from++;
                continue;
            }
            Map<String, Outline> looks = new LinkedHashMap<>();
            for (; from < shapes.size() && shapes.get(from).tag().equals(first.tag()); from++) {
                Shape s = shapes.get(from);
                Outline path = looks.computeIfAbsent(s.look(), l -> new Outline());
                switch (s.tag()) {
                    case "circle" -> path.circle(s.x(), s.y(), s.w());
                    case "line" -> path.line(s.x(), s.y(), s.w(), s.h());
                    default -> path.box(s.x(), s.y(), s.w(), s.h());
                }
            }
            looks.forEach((look, path) -> strokes.add(Shape.path(look, path)));
        }
        return strokes;
    }

    /** Shapes below each other, with the room that they take. */
    static final class Sheet {
        private final List<Shape> shapes = new ArrayList<>();
        private double right;
        private double bottom;

        void put(Shape shape) {
            shapes.add(shape);
            boolean circle = shape.tag().equals("circle");
            right = Math.max(
                    right,
                    circle ? shape.x() + shape.w() : shape.tag().equals("line") ? shape.w() : shape.x() + shape.w());
            bottom = Math.max(
                    bottom,
                    circle ? shape.y() + shape.w() : shape.tag().equals("line") ? shape.h() : shape.y() + shape.h());
        }

        double bottom() {
            return bottom;
        }

        ItemDrawing drawing(String title) {
            return new ItemDrawing(right + 3, bottom + 3, shapes, strokes(shapes), title);
        }
    }
}
