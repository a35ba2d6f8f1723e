package izzet.app.drawing;

import java.util.ArrayList;
import java.util.List;

/**
 * A drawing, ready for the page; not to scale.
 *
 * @param title what it shows, for people who do not see it
 */
public record ItemDrawing(double width, double height, List<Shape> shapes, String title) {

    public ItemDrawing {
        shapes = List.copyOf(shapes);
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
            return new ItemDrawing(right + 3, bottom + 3, shapes, title);
        }
    }
}
