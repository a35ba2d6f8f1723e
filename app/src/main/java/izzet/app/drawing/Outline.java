package izzet.app.drawing;

/** The outline of many like shapes as one path: a page with a hundred pins has one element for them. */
public final class Outline {

    private static final double HUNDREDTHS = 100;

    private final StringBuilder path = new StringBuilder();

    /** Two half circles. */
    public Outline circle(double x, double y, double radius) {
        at(x - radius, y);
        half(radius, 2 * radius);
        half(radius, -2 * radius);
        path.append('z');
        return this;
    }

    private void half(double radius, double across) {
        path.append('a');
        number(radius);
        path.append(' ');
        number(radius);
        path.append(" 0 1 0 ");
        number(across);
        path.append(" 0");
    }

    public Outline line(double x1, double y1, double x2, double y2) {
        at(x1, y1);
        path.append('L');
        number(x2);
        path.append(' ');
        number(y2);
        return this;
    }

    public Outline box(double x, double y, double width, double height) {
        at(x, y);
        path.append('h');
        number(width);
        path.append('v');
        number(height);
        path.append('h');
        number(-width);
        path.append('z');
        return this;
    }

    private void at(double x, double y) {
        path.append('M');
        number(x);
        path.append(' ');
        number(y);
    }

    /** To a hundredth, without zeros at the end. */
    private void number(double value) {
        long hundredths = Math.round(value * HUNDREDTHS);
        if (hundredths < 0) {
            path.append('-');
        }
        long size = Math.abs(hundredths);
        path.append(size / 100);
        if (size % 100 != 0) {
            path.append('.').append(size / 10 % 10);
            if (size % 10 != 0) {
                path.append(size % 10);
            }
        }
    }

    @Override
    public String toString() {
        return path.toString();
    }
}
