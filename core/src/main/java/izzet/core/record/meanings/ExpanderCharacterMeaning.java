package izzet.core.record.meanings;

import izzet.core.decode.I2cTransfer;
import izzet.core.quantity.Hex;
import izzet.core.record.Meaning;

/**
 * A character display in 4-bit wiring behind an 8-bit expander: bit 0 RS, 1 R/W, 2 E, 3 backlight, 4 to 7 data. Source of the bits:
 * Linux kernel 6.1, binding example of its character display driver. Source of the commands: character display controller data sheet
 * (HD44780U), from memory.
 */
public final class ExpanderCharacterMeaning implements Meaning {

    private static final int RS = 1;
    private static final int ENABLE = 4;
    private int last;
    private int upper = -1;
    private boolean fourBits;

    @Override
    public String speaks() {
        return "expander-character";
    }

    @Override
    public Said of(I2cTransfer t) {
        if (t.read()) {
            return Said.alone("reads the expander's pins");
        }
        StringBuilder text = new StringBuilder();
        StringBuilder commands = new StringBuilder();
        for (int i = 0; i < t.size(); i++) {
            int now = t.value(i);
            boolean strobe = (last & ENABLE) != 0 && (now & ENABLE) == 0;
            if (strobe) {
                nibble(last >> 4, (last & RS) != 0, text, commands);
            }
            last = now;
        }
        if (text.isEmpty() && commands.isEmpty()) {
            return new Said("sets the expander's lines", Manner.QUIET, 0, "");
        }
        if (commands.isEmpty()) {
            return new Said(text.toString(), Manner.JOINED, 0, "writes");
        }
        return Said.alone(commands + (text.isEmpty() ? "" : ", writes “" + text + "”"));
    }

    private void nibble(int value, boolean data, StringBuilder text, StringBuilder commands) {
        if (!fourBits && !data) {
            add(commands, value == 3 ? "wake-up 3" : value == 2 ? "4-bit transfers from now on" : "half byte " + value);
            fourBits = value == 2;
            upper = -1;
            return;
        }
        if (upper < 0) {
            upper = value;
            return;
        }
        int whole = upper << 4 | value;
        upper = -1;
        if (data) {
            text.append(whole >= ' ' && whole < 0x7F ? (char) whole : '·');
        } else {
            add(commands, command(whole));
        }
    }

    private static void add(StringBuilder list, String word) {
        list.append(list.isEmpty() ? "" : ", ").append(word);
    }

    private static String command(int c) {
        if (c >= 0x80) {
            int at = c & 0x7F;
            return "cursor to row " + (at >= 0x40 ? 1 : 0) + ", column " + (at & 0x3F);
        }
        if (c >= 0x40) {
            return "own glyph " + (c >> 3 & 7);
        }
        if (c >= 0x20) {
            return "set-up " + Hex.of(c);
        }
        if (c >= 0x10) {
            return "shift";
        }
        if (c >= 0x08) {
            return (c & 4) != 0 ? "display on" : "display off";
        }
        if (c >= 0x04) {
            return "entry mode " + Hex.of(c);
        }
        return c >= 2 ? "home" : c == 1 ? "clear" : "command 0x00";
    }
}
