package izzet.app.drawing;

/**
 * A stroke of a drawing.
 *
 * @param tag {@code rect}, {@code circle}, {@code text}, {@code line}, {@code box}, a rectangle whose corners are never rounded, or {@code path}
 * @param look its class in the style sheet
 * @param x left edge of a rectangle, centre of a circle, anchor of a text, first end of a line; y likewise
 * @param w width of a rectangle, radius of a circle, second end of a line; h likewise
 * @param text what is written; of a path, where it goes
 * @param turn degrees that a text is turned by
 */
public record Shape(String tag, String look, double x, double y, double w, double h, String text, int turn) {

    static Shape rect(String look, double x, double y, double w, double h) {
        return new Shape("rect", look, x, y, w, h, "", 0);
    }

    static Shape box(String look, double x, double y, double w, double h) {
        return new Shape("box", look, x, y, w, h, "", 0);
    }

    static Shape path(String look, Outline path) {
        return new Shape("path", look, 0, 0, 0, 0, path.toString(), 0);
    }

    static Shape circle(String look, double x, double y, double radius) {
        return new Shape("circle", look, x, y, radius, 0, "", 0);
    }

    static Shape line(String look, double x1, double y1, double x2, double y2) {
        return new Shape("line", look, x1, y1, x2, y2, "", 0);
    }

    static Shape text(String look, double x, double y, String text, int turn) {
        return new Shape("text", look, x, y, 0, 0, text, turn);
    }

    double left() {
        return tag.equals("circle") ? x - w : tag.equals("line") ? Math.min(x, w) : x;
    }

    double top() {
        return tag.equals("circle") ? y - w : tag.equals("line") ? Math.min(y, h) : y;
    }

    double right() {
        return tag.equals("line") ? Math.max(x, w) : x + w;
    }

    double bottom() {
        return tag.equals("circle") ? y + w : tag.equals("line") ? Math.max(y, h) : y + h;
    }

    /** Whether the rectangles round them have room in common. */
    boolean meets(Shape other) {
        return left() < other.right() && other.left() < right() && top() < other.bottom() && other.top() < bottom();
    }
}
