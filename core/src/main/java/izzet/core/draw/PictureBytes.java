package izzet.core.draw;

import izzet.core.display.Picture;
import java.util.Arrays;

/**
 * A picture scaled, turned and dithered for a glass, and its bytes in the order of that glass.
 *
 * @param picture as the glass shows it
 * @param bytes in the order in which they are sent
 */
public record PictureBytes(Picture picture, byte[] bytes, Form form) {

    private static final int WHITE = 255;
    private static final int[][] ORDERED = {{0, 8, 2, 10}, {12, 4, 14, 6}, {3, 11, 1, 9}, {15, 7, 13, 5}};

    /** The order and depth of the bytes. */
    public enum Form {
        PAGE("page", "8 rows a byte, lowest bit on top, page by page"),
        ROWS("rows", "8 columns a byte, highest bit left, row by row"),
        GREY("grey", "two pixels a byte, 16 greys"),
        BITS_16("16", "16 bits a pixel, upper byte first"),
        BITS_18("18", "18 bits a pixel, three bytes"),
        BITS_12("12", "12 bits a pixel, three bytes for two"),
        BITMAP("bmp", "uncompressed bitmap file of 24 bits");

        private final String id;
        private final String words;

        Form(String id, String words) {
            this.id = id;
            this.words = words;
        }

        public String id() {
            return id;
        }

        public String words() {
            return words;
        }

        public static Form of(String id) {
            return Arrays.stream(values())
                    .filter(f -> f.id.equals(id))
                    .findFirst()
                    .orElseThrow();
        }

        public static String[] ids() {
            return Arrays.stream(values()).map(Form::id).toArray(String[]::new);
        }

        boolean mono() {
            return this == PAGE || this == ROWS;
        }

        /** Steps of each colour; 0 for all 256. */
        int[] levels() {
            return switch (this) {
                case PAGE, ROWS -> new int[] {2, 2, 2};
                case GREY -> new int[] {16, 16, 16};
                case BITS_16 -> new int[] {32, 64, 32};
                case BITS_18 -> new int[] {64, 64, 64};
                case BITS_12 -> new int[] {16, 16, 16};
                case BITMAP -> new int[] {256, 256, 256};
            };
        }
    }

    /**
     * @param dither {@code none}, {@code diffuse} (error passed on to neighbours) or {@code ordered}
     * @param fit {@code whole} with bars, {@code fill} cut at the edges, or {@code stretch}
     * @param quarters turned clockwise
     * @param threshold of one colour
     * @param swap lower byte first
     */
    public record Wish(
            int columns,
            int rows,
            Form form,
            String dither,
            String fit,
            int quarters,
            int threshold,
            boolean invert,
            boolean swap) {}

    public static PictureBytes of(Picture source, Wish wish) {
        Picture turned = source;
        for (int i = 0; i < wish.quarters(); i++) {
            turned = turned(turned);
        }
        double[][] channels = scaled(turned, wish);
        int size = wish.columns() * wish.rows();
        if (wish.form().mono() || wish.form() == Form.GREY) {
            for (int i = 0; i < size; i++) {
                double grey = 0.299 * channels[0][i] + 0.587 * channels[1][i] + 0.114 * channels[2][i];
                channels[0][i] = grey;
            }
            quantised(channels[0], wish, wish.form().levels()[0]);
            channels[1] = channels[0];
            channels[2] = channels[0];
        } else {
            for (int c = 0; c < channels.length; c++) {
                quantised(channels[c], wish, wish.form().levels()[c]);
            }
        }
        int[] rgb = new int[size];
        for (int i = 0; i < size; i++) {
            int colour = at(channels[0][i]) << 16 | at(channels[1][i]) << 8 | at(channels[2][i]);
            rgb[i] = wish.form().mono() ? colour != 0 ? 1 : 0 : colour;
        }
        Picture picture = new Picture(wish.columns(), wish.rows(), wish.form().mono(), rgb);
        return new PictureBytes(picture, bytes(picture, wish), wish.form());
    }

    private static int at(double value) {
        return (int) Math.max(0, Math.min(WHITE, Math.round(value)));
    }

    private static Picture turned(Picture p) {
        int[] rgb = new int[p.rgb().length];
        for (int y = 0; y < p.height(); y++) {
            for (int x = 0; x < p.width(); x++) {
                rgb[x * p.height() + p.height() - 1 - y] = p.at(x, y);
            }
        }
        return new Picture(p.height(), p.width(), p.mono(), rgb);
    }

    /** Three channels from 0 to 255; each pixel the mean of those that it covers. */
    private static double[][] scaled(Picture p, Wish wish) {
        double sx = wish.columns() / (double) p.width();
        double sy = wish.rows() / (double) p.height();
        if (!wish.fit().equals("stretch")) {
            sx = wish.fit().equals("fill") ? Math.max(sx, sy) : Math.min(sx, sy);
            sy = sx;
        }
        double left = (wish.columns() - p.width() * sx) / 2;
        double top = (wish.rows() - p.height() * sy) / 2;
        double[][] out = new double[3][wish.columns() * wish.rows()];
        for (int y = 0; y < wish.rows(); y++) {
            for (int x = 0; x < wish.columns(); x++) {
                mean(
                        p,
                        (x - left) / sx,
                        (x + 1 - left) / sx,
                        (y - top) / sy,
                        (y + 1 - top) / sy,
                        out,
                        y * wish.columns() + x,
                        wish.invert());
            }
        }
        return out;
    }

