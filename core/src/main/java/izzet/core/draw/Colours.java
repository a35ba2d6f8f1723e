package izzet.core.draw;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;

/** Colours as 0xRRGGBB, and the forms that panels take. Names: the sixteen of HTML 4.01, W3C recommendation, and orange. */
public final class Colours {

    private static final Map<String, Integer> NAMES = new LinkedHashMap<>();

    static {
        String[] names = {
            "black", "silver", "gray", "white", "maroon", "red", "purple", "fuchsia", "green", "lime", "olive",
            "yellow", "navy", "blue", "teal", "aqua", "orange"
        };
        int[] values = {
            0x000000, 0xC0C0C0, 0x808080, 0xFFFFFF, 0x800000, 0xFF0000, 0x800080, 0xFF00FF, 0x008000, 0x00FF00,
            0x808000, 0xFFFF00, 0x000080, 0x0000FF, 0x008080, 0x00FFFF, 0xFFA500
        };
        for (int i = 0; i < names.length; i++) {
            NAMES.put(names[i], values[i]);
        }
    }

    private Colours() {}

    /** How many bits each colour has on the wire. */
    public enum Form {
        BITS_24("24 bits", 24, 8, 8, 8),
        BITS_18("18 bits, each in the upper six of a byte", 18, 6, 6, 6),
        BITS_16("16 bits", 16, 5, 6, 5),
        BITS_12("12 bits", 12, 4, 4, 4),
        GREY_4("16 greys", 4, 0, 4, 0);

        private final String words;
        private final int bits;
        private final int red;
        private final int green;
        private final int blue;

        Form(String words, int bits, int red, int green, int blue) {
            this.words = words;
            this.bits = bits;
            this.red = red;
            this.green = green;
            this.blue = blue;
        }

        public String words() {
            return words;
        }

        public int bits() {
            return bits;
        }

        /** The nearest value of this form. */
        public int value(int colour) {
            if (this == GREY_4) {
                return nearest(luma(colour), 4);
            }
            return nearest(colour >> 16 & 0xFF, red) << green + blue
                    | nearest(colour >> 8 & 0xFF, green) << blue
                    | nearest(colour & 0xFF, blue);
        }

        /** What a panel makes of a value: the upper bits repeated below. */
        public int back(int value) {
            if (this == GREY_4) {
                return value * 0x111111;
            }
            return widened(value >> green + blue, red) << 16
                    | widened(value >> blue, green) << 8
                    | widened(value, blue);
        }

        /** On the wire, two hexadecimal digits a byte. */
        public String bytes(int colour, boolean lowFirst) {
            int value = value(colour);
            String text =
                    switch (this) {
                        case BITS_24 ->
                            String.format(Locale.ROOT, "%02X %02X %02X", value >> 16, value >> 8 & 0xFF, value & 0xFF);
                        case BITS_18 ->
                            String.format(
                                    Locale.ROOT,
                                    "%02X %02X %02X",
                                    (value >> 12) << 2,
                                    (value >> 6 & 0x3F) << 2,
                                    (value & 0x3F) << 2);
                        case BITS_16 -> String.format(Locale.ROOT, "%02X %02X", value >> 8, value & 0xFF);
                        case BITS_12 -> String.format(Locale.ROOT, "%03X", value);
                        case GREY_4 -> String.format(Locale.ROOT, "%X", value);
                    };
            if (!lowFirst) {
                return text;
            }
            String[] parts = text.split(" ");
            java.util.Collections.reverse(java.util.Arrays.asList(parts));
            return String.join(" ", parts);
        }
    }

    private static int nearest(int eight, int bits) {
        return Math.round(eight * ((1 << bits) - 1) / 255f);
    }

    private static int widened(int value, int bits) {
        int v = value & (1 << bits) - 1;
        int wide = v << 8 - bits;
        return wide | wide >> bits | (bits == 4 ? 0 : wide >> 2 * bits);
    }

    /** Brightness as eyes weigh it. Source: ITU-R BT.601, from memory. */
    public static int luma(int colour) {
        return Math.round(0.299f * (colour >> 16 & 0xFF) + 0.587f * (colour >> 8 & 0xFF) + 0.114f * (colour & 0xFF));
    }

    /**
     * Reads a name, #rgb, #rrggbb, "47, 107, 154", or 16 bits as 0x2B53.
     *
     * @throws IllegalArgumentException when it is none of them
     */
    public static int read(String text) {
        String clean = text.strip().toLowerCase(Locale.ROOT);
        if (NAMES.containsKey(clean)) {
            return NAMES.get(clean);
        }
        if (clean.matches("#[0-9a-f]{6}")) {
            return Integer.parseInt(clean.substring(1), 16);
        }
        if (clean.matches("#[0-9a-f]{3}")) {
            int v = Integer.parseInt(clean.substring(1), 16);
            return (v >> 8) * 17 << 16 | (v >> 4 & 15) * 17 << 8 | (v & 15) * 17;
        }
        if (clean.matches("0x[0-9a-f]{4}")) {
            return Form.BITS_16.back(Integer.parseInt(clean.substring(2), 16));
        }
        if (clean.matches("\\d{1,3}([ ,]+\\d{1,3}){2}")) {
            String[] parts = clean.split("[ ,]+");
            int colour = 0;
            for (String part : parts) {
                int value = Integer.parseInt(part);
                if (value > 255) {
                    throw new IllegalArgumentException(
                            "colour: each of red, green and blue goes up to 255, not " + value + ".");
                }
                colour = colour << 8 | value;
            }
            return colour;
        }
        throw new IllegalArgumentException("colour is a name, #2F6B9A, 47, 107, 154 or 0x2B53, not '"
                + (text.length() > 40 ? text.substring(0, 40) + "…" : text) + "'.");
    }

    public static String hex(int colour) {
        return String.format(Locale.ROOT, "#%06X", colour);
    }

    public static String nearestName(int colour) {
        String best = "";
        int least = Integer.MAX_VALUE;
        for (Map.Entry<String, Integer> one : NAMES.entrySet()) {
            int distance = distance(colour, one.getValue());
            if (distance < least) {
                least = distance;
                best = one.getKey();
            }
        }
        return least == 0 ? best : "near " + best;
    }

    private static int distance(int a, int b) {
        int r = (a >> 16 & 0xFF) - (b >> 16 & 0xFF);
        int g = (a >> 8 & 0xFF) - (b >> 8 & 0xFF);
        int u = (a & 0xFF) - (b & 0xFF);
        return r * r + g * g + u * u;
    }

    /** The largest difference of red, green or blue, of 255. */
    public static int worst(int a, int b) {
        int worst = 0;
        for (int shift = 0; shift <= 16; shift += 8) {
            worst = Math.max(worst, Math.abs((a >> shift & 0xFF) - (b >> shift & 0xFF)));
        }
        return worst;
    }
}
