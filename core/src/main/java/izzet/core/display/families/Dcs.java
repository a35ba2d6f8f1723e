package izzet.core.display.families;

import izzet.core.display.Glass;
import izzet.core.display.Interpreter;
import izzet.core.display.Panel;
import izzet.core.display.Picture;
import izzet.core.display.PixelSession;
import izzet.core.display.Session;
import izzet.core.display.Window;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Colour panels with the common command set. Source: MIPI DCS, from memory; Linux kernel 6.1, include/video/mipi_display.h. */
public final class Dcs implements Interpreter {

    @Override
    public Set<String> speaks() {
        return Set.of("dcs");
    }

    @Override
    public int parameters(String family, int command) {
        return command == 0x2C || command == 0x3C ? PICTURE : Following.wanted(command);
    }

    @Override
    public List<String> slips(List<Integer> bytes, Panel panel) {
        if (bytes.size() != 5) {
            return List.of();
        }
        int first = bytes.get(1) << 8 | bytes.get(2);
        int last = bytes.get(3) << 8 | bytes.get(4);
        return switch (bytes.get(0)) {
            case 0x2A -> Window.slips("column", first, last, panel.columns());
            case 0x2B -> Window.slips("row", first, last, panel.rows());
            default -> List.of();
        };
    }

    @Override
    public Optional<Window> window(Panel panel, Glass.Area area) {
        long pixels = (long) area.width() * area.height();
        return Optional.of(new Window(
                List.of(
                        ends(0x2A, "columns", area.x() + panel.offsetColumns(), area.width()),
                        ends(0x2B, "rows", area.y() + panel.offsetRows(), area.height()),
                        new Window.Line(List.of(0x2C), "then the pixels, row by row")),
                List.of(),
                List.of(
                        new Window.Fill("16 bits a pixel", pixels * 2),
                        new Window.Fill("18 bits a pixel", pixels * 3))));
    }

    private static Window.Line ends(int command, String what, int first, int count) {
        int last = first + count - 1;
        return new Window.Line(
                List.of(command, first >> 8, first & 0xFF, last >> 8, last & 0xFF),
                what + " " + first + " to " + last + ", both included");
    }

    @Override
    public Panel usual(String family) {
        return Panel.plain(family, 128, 160);
    }

    @Override
    public Session begin(Panel panel) {
        return new Following(panel);
    }

    private static final class Following extends PixelSession {

        private static final int NOT_WRITTEN = -1;
        private static final int MOST_SIDE = 1024;
        private static final int KEPT_PARAMETERS = 16;

        private static final int ROWS_BOTTOM_UP = 0x80;
        private static final int COLUMNS_RIGHT_TO_LEFT = 0x40;
        private static final int EXCHANGED = 0x20;
        private static final String SOURCE = "MIPI Display Command Set; what the glass has: its file";
        private static final int BLUE_FIRST = 0x08;

        private final int columns;
        private final int rows;

        /** As it was sent, 0xRRGGBB; {@link #NOT_WRITTEN} where nothing was. */
        private final int[] memory;

        private int command = -1;
        private final int[] parameters = new int[KEPT_PARAMETERS];
        private int count;
        private int firstColumn;
        private int lastColumn;
        private int firstRow;
        private int lastRow;
        private int x;
        private int y;
        private int mode;
        private int bits = 16;
        private boolean writing;
        private final int[] pixel = new int[3];
        private int got;
        private boolean on;
        private boolean asleep = true;

        /** Whether it was heard waking, or being reset: what is missing afterwards is missing. */
        private boolean woken;

        private boolean reset;
        private boolean modeTold;

        /** Whether the bounds of a window were told since its directions were. */
        private boolean columnsTold;

        private boolean rowsTold;

        /** The first window that ends behind the memory; empty while there is none. */
        private String beyond = "";

        /** The first window as wide or high as the glass that lies beside it; empty while there is none. */
        private String beside = "";

        private boolean inverted;
        private int scrollTop;
        private int scrollRows;
        private int scrollStart;

        Following(Panel panel) {
            super(panel);
            columns = Math.max(
                    1, Math.min(MOST_SIDE, panel.memoryColumns() > 0 ? panel.memoryColumns() : panel.columns()));
            rows = Math.max(1, Math.min(MOST_SIDE, panel.memoryRows() > 0 ? panel.memoryRows() : panel.rows()));
            memory = new int[columns * rows];
            Arrays.fill(memory, NOT_WRITTEN);
            lastColumn = columns - 1;
            lastRow = rows - 1;
            scrollRows = rows;
        }

