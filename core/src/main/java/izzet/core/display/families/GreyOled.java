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
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Wide OLEDs of 16 greys, four pixels a column address. Source: data sheet of their driver (SSD1322), command table; from memory. */
public final class GreyOled implements Interpreter {

    @Override
    public Set<String> speaks() {
        return Set.of("grey-oled");
    }

    @Override
    public int parameters(String family, int command) {
        return command == 0x5C ? PICTURE : Following.wanted(command);
    }

    @Override
    public List<String> slips(List<Integer> bytes, Panel panel) {
        if (bytes.size() != 3) {
            return List.of();
        }
        return switch (bytes.get(0)) {
            case 0x15 -> columnSlips(bytes.get(1), bytes.get(2), panel);
            case 0x75 -> Window.slips("row", bytes.get(1), bytes.get(2), panel.rows());
            default -> List.of();
        };
    }

    /** Where the glass begins in the memory is not told in bytes, so what is as wide as the glass, or beyond the memory, is known alone. */
    private static List<String> columnSlips(int first, int last, Panel panel) {
        if (last >= Following.COLUMNS) {
            return List.of("Columns are told by four pixels: " + last + " is behind the last address, "
                    + (Following.COLUMNS - 1) + ".");
        }
        return last < first ? Window.slips("column address", first, last, Following.COLUMNS) : List.of();
    }

    @Override
    public Optional<Window> window(Panel panel, Glass.Area area) {
        int x = area.x() + panel.offsetColumns();
        int first = x / Following.PIXELS;
        int last = (x + area.width() - 1) / Following.PIXELS;
        int y0 = area.y() + panel.offsetRows();
        int y1 = y0 + area.height() - 1;
        List<String> remarks = new ArrayList<>();
        if (x % Following.PIXELS != 0 || area.width() % Following.PIXELS != 0) {
            remarks.add("A column address is four pixels: those from "
                    + (first * Following.PIXELS - panel.offsetColumns()) + " to "
                    + (last * Following.PIXELS + Following.PIXELS - 1 - panel.offsetColumns())
                    + " are written, so what stands beside it must be known.");
        }
        return Optional.of(new Window(
                List.of(
                        new Window.Line(
                                List.of(0x15, first, last),
                                "column addresses " + first + " to " + last + " of four pixels, both included"),
                        new Window.Line(List.of(0x75, y0, y1), "rows " + y0 + " to " + y1 + ", both included"),
                        new Window.Line(List.of(0x5C), "then the pixels, row by row")),
                remarks,
                List.of(new Window.Fill(
                        "2 pixels a byte", (long) (last - first + 1) * Following.PIXELS / 2 * area.height()))));
    }

    @Override
    public Session begin(Panel panel) {
        return new Following(panel);
    }

    private static final class Following extends PixelSession {

        private static final String SOURCE = "data sheet of the grey driver (SSD1322), command table; from memory";
        private static final int COLUMNS = 120;
        private static final int ROWS = 128;
        private static final int PIXELS = 4;

        private final byte[] memory = new byte[COLUMNS * PIXELS * ROWS];
        private int command = -1;
        private final int[] parameters = new int[16];
        private int count;
        private int firstColumn;
        private int lastColumn = COLUMNS - 1;
        private int firstRow;
        private int lastRow = ROWS - 1;
        private int column;
        private int row;
        private int half;
        private int remap;
        private int startLine;
        private boolean on;
        private int shows = 0xA6;

        /** Rows that it was told; 0 before. */
        private int rows;

        private boolean offTold;

        /** Whether it was switched off and then told its rows, as whole set-ups begin. */
        private boolean setUp;

        /** The first window as wide as the glass that lies beside it; -1 while there is none. */
        private int beside = -1;

        Following(Panel panel) {
            super(panel);
        }

        private static int wanted(int c) {
            return switch (c) {
                case 0x00, 0x5C, 0x5D, 0xA4, 0xA5, 0xA6, 0xA7, 0xA9, 0xAE, 0xAF, 0xB9 -> 0;
                case 0xA1, 0xA2, 0xAB, 0xB1, 0xB3, 0xB6, 0xBB, 0xBE, 0xC1, 0xC7, 0xCA, 0xFD, 0xB5 -> 1;
                case 0x15, 0x75, 0xA0, 0xA8, 0xB4, 0xD1 -> 2;
                case 0xB8 -> 15;
                default -> -1;
            };
        }

        @Override
        protected void command(int value) {
            command = value & 0xFF;
            count = 0;
            changed();
            switch (command) {
                case 0x5C -> {
                    column = firstColumn;
                    row = firstRow;
                    half = 0;
                    boolean asWide = (lastColumn - firstColumn + 1) * PIXELS == panel().columns();
                    if (beside < 0 && asWide && firstColumn * PIXELS != panel().offsetColumns()) {
                        beside = firstColumn * PIXELS;
                    }
                }
                case 0xA4, 0xA5, 0xA6, 0xA7 -> shows = command;
                case 0xAE -> {
                    on = false;
                    offTold = true;
                }
                case 0xAF -> on = true;
                default -> {}
            }
            if (wanted(command) == 0) {
                say(name());
            } else {
                grow(name());
            }
        }

