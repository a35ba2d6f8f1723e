package izzet.core.display;

/**
 * Pixels, row by row from the top left. The array is handed over, not copied.
 *
 * @param mono whether it knows lit and dark only
 * @param rgb 0xRRGGBB each; of a mono picture 0 for dark and anything else for lit
 */
public record Picture(int width, int height, boolean mono, int[] rgb) {

    private static final int MOST_DIGITS = 64;

    public Picture {
        if (rgb.length != width * height) {
            throw new IllegalArgumentException(
                    "A picture of " + width + " x " + height + " has " + rgb.length + " pixels.");
        }
    }

    public int at(int x, int y) {
        return rgb[y * width + x];
    }

    public boolean lit(int x, int y) {
        return at(x, y) != 0;
    }

    /** Plain portable bitmap (P1): 1 is lit. */
    public String pbm() {
        StringBuilder text = new StringBuilder("P1\n")
                .append(width)
                .append(' ')
                .append(height)
                .append('\n');
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                // Lines of a plain bitmap stay under 70 characters.
                text.append(lit(x, y) ? '1' : '0')
                        .append(x % MOST_DIGITS == MOST_DIGITS - 1 || x == width - 1 ? "\n" : "");
            }
        }
        return text.toString();
    }

    /** Plain portable pixmap (P3). */
    public String ppm() {
        StringBuilder text = new StringBuilder("P3\n")
                .append(width)
                .append(' ')
                .append(height)
                .append("\n255\n");
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int c = mono ? lit(x, y) ? 0xFFFFFF : 0 : at(x, y);
                text.append(c >> 16 & 0xFF)
                        .append(' ')
                        .append(c >> 8 & 0xFF)
                        .append(' ')
                        .append(c & 0xFF);
                text.append(x % 5 == 4 || x == width - 1 ? '\n' : ' ');
            }
        }
        return text.toString();
    }

    /** A part of it; outside of it there is black. */
    public Picture part(Glass.Area area) {
        int[] cut = new int[area.width() * area.height()];
        for (int y = 0; y < area.height(); y++) {
            for (int x = 0; x < area.width(); x++) {
                int px = area.x() + x;
                int py = area.y() + y;
                boolean inside = px >= 0 && py >= 0 && px < width && py < height;
                cut[y * area.width() + x] = inside ? at(px, py) : 0;
            }
        }
        return new Picture(area.width(), area.height(), mono, cut);
    }

    /** How many pixels differ. */
    public int differences(Picture other) {
        int count = 0;
        for (int i = 0; i < rgb.length; i++) {
            count += i >= other.rgb.length || rgb[i] != other.rgb[i] ? 1 : 0;
        }
        return count;
    }
}