        @Override
        protected void command(int value) {
            command = value & 0xFF;
            count = 0;
            writing = command == 0x2C || command == 0x3C;
            got = 0;
            changed();
            if (command == 0x2C) {
                x = firstColumn;
                y = firstRow;
                if (beyond.isEmpty() && panel().memoryTold() && columnsTold && lastColumn >= across()) {
                    beyond = "columns to " + lastColumn + ", where the last is " + (across() - 1);
                } else if (beyond.isEmpty() && panel().memoryTold() && rowsTold && lastRow >= down()) {
                    beyond = "rows to " + lastRow + ", where the last is " + (down() - 1);
                } else if (beside.isEmpty() && panel().memoryTold() && (modeTold || reset)) {
                    beside = beside();
                }
            }
            int wanted = wanted(command);
            if (wanted == 0) {
                simple();
            }
            if (wanted == 0) {
                say(name());
            } else {
                grow(name());
            }
        }

        /** Parameters of a command; -1 where they are not known. */
        private static int wanted(int c) {
            return switch (c) {
                case 0x00, 0x01, 0x10, 0x11, 0x12, 0x13, 0x20, 0x21, 0x28, 0x29, 0x2C, 0x2E, 0x34, 0x38, 0x39, 0x3C ->
                    0;
                case 0x26, 0x35, 0x36, 0x3A, 0x51, 0x53, 0x55 -> 1;
                case 0x37, 0x44 -> 2;
                case 0x2A, 0x2B, 0x30 -> 4;
                case 0x33 -> 6;
                default -> -1;
            };
        }

        private void simple() {
            switch (command) {
                case 0x01 -> {
                    reset = true;
                    columnsTold = false;
                    rowsTold = false;
                    mode = 0;
                    on = false;
                    asleep = true;
                    inverted = false;
                    firstColumn = 0;
                    lastColumn = columns - 1;
                    firstRow = 0;
                    lastRow = rows - 1;
                }
                case 0x10 -> asleep = true;
                case 0x11 -> {
                    asleep = false;
                    woken = true;
                }
                case 0x13 -> scrollStart = 0;
                case 0x20 -> inverted = false;
                case 0x21 -> inverted = true;
                case 0x28 -> on = false;
                case 0x29 -> on = true;
                default -> {}
            }
        }

        @Override
        protected void data(int value) {
            if (writing) {
                paint(value);
                return;
            }
            if (command < 0) {
                painted(1);
                return;
            }
            if (count < KEPT_PARAMETERS) {
                parameters[count] = value & 0xFF;
            }
            count++;
            int wanted = wanted(command);
            if (count == wanted) {
                changed();
                execute();
                say(name());
            } else if (wanted < 0 || count < wanted) {
                grow(name());
            }
        }

        private void execute() {
            switch (command) {
                case 0x2A -> {
                    firstColumn = pair(0);
                    lastColumn = pair(2);
                    columnsTold = true;
                    x = firstColumn;
                }
                case 0x2B -> {
                    firstRow = pair(0);
                    lastRow = pair(2);
                    rowsTold = true;
                    y = firstRow;
                }
                case 0x33 -> {
                    scrollTop = pair(0);
                    scrollRows = pair(2);
                }
                case 0x36 -> {
                    mode = parameters[0];
                    modeTold = true;
                    columnsTold = false;
                    rowsTold = false;
                }
                case 0x37 -> scrollStart = pair(0);
                case 0x3A -> bits = bitsOf(parameters[0]);
                default -> {}
            }
        }

        private int pair(int at) {
            return parameters[at] << 8 | parameters[at + 1];
        }

        private static int bitsOf(int parameter) {
            return switch (parameter & 7) {
                case 3 -> 12;
                case 6 -> 18;
                case 7 -> 24;
                default -> 16;
            };
        }

        private void paint(int value) {
            if (wide()) {
                painted(2);
                pixel(five(value >> 11), six(value >> 5), five(value));
                return;
            }
            painted(1);
            pixel[got++] = value;
            if (bits == 16 && got == 2) {
                int both = pixel[0] << 8 | pixel[1];
                pixel(five(both >> 11), six(both >> 5), five(both));
            } else if (bits == 18 && got == 3) {
                pixel(six(pixel[0] >> 2), six(pixel[1] >> 2), six(pixel[2] >> 2));
            } else if (bits == 24 && got == 3) {
                pixel(pixel[0], pixel[1], pixel[2]);
            } else if (bits == 12 && got == 3) {
                int second = pixel[1] & 0xF;
                pixel((pixel[0] >> 4) * 17, (pixel[0] & 0xF) * 17, (pixel[1] >> 4) * 17);
                pixel(second * 17, (pixel[2] >> 4) * 17, (pixel[2] & 0xF) * 17);
            }
        }

