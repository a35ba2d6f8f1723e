package izzet.core.display;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * The controller of a character display: its memories, its cursor, its shift. Source: data sheet of the character display controller
 * (HD44780U), instructions and line addresses; from memory. Not thread-safe.
 */
public final class CharacterModel implements Glass.Text {

    /** Characters of one line in the memory of two. */
    public static final int LINE = 40;

    private static final int SECOND = 0x40;
    private static final int ONE_LINE = 80;
    private static final int GLYPHS = 8;
    private static final int GLYPH_ROWS = 8;
    private static final int ADDRESSES = 0x80;
    private static final int THIRD_OF_20 = 0x14;
    private static final int THIRD_OF_16 = 0x10;
    private static final int WHOLE_SET_UP = 3;
    private static final String SOURCE =
            "data sheet of the character display controller (HD44780U), instructions and line addresses; from memory";
    private static final int HALF = 8;

    private final int columns;
    private final int rows;
    private final int[] text = new int[ADDRESSES];
    private final int[] glyphs = new int[GLYPHS * GLYPH_ROWS];
    private final boolean[] written = new boolean[GLYPHS];
    private int address;
    private boolean inGlyphs;
    private boolean up = true;
    private boolean shifting;
    private boolean on = true;
    private boolean cursorOn;
    private boolean blinks;
    private boolean twoLines = true;

    /** How often it was told how many lines it has: three times and more as whole set-ups begin. */
    private int setUps;

    private boolean switched;

    /** Whether the cursor was sent where lines 3 and 4 of 20, and of 16 characters begin. */
    private boolean linesOf20;

    private boolean linesOf16;
    private int shift;
    private long changes;
    private long letters;

    /** Of the glass. */
    public CharacterModel(int columns, int rows) {
        this.columns = columns;
        this.rows = rows;
        Arrays.fill(text, ' ');
    }

    /** An instruction. */
    public void command(int c) {
        changes++;
        if (c >= 0x80) {
            address = c & 0x7F;
            inGlyphs = false;
            linesOf20 |= address == THIRD_OF_20 || address == SECOND + THIRD_OF_20;
            linesOf16 |= address == THIRD_OF_16 || address == SECOND + THIRD_OF_16;
        } else if (c >= 0x40) {
            address = c & 0x3F;
            inGlyphs = true;
        } else if (c >= 0x20) {
            twoLines = (c & 8) != 0;
            setUps++;
        } else if (c >= 0x10) {
            int by = (c & 4) != 0 ? 1 : -1;
            if ((c & 8) != 0) {
                shift -= by;
            } else {
                step(by);
            }
        } else if (c >= 0x08) {
            on = (c & 4) != 0;
            switched = true;
            cursorOn = (c & 2) != 0;
            blinks = (c & 1) != 0;
        } else if (c >= 0x04) {
            up = (c & 2) != 0;
            shifting = (c & 1) != 0;
        } else if (c >= 0x02) {
            home();
        } else if (c == 0x01) {
            Arrays.fill(text, ' ');
            up = true;
            home();
        }
    }

    private void home() {
        address = 0;
        shift = 0;
        inGlyphs = false;
    }

    /** A byte for the memory that the address points into. */
    public void write(int value) {
        changes++;
        if (inGlyphs) {
            int at = address & 0x3F;
            glyphs[at] = value & 0x1F;
            written[at / GLYPH_ROWS] = true;
        } else {
            text[address & 0x7F] = value & 0xFF;
            letters++;
            if (shifting) {
                shift += up ? 1 : -1;
            }
        }
        step(up ? 1 : -1);
    }

    /** The address counter moves on, as after a read. */
    public void step(int by) {
        if (inGlyphs) {
            address = address + by & 0x3F;
        } else if (!twoLines) {
            address = Math.floorMod(address + by, ONE_LINE);
        } else {
            int line = address >= SECOND ? 1 : 0;
            int at = line * LINE + (address & 0x3F) + by;
            at = Math.floorMod(at, 2 * LINE);
            address = at >= LINE ? SECOND + at - LINE : at;
        }
    }