        @Override
        protected void data(int value) {
            if (command == 0x5C) {
                painted(1);
                paint(value & 0xFF);
                return;
            }
            if (count < parameters.length) {
                parameters[count] = value & 0xFF;
            }
            count++;
            if (count != wanted(command)) {
                grow(name());
                return;
            }
            changed();
            switch (command) {
                case 0x15 -> {
                    firstColumn = Math.min(COLUMNS - 1, parameters[0]);
                    lastColumn = Math.min(COLUMNS - 1, parameters[1]);
                    column = firstColumn;
                }
                case 0x75 -> {
                    firstRow = parameters[0] & 0x7F;
                    lastRow = parameters[1] & 0x7F;
                    row = firstRow;
                }
                case 0xA0 -> remap = parameters[0];
                case 0xA1 -> startLine = parameters[0] & 0x7F;
                case 0xCA -> {
                    rows = (parameters[0] & 0x7F) + 1;
                    setUp |= offTold;
                }
                default -> {}
            }
            say(name());
        }

        private void paint(int value) {
            int at = (row * COLUMNS + column) * PIXELS + half * 2;
            memory[at] = (byte) (value >> 4);
            memory[at + 1] = (byte) (value & 0xF);
            wrote(2);
            half ^= 1;
            if (half != 0) {
                return;
            }
            boolean down = (remap & 1) == 1;
            if (down) {
                if (row++ >= lastRow) {
                    row = firstRow;
                    column = column >= lastColumn ? firstColumn : column + 1;
                }
            } else if (column++ >= lastColumn) {
                column = firstColumn;
                row = row >= lastRow ? firstRow : row + 1;
            }
            row &= ROWS - 1;
        }

        @Override
        public String state() {
            return (on ? "" : "switched off") + (shows == 0xA7 ? (on ? "" : ", ") + "inverted" : "");
        }

        @Override
        public List<Misfit> misfits() {
            List<Misfit> all = new ArrayList<>();
            if (rows > 0 && rows != panel().rows()) {
                all.add(Misfit.rows(rows, panel(), SOURCE));
            }
            if (setUp && !on) {
                all.add(Misfit.neverOn("AF", SOURCE));
            }
            if (beside >= 0 && panel().offsetColumns() > 0) {
                all.add(new Misfit(
                        "gets a window from column " + beside + ", where its glass begins at " + panel().offsetColumns()
                                + ": the picture is shifted",
                        "Add the offset of this module to the window, four pixels a column address.",
                        false,
                        SOURCE + "; offset of the part's file"));
            }
            return all;
        }

        @Override
        public Picture memory(Area area) {
            Area wanted = area == null ? new Area(panel().offsetColumns(), 0, panel().columns(), panel().rows()) : area;
            int[] pixels = new int[COLUMNS * PIXELS * ROWS];
            for (int i = 0; i < pixels.length; i++) {
                pixels[i] = memory[i] * 0x111111;
            }
            return new Picture(COLUMNS * PIXELS, ROWS, false, pixels).part(wanted);
        }

        @Override
        public Picture seen() {
            int[] pixels = new int[panel().columns() * panel().rows()];
            for (int y = 0; y < panel().rows() && on; y++) {
                int line = (y + startLine) % ROWS;
                for (int x = 0; x < panel().columns(); x++) {
                    int grey = memory[
                            line * COLUMNS * PIXELS + Math.min(COLUMNS * PIXELS - 1, x + panel().offsetColumns())];
                    int shown =
                            switch (shows) {
                                case 0xA4 -> 0;
                                case 0xA5 -> 15;
                                case 0xA7 -> 15 - grey;
                                default -> grey;
                            };
                    pixels[y * panel().columns() + x] = shown * 0x111111;
                }
            }
            return new Picture(panel().columns(), panel().rows(), false, pixels);
        }

        private String name() {
            String p = count > 0 ? Integer.toString(parameters[0]) : "…";
            String q = count > 1 ? Integer.toString(parameters[1]) : "…";
            return switch (command) {
                case 0x15 -> "columns " + p + " to " + q + ", four pixels each";
                case 0x75 -> "rows " + p + " to " + q;
                case 0x5C -> "writes pixels";
                case 0x5D -> "reads pixels";
                case 0xA0 -> "remap " + (count > 0 ? Hex.of(parameters[0]) : "…");
                case 0xA1 -> "start line " + p;
                case 0xA2 -> "display offset " + p;
                case 0xA4 -> "all pixels off";
                case 0xA5 -> "all pixels on";
                case 0xA6 -> "normal polarity";
                case 0xA7 -> "inverted polarity";
                case 0xAB -> "own regulator " + (count == 0 ? "…" : (parameters[0] & 1) == 1 ? "on" : "off");
                case 0xAE -> "display off";
                case 0xAF -> "display on";
                case 0xB1 -> "phases " + (count > 0 ? Hex.of(parameters[0]) : "…");
                case 0xB3 -> "clock " + (count > 0 ? Hex.of(parameters[0]) : "…");
                case 0xB4, 0xD1 ->
                    "drive setting " + (count > 1 ? Hex.of(parameters[0]) + " " + Hex.of(parameters[1]) : "…");
                case 0xB5 -> "pins of its own " + (count > 0 ? Hex.of(parameters[0]) : "…");
                case 0xB6 -> "second precharge " + p;
                case 0xB8 -> "grey table";
                case 0xB9 -> "usual grey table";
                case 0xBB -> "precharge voltage " + p;
                case 0xBE -> "deselect level " + p;
                case 0xC1 -> "contrast " + p + " of 255";
                case 0xC7 -> "current " + p + " of 15";
                case 0xCA -> (count > 0 ? Integer.toString((parameters[0] & 0x7F) + 1) : "…") + " rows";
                case 0xFD -> count > 0 && (parameters[0] & 4) != 0 ? "commands locked" : "commands unlocked";
                default -> unnamed(command, count);
            };
        }
    }
}