        private static int five(int value) {
            int v = value & 0x1F;
            return v << 3 | v >> 2;
        }

        private static int six(int value) {
            int v = value & 0x3F;
            return v << 2 | v >> 4;
        }

        private void pixel(int red, int green, int blue) {
            got = 0;
            int at = place(x, y);
            if (at >= 0) {
                memory[at] = red << 16 | green << 8 | blue;
            }
            wrote(1);
            if (x++ >= lastColumn) {
                x = firstColumn;
                y = y >= lastRow ? firstRow : y + 1;
            }
        }

        /** Where a window as large as the glass begins elsewhere than the glass does in this direction. */
        private String beside() {
            boolean exchanged = (mode & EXCHANGED) != 0;
            int left = (mode & COLUMNS_RIGHT_TO_LEFT) == 0
                    ? panel().offsetColumns()
                    : columns - panel().columns() - panel().offsetColumns();
            int top =
                    (mode & ROWS_BOTTOM_UP) == 0 ? panel().offsetRows() : rows - panel().rows() - panel().offsetRows();
            int beginsAcross = exchanged ? top : left;
            int beginsDown = exchanged ? left : top;
            int wide = exchanged ? panel().rows() : panel().columns();
            int high = exchanged ? panel().columns() : panel().rows();
            if (columnsTold && lastColumn - firstColumn + 1 == wide && firstColumn != beginsAcross) {
                return "columns from " + firstColumn + ", where its glass begins at " + beginsAcross;
            }
            return rowsTold && lastRow - firstRow + 1 == high && firstRow != beginsDown
                    ? "rows from " + firstRow + ", where its glass begins at " + beginsDown
                    : "";
        }

        private int across() {
            return (mode & EXCHANGED) != 0 ? rows : columns;
        }

        private int down() {
            return (mode & EXCHANGED) != 0 ? columns : rows;
        }

        /** Place in the memory of what a program calls column and row now; -1 outside. */
        private int place(int column, int row) {
            int c = (mode & EXCHANGED) != 0 ? row : column;
            int r = (mode & EXCHANGED) != 0 ? column : row;
            if (c < 0 || r < 0 || c >= columns || r >= rows) {
                return -1;
            }
            c = (mode & COLUMNS_RIGHT_TO_LEFT) != 0 ? columns - 1 - c : c;
            r = (mode & ROWS_BOTTOM_UP) != 0 ? rows - 1 - r : r;
            return r * columns + c;
        }

        @Override
        public String state() {
            return (asleep ? "asleep" : on ? "" : "switched off")
                    + (inverted ? (asleep || !on ? ", " : "") + "inverted" : "");
        }

        @Override
        public List<Misfit> misfits() {
            List<Misfit> all = new ArrayList<>();
            if (reset && asleep) {
                all.add(new Misfit(
                        "was reset and never woken, or put to sleep at the end",
                        "Send 11 and wait as its data sheet says, before 29.",
                        true,
                        SOURCE));
            }
            if ((reset || woken) && !on) {
                all.add(new Misfit(
                        "is never switched on, or switched off at the end", "Send 29 after the set-up.", true, SOURCE));
            }
            if (modeTold && panel().orderTold() && (mode & BLUE_FIRST) != 0 != panel().blueFirst()) {
                all.add(new Misfit(
                        "is told that " + (panel().blueFirst() ? "red" : "blue")
                                + " comes first, other than its file says: red and blue change places",
                        (panel().blueFirst() ? "Set" : "Clear")
                                + " the bit 08 of the address mode, or change its file when the colours are right.",
                        false,
                        SOURCE));
            }
            if (!beyond.isEmpty()) {
                all.add(new Misfit(
                        "gets a window with " + beyond,
                        "The end of a window is its last column or row, counted from 0, not how many there are.",
                        true,
                        SOURCE));
            }
            if (!beside.isEmpty()) {
                all.add(new Misfit(
                        "gets a window with " + beside + ": the picture is shifted",
                        "Add the offset of this module to the window, or change its file when the picture sits right.",
                        false,
                        SOURCE + "; offsets of the part's file"));
            }
            return all;
        }