    public void stepAfterRead() {
        step(up ? 1 : -1);
    }

    /** Address of a cell of the glass in the memory, before any shift. */
    public int addressOf(int row, int column) {
        if (!twoLines) {
            return row * columns + column;
        }
        if (rows == 1) {
            // A glass of 16 by 1 that was told two lines is wired as two halves of 8.
            return column < HALF || columns != 2 * HALF ? column : SECOND + column - HALF;
        }
        return (row % 2 == 1 ? SECOND : 0) + (row >= 2 ? columns : 0) + column;
    }

    private int shifted(int cell) {
        if (!twoLines) {
            return Math.floorMod(cell + shift, ONE_LINE);
        }
        int line = cell >= SECOND ? SECOND : 0;
        return line + Math.floorMod(cell - line + shift, LINE);
    }

    /** Where the next character goes. */
    public int address() {
        return address & ADDRESSES - 1;
    }

    public boolean inGlyphs() {
        return inGlyphs;
    }

    public boolean twoLines() {
        return twoLines;
    }

    @Override
    public int columns() {
        return columns;
    }

    @Override
    public int rows() {
        return rows;
    }

    @Override
    public long changes() {
        return changes;
    }

    @Override
    public long written() {
        return letters;
    }

    @Override
    public String state() {
        String off = on ? "" : "switched off";
        boolean half = !twoLines && rows > 1;
        return off + (half ? (on ? "" : ", ") + "set up for one line: the others stay dark" : "");
    }

    @Override
    public List<Misfit> misfits() {
        List<Misfit> all = new ArrayList<>();
        if (setUps > 0 && !twoLines && rows > 1) {
            // A single one may be half of two others, where a record begins between their halves.
            all.add(new Misfit(
                    "is set up for one line: the others stay dark",
                    "Send 28 over 4 lines, 38 over 8.",
                    setUps >= WHOLE_SET_UP,
                    SOURCE));
        }
        if (setUps >= WHOLE_SET_UP && !(switched && on)) {
            all.add(Misfit.neverOn("0C", SOURCE));
        }
        boolean fourOf16 = rows > 2 && columns == THIRD_OF_16;
        boolean fourOf20 = rows > 2 && columns == THIRD_OF_20;
        if (fourOf16 && linesOf20 && !linesOf16 || fourOf20 && linesOf16 && !linesOf20) {
            all.add(new Misfit(
                    "gets lines 3 and 4 where those of " + (fourOf16 ? 20 : 16) + " characters begin; its own begin at "
                            + (fourOf16 ? "10 and 50" : "14 and 54"),
                    "Give the program the size of the glass that is there.",
                    false,
                    SOURCE));
        }
        return all;
    }

    @Override
    public List<String> lines() {
        List<String> lines = new ArrayList<>();
        for (int row = 0; row < rows; row++) {
            StringBuilder line = new StringBuilder();
            for (int column = 0; column < columns; column++) {
                boolean dark = !on || !twoLines && row > 0;
                line.append(dark ? ' ' : CharacterCodes.shown(text[shifted(addressOf(row, column)) & 0x7F]));
            }
            lines.add(line.toString());
        }
        return lines;
    }

    @Override
    public SortedMap<Integer, int[]> glyphs() {
        SortedMap<Integer, int[]> own = new TreeMap<>();
        for (int slot = 0; slot < GLYPHS; slot++) {
            if (written[slot]) {
                own.put(slot, Arrays.copyOfRange(glyphs, slot * GLYPH_ROWS, (slot + 1) * GLYPH_ROWS));
            }
        }
        return own;
    }

    @Override
    public int cursor() {
        if (!on || inGlyphs || !cursorOn && !blinks) {
            return -1;
        }
        for (int cell = 0; cell < rows * columns; cell++) {
            if (shifted(addressOf(cell / columns, cell % columns)) == address) {
                return cell;
            }
        }
        return -1;
    }
}
