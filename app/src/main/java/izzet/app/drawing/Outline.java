package izzet.app.drawing;

/** The outline of many like shapes as one path: a page with a hundred pins has one element for them. */
public final class Outline {

    private static final double HUNDREDTHS = 100;

    private final StringBuilder path = new StringBuilder();

    /** Two half circles. */
    public Outline circle(double x, double y, double radius) {
        return step("M", x - radius, y)
                .step("a", radius, radius, 0, 1, 0, 2 * radius, 0)
                .step("a", radius, radius, 0, 1, 0, -2 * radius, 0)
                .step("z");
    }

    public Outline line(double x1, double y1, double x2, double y2) {
        return step("M", x1, y1).step("L", x2, y2);
    }

    public Outline box(double x, double y, double width, double height) {
        return step("M", x, y)
                .step("h", width)
                .step("v", height)
                .step("h", -width)
                .step("z");
    }

    private Outline step(String command, double... numbers) {
        path.append(command);
        for (int i = 0; i < numbers.length; i++) {
            if (i > 0) {
                path.append(' ');
            }
            number(numbers[i]);
        }
        return this;
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