        @Override
        public Picture memory(Area area) {
            Area wanted = area;
            if (wanted == null) {
                int left = across();
                int top = down();
                int right = -1;
                int bottom = -1;
                for (int row = 0; row < down(); row++) {
                    for (int column = 0; column < across(); column++) {
                        if (memory[place(column, row)] != NOT_WRITTEN) {
                            left = Math.min(left, column);
                            right = Math.max(right, column);
                            top = Math.min(top, row);
                            bottom = row;
                        }
                    }
                }
                wanted = right < 0 ? new Area(0, 0, 1, 1) : new Area(left, top, right - left + 1, bottom - top + 1);
            }
            int[] pixels = new int[wanted.width() * wanted.height()];
            for (int row = 0; row < wanted.height(); row++) {
                for (int column = 0; column < wanted.width(); column++) {
                    int at = place(wanted.x() + column, wanted.y() + row);
                    pixels[row * wanted.width() + column] = at < 0 ? 0 : Math.max(0, memory[at]);
                }
            }
            return new Picture(wanted.width(), wanted.height(), false, pixels);
        }

        @Override
        public Picture seen() {
            int[] pixels = new int[panel().columns() * panel().rows()];
            boolean dark = asleep || !on;
            boolean swapped = ((mode & BLUE_FIRST) != 0) != panel().blueFirst();
            for (int row = 0; row < panel().rows() && !dark; row++) {
                int line = scrolled(row + panel().offsetRows());
                for (int column = 0; column < panel().columns(); column++) {
                    int c = column + panel().offsetColumns();
                    int colour = line < rows && c < columns ? Math.max(0, memory[line * columns + c]) : 0;
                    colour = swapped ? (colour & 0xFF) << 16 | colour & 0xFF00 | colour >> 16 : colour;
                    pixels[row * panel().columns() + column] = inverted ? colour ^ 0xFFFFFF : colour;
                }
            }
            return new Picture(panel().columns(), panel().rows(), false, pixels);
        }

        private int scrolled(int row) {
            boolean moves = scrollStart != 0 && row >= scrollTop && row < scrollTop + scrollRows && scrollRows > 0;
            return moves ? scrollTop + Math.floorMod(row - scrollTop + scrollStart - scrollTop, scrollRows) : row;
        }

        private String name() {
            boolean whole = count >= Math.max(0, wanted(command));
            return switch (command) {
                case 0x00 -> "nothing";
                case 0x01 -> "reset";
                case 0x10 -> "sleep";
                case 0x11 -> "wakes up";
                case 0x12 -> "partial mode";
                case 0x13 -> "normal mode";
                case 0x20 -> "inversion off";
                case 0x21 -> "inversion on";
                case 0x26 -> "gamma curve " + value(0);
                case 0x28 -> "display off";
                case 0x29 -> "display on";
                case 0x2A -> "columns " + (whole ? pair(0) + " to " + pair(2) : "…");
                case 0x2B -> "rows " + (whole ? pair(0) + " to " + pair(2) : "…");
                case 0x2C -> "writes pixels";
                case 0x2E -> "reads pixels";
                case 0x30 -> "partial rows " + (whole ? pair(0) + " to " + pair(2) : "…");
                case 0x33 -> "scroll area " + (whole ? pair(0) + ", " + pair(2) + ", " + pair(4) + " rows" : "…");
                case 0x34 -> "tearing line off";
                case 0x35 -> "tearing line on";
                case 0x36 -> "address mode " + (whole ? Hex.of(parameters[0]) + modeInWords() : "…");
                case 0x37 -> "scroll to row " + (whole ? pair(0) : "…");
                case 0x38 -> "idle mode off";
                case 0x39 -> "idle mode on";
                case 0x3A -> (whole ? bitsOf(parameters[0]) : "…") + " bits a pixel";
                case 0x3C -> "writes on";
                case 0x51 -> "brightness " + value(0);
                case 0x53 -> "brightness control " + value(0);
                default -> unnamed(command, count);
            };
        }

        private String value(int at) {
            return count > at ? Integer.toString(parameters[at]) : "…";
        }

        private String modeInWords() {
            int m = parameters[0];
            return ((m & EXCHANGED) != 0 ? ", rows and columns exchanged" : "")
                    + ((m & COLUMNS_RIGHT_TO_LEFT) != 0 ? ", columns from the right" : "")
                    + ((m & ROWS_BOTTOM_UP) != 0 ? ", rows from below" : "")
                    + ((m & BLUE_FIRST) != 0 ? ", blue first" : "");
        }
    }
}
