package izzet.core.code;

import java.util.ArrayList;
import java.util.List;

/**
 * A picture that shows errors of geometry: a frame one pixel wide, A to D in the corners from the top left. Own glyphs of 5 by 7.
 *
 * @param lit by column and row
 */
public record Pictures(int columns, int rows, boolean[][] lit) {

    private static final int WIDE = 5;
    private static final int HIGH = 7;
    private static final int MARGIN = 3;
    private static final int[][] GLYPHS = {
        {0x7C, 0x12, 0x11, 0x12, 0x7C},
        {0x7F, 0x49, 0x49, 0x49, 0x36},
        {0x3E, 0x41, 0x41, 0x41, 0x22},
        {0x7F, 0x41, 0x41, 0x41, 0x3E}
    };

    public static Pictures of(int columns, int rows) {
        boolean[][] lit = new boolean[columns][rows];
        for (int x = 0; x < columns; x++) {
            lit[x][0] = true;
            lit[x][rows - 1] = true;
        }
        for (int y = 0; y < rows; y++) {
            lit[0][y] = true;
            lit[columns - 1][y] = true;
        }
        int right = columns - 1 - MARGIN - WIDE + 1;
        int low = rows - 1 - MARGIN - HIGH + 1;
        int[][] places = {{MARGIN, MARGIN}, {right, MARGIN}, {MARGIN, low}, {right, low}};
        for (int g = 0; g < GLYPHS.length; g++) {
            for (int x = 0; x < WIDE; x++) {
                for (int y = 0; y < HIGH; y++) {
                    if ((GLYPHS[g][x] >> y & 1) == 1) {
                        lit[places[g][0] + x][places[g][1] + y] = true;
                    }
                }
            }
        }
        return new Pictures(columns, rows, lit);
    }

    /** Bytes of a page, lowest bit on top. */
    public List<Integer> page(int page) {
        List<Integer> bytes = new ArrayList<>();
        for (int x = 0; x < columns; x++) {
            int value = 0;
            for (int bit = 0; bit < 8; bit++) {
                value |= page * 8 + bit < rows && lit[x][page * 8 + bit] ? 1 << bit : 0;
            }
            bytes.add(value);
        }
        return bytes;
    }

    /** Count and value in turn. */
    public static List<Integer> pairs(List<Integer> bytes) {
        List<Integer> pairs = new ArrayList<>();
        for (int i = 0; i < bytes.size(); ) {
            int j = i;
            while (j < bytes.size() && j - i < 255 && bytes.get(j).equals(bytes.get(i))) {
                j++;
            }
            pairs.add(j - i);
            pairs.add(bytes.get(i));
            i = j;
        }
        return pairs;
    }

    /** Runs of lit pixels as rectangles, those of the frame first. */
    public List<Op.Rectangle> rectangles(int dx, int dy, int colour) {
        List<Op.Rectangle> all = new ArrayList<>(List.of(
                new Op.Rectangle(dx, dy, dx + columns - 1, dy, colour),
                new Op.Rectangle(dx, dy + rows - 1, dx + columns - 1, dy + rows - 1, colour),
                new Op.Rectangle(dx, dy, dx, dy + rows - 1, colour),
                new Op.Rectangle(dx + columns - 1, dy, dx + columns - 1, dy + rows - 1, colour)));
        for (int y = 1; y < rows - 1; y++) {
            for (int x = 1; x < columns - 1; x++) {
                if (lit[x][y]) {
                    int end = x;
                    while (end + 1 < columns - 1 && lit[end + 1][y]) {
                        end++;
                    }
                    all.add(new Op.Rectangle(dx + x, dy + y, dx + end, dy + y, colour));
                    x = end;
                }
            }
        }
        return all;
    }
}
