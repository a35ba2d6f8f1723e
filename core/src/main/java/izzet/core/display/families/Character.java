package izzet.core.display.families;

import izzet.core.decode.BusEvent;
import izzet.core.decode.CharacterTransfer;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.character.Halves;
import izzet.core.display.CharacterCodes;
import izzet.core.display.CharacterModel;
import izzet.core.display.ExpanderBits;
import izzet.core.display.Glass;
import izzet.core.display.Interpreter;
import izzet.core.display.Panel;
import izzet.core.display.Said;
import izzet.core.display.Session;
import izzet.core.quantity.Hex;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Character displays, on lines of their own or behind an 8-bit expander. Source of the commands: data sheet of the character display
 * controller (HD44780U), from memory; of the usual bits of an expander: Linux kernel 6.1, binding example of its driver.
 */
public final class Character implements Interpreter {

    @Override
    public Set<String> speaks() {
        return Set.of("character", "expander-character");
    }

    @Override
    public List<String> slips(List<Integer> bytes, Panel panel) {
        return bytes.get(0) == 0x10
                ? List.of("0x10 moves the cursor one place to the left; the display is cleared by 0x01.")
                : List.of();
    }

    @Override
    public Panel usual(String family) {
        return Panel.plain(family, 16, 2);
    }

    @Override
    public Session begin(Panel panel) {
        return new Following(panel);
    }

    private static final class Following implements Session {

        private static final int MOST_WORDS = 6;

        /** By the two lowest bits of the commands that set them. */
        private static final List<String> CURSORS =
                List.of("", " with a blinking place", " with a cursor", " with a blinking cursor");

        private static final List<String> ENTRIES = List.of(
                "text goes left",
                "each character shifts the display right",
                "text goes right",
                "each character shifts the display left");

        private final CharacterModel model;
        private final ExpanderBits bits;
        private final Halves halves = new Halves(this::value);
        private final StringBuilder text = new StringBuilder();
        private final StringBuilder commands = new StringBuilder();
        private int words;
        private int glyphRows;
        private int reads;
        private int port;
        private int portRead = -1;

        Following(Panel panel) {
            model = new CharacterModel(panel.columns() > 0 ? panel.columns() : 16, panel.rows() > 0 ? panel.rows() : 2);
            bits = ExpanderBits.of(panel.expander());
        }

        @Override
        public Optional<Glass> glass() {
            return Optional.of(model);
        }

        @Override
        public Said hear(BusEvent event, long until) {
            text.setLength(0);
            commands.setLength(0);
            words = 0;
            glyphRows = 0;
            reads = 0;
            if (event instanceof I2cTransfer t) {
                if (t.read()) {
                    portRead = t.size() == 0 ? -1 : t.value(t.size() - 1);
                    return Said.alone("reads the expander's pins");
                }
                int size = t.ack() ? t.sizeUntil(until) : 0;
                for (int i = 0; i < size; i++) {
                    strobe(t, t.value(i));
                }
            } else if (event instanceof CharacterTransfer c && c.end() <= until) {
                value(c.start(), c.end(), c.data(), c.read(), c.value(), c.nibbles());
            }
            return said(event instanceof I2cTransfer);
        }

        private void strobe(I2cTransfer t, int now) {
            if (bits.enabled(port) && !bits.enabled(now)) {
                int seen = bits.read(port) && portRead >= 0 ? portRead : port;
                halves.half(t.start(), t.end(), bits.data(port), bits.read(port), bits.half(seen));
            }
            port = now;
        }

        private void value(long start, long end, boolean data, boolean read, int value, int nibbles) {
            if (read) {
                reads++;
                if (data) {
                    model.stepAfterRead();
                }
                return;
            }
            if (nibbles == 1) {
                wakeUp(data, value >> 4);
                return;
            }
            if (data) {
                boolean glyph = model.inGlyphs();
                model.write(value);
                if (glyph) {
                    glyphRows++;
                } else {
                    char c = CharacterCodes.shown(value);
                    text.append(c == 0 ? '⓪' : c < ' ' ? (char) ('①' + c - 1) : c);
                }
                return;
            }
            model.command(value);
            add(command(value));
        }

        private void wakeUp(boolean data, int half) {
            if (data) {
                add("half byte " + half + " as text");
            } else {
                model.command(half << 4);
                add(half == 3 ? "wake-up 3" : half == 2 ? "4-bit transfers from now on" : "half byte " + half);
            }
        }

        private void add(String word) {
            if (words++ < MOST_WORDS) {
                commands.append(commands.isEmpty() ? "" : ", ").append(word);
            }
        }

        private Said said(boolean expander) {
            if (words > MOST_WORDS) {
                commands.append(" and ").append(words - MOST_WORDS).append(" more");
            }
            if (glyphRows > 0 && text.isEmpty() && commands.isEmpty()) {
                return Said.counted("own glyph", glyphRows, "rows of it");
            }
            if (text.isEmpty() && commands.isEmpty()) {
                return Said.quiet(
                        reads > 0 ? "reads whether it is busy" : expander ? "sets the expander's lines" : "nothing");
            }
            if (commands.isEmpty()) {
                return new Said(text.toString(), Said.Manner.JOINED, 0, "writes");
            }
            String glyph = glyphRows > 0 ? ", " + glyphRows + " rows of it" : "";
            return Said.alone(commands + glyph + (text.isEmpty() ? "" : ", writes “" + text + "”"));
        }

        private String command(int c) {
            if (c >= 0x80) {
                return "cursor to " + cell(c & 0x7F);
            }
            if (c >= 0x40) {
                return "own glyph " + (c >> 3 & 7) + ((c & 7) == 0 ? "" : ", row " + (c & 7));
            }
            if (c >= 0x20) {
                return "set-up " + Hex.of(c) + " (" + setUp(c) + ")";
            }
            if (c >= 0x10) {
                return ((c & 8) != 0 ? "display shifts " : "cursor moves ") + ((c & 4) != 0 ? "right" : "left");
            }
            if (c >= 0x08) {
                return (c & 4) == 0 ? "display off" : "display on" + CURSORS.get(c & 3);
            }
            if (c >= 0x04) {
                return "entry mode " + Hex.of(c) + " (" + ENTRIES.get(c & 3) + ")";
            }
            return c >= 2 ? "home" : c == 1 ? "clear" : "command 0x00";
        }

        /** Dots of 5x10 are for one line only; with two the bit means nothing. */
        private static String setUp(int c) {
            boolean two = (c & 8) != 0;
            boolean tall = !two && (c & 4) != 0;
            return ((c & 0x10) != 0 ? "8" : "4") + " bits, " + (two ? "two lines" : "one line") + ", 5x"
                    + (tall ? 10 : 8);
        }

        private String cell(int address) {
            for (int row = 0; row < model.rows(); row++) {
                for (int column = 0; column < model.columns(); column++) {
                    if (model.addressOf(row, column) == address) {
                        return "row " + row + ", column " + column;
                    }
                }
            }
            return "address " + Hex.of(address) + ", which is not on the glass";
        }
    }
}
