package izzet.core.record.meanings;

import izzet.core.decode.I2cTransfer;
import izzet.core.quantity.Hex;
import izzet.core.record.Meaning;
import java.util.ArrayList;
import java.util.List;

/**
 * Commands of the page-addressed monochrome OLED. Source: data sheet of the 128 x 64 segment driver (SSD1306), command table, from
 * memory; Linux kernel 6.1, its driver for this family.
 */
public final class PageOledMeaning implements Meaning {

    private static final int MANY = 6;

    @Override
    public String speaks() {
        return "page-oled";
    }

    @Override
    public Said of(I2cTransfer t) {
        if (t.read()) {
            return Said.alone("reads its status");
        }
        if (t.size() == 0) {
            return Said.alone("nothing but its address");
        }
        int control = t.value(0);
        if (control == 0x40) {
            return new Said("picture", Manner.COUNTED, t.size() - 1, "picture bytes");
        }
        List<Integer> commands = new ArrayList<>();
        if (control == 0x00) {
            for (int i = 1; i < t.size(); i++) {
                commands.add(t.value(i));
            }
        } else if (control == 0x80) {
            for (int i = 1; i < t.size(); i += 2) {
                commands.add(t.value(i));
            }
        } else {
            return Said.alone("control byte " + Hex.of(control) + ", which is none of 0x00, 0x40, 0x80");
        }
        return Said.alone(names(commands));
    }

    private static String names(List<Integer> commands) {
        List<String> words = new ArrayList<>();
        int i = 0;
        while (i < commands.size()) {
            int c = commands.get(i);
            int parameters = parameters(c);
            int p = i + 1 < commands.size() ? commands.get(i + 1) : 0;
            int q = i + 2 < commands.size() ? commands.get(i + 2) : 0;
            words.add(name(c, p, q));
            i += 1 + parameters;
        }
        int hidden = words.size() - MANY;
        return String.join(", ", words.subList(0, Math.min(MANY, words.size())))
                + (hidden > 0 ? " and " + hidden + " more settings" : "");
    }

    private static int parameters(int c) {
        return switch (c) {
            case 0x21, 0x22 -> 2;
            case 0x20, 0x81, 0x8D, 0xA8, 0xD3, 0xD5, 0xD8, 0xD9, 0xDA, 0xDB -> 1;
            default -> 0;
        };
    }

    private static String name(int c, int p, int q) {
        if (c <= 0x0F) {
            return "column low " + c;
        }
        if (c <= 0x1F) {
            return "column high " + (c & 0x0F);
        }
        if (c >= 0x40 && c <= 0x7F) {
            return "start line " + (c & 0x3F);
        }
        if (c >= 0xB0 && c <= 0xB7) {
            return "page " + (c & 7);
        }
        return switch (c) {
            case 0x20 -> "memory mode by " + (p == 0 ? "rows" : p == 1 ? "columns" : "pages");
            case 0x21 -> "columns " + p + " to " + q;
            case 0x22 -> "pages " + p + " to " + q;
            case 0x81 -> "contrast " + p + " of 255";
            case 0x8D -> "charge pump " + ((p & 4) != 0 ? "on" : "off");
            case 0xA0 -> "columns left to right";
            case 0xA1 -> "columns mirrored";
            case 0xA4 -> "show the memory";
            case 0xA5 -> "all pixels on";
            case 0xA6 -> "normal polarity";
            case 0xA7 -> "inverted polarity";
            case 0xA8 -> (p + 1) + " rows";
            case 0xAE -> "display off";
            case 0xAF -> "display on";
            case 0xC0 -> "rows top down";
            case 0xC8 -> "rows bottom up";
            case 0xD3 -> "display offset " + p;
            case 0xD5 -> "clock " + Hex.of(p);
            case 0xD9 -> "precharge " + Hex.of(p);
            case 0xDA -> "row wiring " + Hex.of(p);
            case 0xDB -> "deselect level " + Hex.of(p);
            default -> "command " + Hex.of(c);
        };
    }
}
