package izzet.app.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Rectangle;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.util.List;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

class OutlineTest {

    private static final Pattern NUMBER = Pattern.compile("-?\\d+(\\.\\d+)?");

    @Test
    void shapesFollowEachOtherInOnePath() {
        assertThat(new Outline().circle(10, 5, 2.4).line(0, 1.25, 3, 1.25).box(-0.5, 2, 6, 8))
                .hasToString("M7.6 5a2.4 2.4 0 1 0 4.8 0a2.4 2.4 0 1 0 -4.8 0zM0 1.25L3 1.25M-0.5 2h6v8h-6z");
    }

    /** Whatever the numbers, what is written is theirs to a hundredth and without zeros at the end. */
    @Test
    void numbersAreWrittenToAHundredth() {
        Random random = new Random(7);
        for (int i = 0; i < 2000; i++) {
            double x = (random.nextDouble() - 0.5) * Math.pow(10, random.nextInt(5));
            Matcher numbers = NUMBER.matcher(new Outline().line(x, 0, 0, 0).toString());
            assertThat(numbers.find()).isTrue();
            assertThat(Double.parseDouble(numbers.group())).isCloseTo(x, within(0.00501));
            assertThat(numbers.group()).doesNotMatch(".*\\.\\d*0$");
        }
    }

    /** The path of a drawing covers the same room as its shapes. */
    @Test
    void neighboursThatLookAlikeBecomeOnePathAndKeepTheirPlace() {
        List<Shape> strokes = ItemDrawing.strokes(List.of(
                Shape.rect("body", 0, 0, 90, 40),
                Shape.circle("pin a", 10, 10, 2),
                Shape.circle("pin b", 20, 10, 2),
                Shape.circle("pin a", 30, 10, 2),
                Shape.text("label", 1, 1, "words", 0),
                Shape.circle("pin a", 40, 10, 2),
                Shape.box("cell", 5, 20, 4, 6),
                Shape.box("cell", 15, 20, 4, 6)));

        assertThat(strokes).extracting(Shape::tag).containsExactly("rect", "path", "path", "text", "path", "path");
        assertThat(strokes).extracting(Shape::look).containsExactly("body", "pin a", "pin b", "label", "pin a", "cell");
        assertThat(strokes.get(1).text()).containsPattern("^M8 10.*M28 10");
        assertThat(bounds(strokes.get(5).text())).isEqualTo(new Rectangle(5, 20, 14, 6));
    }

    /** Lamps side by side show through each other; a knob lies on its base. */
    @Test
    void shapesThatCoverOthersStayByThemselves() {
        List<Shape> strokes = ItemDrawing.strokes(List.of(
                Shape.circle("dome", 10, 10, 12),
                Shape.circle("dome", 25, 10, 12),
                Shape.circle("knob", 60, 10, 4),
                Shape.circle("base", 60, 10, 9),
                Shape.circle("knob", 60, 10, 4)));

        assertThat(strokes).extracting(Shape::look).containsExactly("dome", "dome", "knob", "base", "knob");
    }

    /** Of boxes: moves, then steps across, down and back. */
    private static Rectangle bounds(String path) {
        Path2D room = new Path2D.Double();
        Matcher box = Pattern.compile("M(\\S+) (\\S+)h(\\S+)v(\\S+)h\\S+z").matcher(path);
        while (box.find()) {
            room.append(
                    new Rectangle2D.Double(
                            Double.parseDouble(box.group(1)),
                            Double.parseDouble(box.group(2)),
                            Double.parseDouble(box.group(3)),
                            Double.parseDouble(box.group(4))),
                    false);
        }
        return room.getBounds();
    }
}