    private static void mean(
            Picture p, double x0, double x1, double y0, double y1, double[][] out, int at, boolean invert) {
        double sum = 0;
        double[] colour = new double[3];
        for (int y = (int) Math.floor(Math.max(0, y0)); y < Math.min(p.height(), y1); y++) {
            double high = Math.min(y1, y + 1) - Math.max(y0, y);
            for (int x = (int) Math.floor(Math.max(0, x0)); x < Math.min(p.width(), x1); x++) {
                double weight = high * (Math.min(x1, x + 1) - Math.max(x0, x));
                if (weight > 0) {
                    int c = p.mono() && p.lit(x, y) ? 0xFFFFFF : p.at(x, y);
                    colour[0] += weight * (c >> 16 & WHITE);
                    colour[1] += weight * (c >> 8 & WHITE);
                    colour[2] += weight * (c & WHITE);
                    sum += weight;
                }
            }
        }
        for (int c = 0; c < colour.length; c++) {
            double value = sum == 0 ? 0 : colour[c] / sum;
            out[c][at] = invert && sum > 0 ? WHITE - value : value;
        }
    }

    private static void quantised(double[] values, Wish wish, int levels) {
        double step = WHITE / (double) (levels - 1);
        for (int y = 0; y < wish.rows(); y++) {
            for (int x = 0; x < wish.columns(); x++) {
                int i = y * wish.columns() + x;
                double wanted = values[i];
                double moved =
                        wish.dither().equals("ordered") ? wanted + (ORDERED[y % 4][x % 4] / 15.0 - 0.5) * step : wanted;
                double got = levels == 2
                        ? moved >= wish.threshold() ? WHITE : 0
                        : Math.max(0, Math.min(levels - 1, Math.round(moved / step))) * step;
                values[i] = got;
                if (wish.dither().equals("diffuse")) {
                    spread(values, wish, x, y, wanted - got);
                }
            }
        }
    }

    /** Passes an error on to the neighbours that are still to come, in sixteenths: 7, 3, 5, 1. */
    private static void spread(double[] values, Wish wish, int x, int y, double error) {
        int[][] to = {{1, 0, 7}, {-1, 1, 3}, {0, 1, 5}, {1, 1, 1}};
        for (int[] t : to) {
            int px = x + t[0];
            int py = y + t[1];
            if (px >= 0 && px < wish.columns() && py < wish.rows()) {
                values[py * wish.columns() + px] += error * t[2] / 16;
            }
        }
    }

    private static byte[] bytes(Picture p, Wish wish) {
        int w = p.width();
        int h = p.height();
        return switch (wish.form()) {
            case PAGE -> {
                byte[] out = new byte[w * ((h + 7) / 8)];
                for (int y = 0; y < h; y++) {
                    for (int x = 0; x < w; x++) {
                        out[y / 8 * w + x] |= (byte) (p.lit(x, y) ? 1 << y % 8 : 0);
                    }
                }
                yield out;
            }
            case ROWS -> {
                int stride = (w + 7) / 8;
                byte[] out = new byte[stride * h];
                for (int y = 0; y < h; y++) {
                    for (int x = 0; x < w; x++) {
                        out[y * stride + x / 8] |= (byte) (p.lit(x, y) ? 0x80 >> x % 8 : 0);
                    }
                }
                yield out;
            }
            case GREY -> nibbles(p, 1);
            case BITS_12 -> nibbles(p, 3);
            case BITS_16 -> {
                byte[] out = new byte[w * h * 2];
                for (int i = 0; i < w * h; i++) {
                    int v = Colours.Form.BITS_16.value(p.rgb()[i]);
                    out[2 * i] = (byte) (wish.swap() ? v : v >> 8);
                    out[2 * i + 1] = (byte) (wish.swap() ? v >> 8 : v);
                }
                yield out;
            }
            case BITS_18 -> {
                byte[] out = new byte[w * h * 3];
                for (int i = 0; i < w * h; i++) {
                    int v = Colours.Form.BITS_18.value(p.rgb()[i]);
                    out[3 * i] = (byte) (v >> 12 << 2);
                    out[3 * i + 1] = (byte) ((v >> 6 & 0x3F) << 2);
                    out[3 * i + 2] = (byte) ((v & 0x3F) << 2);
                }
                yield out;
            }
            case BITMAP -> bitmap(p);
        };
    }

    private static byte[] nibbles(Picture p, int channels) {
        byte[] out = new byte[(p.rgb().length * channels + 1) / 2];
        for (int i = 0; i < p.rgb().length; i++) {
            for (int c = 0; c < channels; c++) {
                int eight = channels == 1 ? p.rgb()[i] & WHITE : p.rgb()[i] >> 16 - 8 * c & WHITE;
                int at = i * channels + c;
                out[at / 2] |= (byte) (Math.round(eight * 15 / 255f) << (at % 2 == 0 ? 4 : 0));
            }
        }
        return out;
    }

    /** A file of the device-independent bitmap format: header of 54 bytes, rows from below, each padded to four bytes. */
    private static byte[] bitmap(Picture p) {
        int header = 54;
        int stride = (p.width() * 3 + 3) / 4 * 4;
        byte[] out = new byte[header + stride * p.height()];
        out[0] = 'B';
        out[1] = 'M';
        put(out, 2, out.length, 4);
        put(out, 10, header, 4);
        put(out, 14, 40, 4);
        put(out, 18, p.width(), 4);
        put(out, 22, p.height(), 4);
        put(out, 26, 1, 2);
        put(out, 28, 24, 2);
        put(out, 34, stride * p.height(), 4);
        for (int y = 0; y < p.height(); y++) {
            for (int x = 0; x < p.width(); x++) {
                put(out, header + (p.height() - 1 - y) * stride + 3 * x, p.at(x, y), 3);
            }
        }
        return out;
    }

    private static void put(byte[] out, int at, int value, int bytes) {
        for (int i = 0; i < bytes; i++) {
            out[at + i] = (byte) (value >> 8 * i);
        }
    }
}
