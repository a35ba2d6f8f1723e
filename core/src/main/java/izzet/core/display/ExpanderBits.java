package izzet.core.display;

import java.util.HashMap;
import java.util.Map;

/**
 * Which bit of an 8-bit expander drives which line of the character display behind it.
 *
 * @param light bit of the backlight; -1 where none is driven
 */
public record ExpanderBits(int rs, int rw, int e, int light, int d4, int d5, int d6, int d7) {

    /** As most boards have them. Source: Linux kernel 6.1, binding example of its character display driver. */
    public static final ExpanderBits USUAL = new ExpanderBits(0, 1, 2, 3, 4, 5, 6, 7);

    private static final int MOST = 15;

    /** @param bits by line; the usual ones where it is empty */
    public static ExpanderBits of(Map<String, Integer> bits) {
        if (bits.isEmpty()) {
            return USUAL;
        }
        return new ExpanderBits(
                need(bits, "rs"),
                bits.getOrDefault("rw", -1),
                need(bits, "e"),
                bits.getOrDefault("backlight", -1),
                need(bits, "d4"),
                need(bits, "d5"),
                need(bits, "d6"),
                need(bits, "d7"));
    }

    /**
     * Reads a list such as {@code rs:0,rw:1,e:2,backlight:3,d4:4,d5:5,d6:6,d7:7}.
     *
     * @throws IllegalArgumentException when a line is missing or a bit is not there; the message says which
     */
    public static ExpanderBits read(String list) {
        Map<String, Integer> bits = new HashMap<>();
        for (String one : list.split(",")) {
            String[] pair = one.strip().split(":");
            if (pair.length != 2 || !pair[1].strip().matches("\\d{1,2}") || Integer.parseInt(pair[1].strip()) > MOST) {
                throw new IllegalArgumentException(
                        "bits is a list such as rs:0,rw:1,e:2,backlight:3,d4:4,d5:5,d6:6,d7:7; '" + one
                                + "' is none of it.");
            }
            bits.put(pair[0].strip(), Integer.parseInt(pair[1].strip()));
        }
        return of(bits);
    }

    private static int need(Map<String, Integer> bits, String line) {
        Integer bit = bits.get(line);
        if (bit == null) {
            throw new IllegalArgumentException("bits has no " + line + "; rs, e, d4, d5, d6 and d7 are needed.");
        }
        return bit;
    }

    public Map<String, Integer> map() {
        Map<String, Integer> map = new HashMap<>(Map.of("rs", rs, "e", e, "d4", d4, "d5", d5, "d6", d6, "d7", d7));
        if (rw >= 0) {
            map.put("rw", rw);
        }
        if (light >= 0) {
            map.put("backlight", light);
        }
        return map;
    }

    boolean is(int port, int bit) {
        return bit >= 0 && (port >> bit & 1) == 1;
    }

    public boolean enabled(int port) {
        return is(port, e);
    }

    public boolean data(int port) {
        return is(port, rs);
    }

    public boolean read(int port) {
        return is(port, rw);
    }

    /** The four data lines. */
    public int half(int port) {
        return port >> d4 & 1 | (port >> d5 & 1) << 1 | (port >> d6 & 1) << 2 | (port >> d7 & 1) << 3;
    }
}
