package izzet.core.display.families;

import izzet.core.decode.BusEvent;
import izzet.core.decode.CharacterTransfer;
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
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * Page-addressed monochrome panels: 8 rows a byte, lowest bit on top; also the sibling with 132 columns.
 *
 * <p>Source: data sheet of the 128 x 64 segment driver (SSD1306), command table; from memory.
 *
 * <p>Source: data sheet of the sibling with 132 columns (SH1106), command table; from memory.
 *
 * <p>Source: Linux kernel 6.1, its driver for this family.
 */
public final class PageOled implements Interpreter {

    private static final String WIDE = "page-oled-132";

    @Override
    public Set<String> speaks() {
        return Set.of("page-oled", WIDE);
    }

    @Override
    public int parameters(String family, int command) {
        return Following.parameters(family.equals(WIDE), command);
    }

    /** What belongs to a command is sent as commands, too. */
    @Override
    public List<BusEvent> sent(String family, List<Integer> bytes) {
        return bytes.stream()
                .<BusEvent>map(b -> new CharacterTransfer(0, 0, false, false, b, 0))
                .toList();
    }

    @Override
    public List<String> slips(List<Integer> bytes, Panel panel) {
        int pages = (panel.rows() + Following.PAGE_ROWS - 1) / Following.PAGE_ROWS;
        return switch (bytes.get(0)) {
            case 0x21 ->
                bytes.size() == 3 ? Window.slips("column", bytes.get(1), bytes.get(2), panel.columns()) : List.of();
            case 0x22 -> bytes.size() == 3 ? Window.slips("page", bytes.get(1), bytes.get(2), pages) : List.of();
            case 0xDA -> bytes.size() == 2 ? wiringSlips(bytes.get(1), panel.rows()) : List.of();
            default -> List.of();
        };
    }

    private static List<String> wiringSlips(int told, int rows) {
        int usual = rows == Following.SMALL_ROWS ? 0x02 : 0x12;
        return told == usual
                ? List.of()
                : List.of("On a glass of " + rows + " rows the row wiring is usually " + Hex.of(usual)
                        + ": with another one every second row stays dark or rows are mixed.");
    }

    @Override
    public Optional<Window> window(Panel panel, Glass.Area area) {
        boolean wide = panel.family().equals(WIDE);
        int first = area.y() / Following.PAGE_ROWS;
        int last = (area.y() + area.height() - 1) / Following.PAGE_ROWS;
        int x0 = area.x() + panel.offsetColumns();
        int x1 = x0 + area.width() - 1;
        List<String> remarks = new ArrayList<>();
        if (area.y() % Following.PAGE_ROWS != 0 || area.height() % Following.PAGE_ROWS != 0) {
            remarks.add("Pages have 8 rows: rows " + first * Following.PAGE_ROWS + " to "
                    + (last * Following.PAGE_ROWS + Following.PAGE_ROWS - 1)
                    + " are written, so what stands above and below it must be known.");
        }
        List<Window.Line> lines = new ArrayList<>();
        if (wide) {
            remarks.add("This controller has no windows: each page is begun anew, and its memory has 132 columns.");
            for (int page = first; page <= last; page++) {
                lines.add(new Window.Line(
                        List.of(0xB0 | page, x0 & 0xF, 0x10 | x0 >> 4), "page " + page + " from column " + x0));
            }
        } else {
            lines.add(new Window.Line(List.of(0x21, x0, x1), "columns " + x0 + " to " + x1 + ", both included"));
            lines.add(
                    new Window.Line(List.of(0x22, first, last), "pages " + first + " to " + last + ", both included"));
        }
        return Optional.of(new Window(
                lines, remarks, List.of(new Window.Fill("8 rows a byte", (long) area.width() * (last - first + 1)))));
    }

    @Override
    public Panel usual(String family) {
        // The glass lies in the middle of the 132 columns.
        return Panel.plain(family, 128, Following.LINES).offset(family.equals(WIDE) ? 2 : 0, 0);
    }

    @Override
    public boolean usuallyOnTwoWires() {
        return true;
    }

    @Override
    public Session begin(Panel panel) {
        return new Following(panel);
    }

    private static final class Following extends PixelSession {

        private static final int PAGES = 8;
        private static final int PAGE_ROWS = 8;
        private static final int PAGE_MODE = 2;
        private static final int LINES = 64;
        private static final int SMALL_ROWS = 32;
        private static final String SHEET = "data sheet of the segment driver, command table; from memory";
        private static final String PRACTICE = SHEET + "; how modules are made: common practice";
        private static final int PUMP = 0x04;

        /** Frames between two steps of a scroll, by the three bits that tell it. */
        private static final int[] FRAMES = {5, 64, 128, 256, 3, 4, 25, 2};

        private static final int ALTERNATE = 0x10;

        /** Of the controller's own clock, at the step that it has after a reset; the sheet allows a tenth more or less. */
        private static final double CLOCK_HERTZ = 370_000;

        private static final int USUAL_PACE = 8;

        /** Clocks that a row takes beside the two phases before it. */
        private static final int ROW_CLOCKS = 50;

        private static final int PHASES_AT_RESET = 4;

        private final boolean wide;
        private final int columns;
        private final byte[] memory;

        private int mode = PAGE_MODE;
        private int column;
        private int page;
        private int firstColumn;
        private int lastColumn;
        private int firstPage;
        private int lastPage = PAGES - 1;
        private int startLine;
        private int offset;
        private int rows = LINES;
        private boolean mirrored;
        private boolean bottomUp;
        private boolean on;
        private boolean allOn;
        private boolean inverted;
        private boolean scrolling;

        /** What was told of the movement; null where that was before the record began. */
        private Scroll scroll;

        private int fixedRows;
        private int movingRows = LINES;

        /** Rows that the moving ones stand higher than at first. */
        private int risen;

        /** Seconds since the last step. */
        private double since;

        private int divider = 1;

        /** Step of its own clock; what another than the usual makes of it is not known here. */
        private int pace = USUAL_PACE;

        private int phases = PHASES_AT_RESET;

        /**
         * A movement by a column a step.
         *
         * @param rows that it goes upwards with each step
         */
        private record Scroll(boolean right, int firstPage, int lastPage, int frames, int rows) {}

        /** Whether it was switched off and then told its rows, as whole set-ups begin; what was told of wiring and pump, -1 before. */
        private boolean setUp;

        private boolean offTold;

        private int wiring = -1;
        private int pump = -1;

        private int pending = -1;
        private int[] parameters = new int[0];
        private int filled;

        Following(Panel panel) {
            super(panel);
            wide = panel.family().equals(WIDE);
            columns = wide ? Math.max(132, panel.memoryColumns()) : Math.max(128, panel.memoryColumns());
            memory = new byte[columns * PAGES];
            lastColumn = columns - 1;
        }

        @Override
        protected void command(int value) {
            if (pending < 0) {
                int count = parameters(wide, value);
                if (count == 0) {
                    execute(value, 0, 0);
                    return;
                }
                pending = value;
                parameters = new int[count];
                filled = 0;
                grow(name(value, -1, -1));
                return;
            }
            parameters[filled++] = value;
            if (filled == parameters.length) {
                int done = pending;
                pending = -1;
                execute(done, parameters[0], parameters.length > 1 ? parameters[1] : 0);
            }
        }

        private static int parameters(boolean wide, int c) {
            if (wide) {
                return switch (c) {
                    case 0x81, 0xA8, 0xAD, 0xD3, 0xD5, 0xD9, 0xDA, 0xDB -> 1;
                    default -> 0;
                };
            }
            return switch (c) {
                case 0x26, 0x27 -> 6;
                case 0x29, 0x2A -> 5;
                case 0x91 -> 4;
                case 0x21, 0x22, 0xA3 -> 2;
                case 0x20, 0x81, 0x8D, 0xA8, 0xD3, 0xD5, 0xD8, 0xD9, 0xDA, 0xDB -> 1;
                default -> 0;
            };
        }

        private void execute(int c, int p, int q) {
            say(name(c, p, q));
            changed();
            if (c <= 0x0F) {
                column = column & 0xF0 | c;
                firstInPage();
            } else if (c <= 0x1F) {
                column = column & 0x0F | (c & 0x0F) << 4;
                firstInPage();
            } else if (c >= 0x40 && c <= 0x7F) {
                startLine = c & 0x3F;
            } else if (c >= 0xB0 && c <= 0xB7) {
                page = c & 7;
            } else {
                set(c, p, q);
            }
        }

        /** In page mode a page is filled from the column that was set. */
        private int pageColumn;

        private void firstInPage() {
            pageColumn = column;
        }

        private void set(int c, int p, int q) {
            switch (c) {
                case 0x20 -> mode = wide ? mode : p & 3;
                case 0x21 -> {
                    if (!wide) {
                        firstColumn = p & 0x7F;
                        lastColumn = q & 0x7F;
                        column = firstColumn;
                    }
                }
                case 0x22 -> {
                    if (!wide) {
                        firstPage = p & 7;
                        lastPage = q & 7;
                        page = firstPage;
                    }
                }
                case 0x26, 0x27, 0x29, 0x2A -> scroll = wide ? null : scroll(c);
                case 0x2E -> scrolling = false;
                case 0x2F -> {
                    scrolling = !wide;
                    since = 0;
                }
                case 0xA0 -> mirrored = false;
                case 0xA1 -> mirrored = true;
                case 0xA4 -> allOn = false;
                case 0xA5 -> allOn = true;
                case 0xA6 -> inverted = false;
                case 0xA7 -> inverted = true;
                case 0x8D -> pump = wide ? pump : p & PUMP;
                case 0xA8 -> {
                    rows = (p & 0x3F) + 1;
                    setUp |= offTold;
                }
                case 0xDA -> wiring = p & ALTERNATE;
                case 0xAE -> {
                    on = false;
                    offTold = true;
                }
                case 0xAF -> on = true;
                case 0xC0 -> bottomUp = false;
                case 0xC8 -> bottomUp = true;
                case 0xA3 -> {
                    fixedRows = p & 0x3F;
                    movingRows = q & 0x7F;
                }
                case 0xD3 -> offset = p & 0x3F;
                case 0xD5 -> {
                    divider = (p & 0x0F) + 1;
                    pace = p >> 4 & 0x0F;
                }
                case 0xD9 -> phases = (p & 0x0F) + (p >> 4 & 0x0F);
                default -> {}
            }
        }

        private Scroll scroll(int c) {
            boolean upwards = c >= 0x29;
            return new Scroll(
                    c == 0x26 || c == 0x29,
                    parameters[1] & 7,
                    parameters[3] & 7,
                    FRAMES[parameters[2] & 7],
                    upwards ? parameters[4] & 0x3F : 0);
        }

        private String moving() {
            if (!scrolling || scroll == null) {
                return "scrolling by itself, told how before the record begins, so not drawn";
            }
            String way = scroll.right ? "to the right" : "to the left";
            String up =
                    scroll.rows == 0 ? "" : " and " + scroll.rows + (scroll.rows == 1 ? " row" : " rows") + " upwards";
            return String.format(
                    Locale.ROOT,
                    "scrolling by itself %s%s, a column each %d frames (about %.0f ms%s), pages %d to %d",
                    way,
                    up,
                    scroll.frames,
                    stepSeconds() * 1e3,
                    pace == USUAL_PACE ? "" : ", were its clock not set " + (pace > USUAL_PACE ? "faster" : "slower"),
                    scroll.firstPage,
                    scroll.lastPage);
        }

        /** Source: data sheet of the segment driver, frame frequency and the steps of a scroll; from memory. */
        @Override
        public double stepSeconds() {
            return scrolling && scroll != null
                    ? scroll.frames * (double) divider * (phases + ROW_CLOCKS) * rows / CLOCK_HERTZ
                    : 0;
        }

        @Override
        public void pass(double seconds) {
            double step = stepSeconds();
            if (step == 0) {
                return;
            }
            since += seconds;
            // A step that is due by less than a clock of the controller is due.
            long steps = (long) Math.floor(since / step + 1e-6);
            if (steps <= 0) {
                return;
            }
            since = Math.max(0, since - steps * step);
            int by = Math.floorMod(scroll.right ? steps : -steps, columns);
            for (int p = scroll.firstPage; p <= scroll.lastPage; p++) {
                byte[] row = Arrays.copyOfRange(memory, p * columns, (p + 1) * columns);
                for (int x = 0; x < columns; x++) {
                    memory[p * columns + (x + by) % columns] = row[x];
                }
            }
            if (movingRows > 0) {
                risen = (int) ((risen + steps * scroll.rows) % movingRows);
            }
            changed();
        }

        @Override
        protected void data(int value) {
            painted(1);
            wrote(PAGE_ROWS);
            if (column < columns) {
                memory[page * columns + column] = (byte) value;
            }
            if (wide) {
                column = Math.min(columns, column + 1);
                return;
            }
            switch (mode) {
                case 0 -> {
                    if (column++ >= lastColumn) {
                        column = firstColumn;
                        page = page >= lastPage ? firstPage : page + 1;
                    }
                }
                case 1 -> {
                    if (page++ >= lastPage) {
                        page = firstPage;
                        column = column >= lastColumn ? firstColumn : column + 1;
                    }
                }
                default -> column = column + 1 >= columns ? pageColumn % columns : column + 1;
            }
            page &= PAGES - 1;
        }

        @Override
        public String state() {
            StringBuilder text = new StringBuilder(on ? "" : "switched off");
            add(text, allOn, "all pixels on, whatever the memory holds");
            add(text, inverted, "inverted");
            add(text, scrolling, moving());
            add(text, rows != panel().rows(), "set up for " + rows + " of its " + panel().rows() + " rows");
            return text.toString();
        }

        @Override
        public List<Misfit> misfits() {
            List<Misfit> all = new ArrayList<>();
            if (rows != panel().rows()) {
                all.add(Misfit.rows(rows, panel(), SHEET));
            }
            if (setUp && !on) {
                all.add(Misfit.neverOn("AF", SHEET));
            }
            if (setUp && !wide && pump <= 0) {
                all.add(new Misfit(
                        "is set up without its charge pump: a module that makes its panel voltage itself stays dark",
                        "Send 8D 14 before AF, unless the panel voltage comes from outside.",
                        false,
                        PRACTICE));
            }
            int usual = panel().rows() > SMALL_ROWS ? ALTERNATE : 0;
            if (wiring >= 0 && wiring != usual) {
                all.add(new Misfit(
                        "is told a row wiring that glasses of " + panel().rows()
                                + " rows usually do not have: every second row stays dark, or rows are mixed",
                        "Send DA " + (usual == 0 ? "02" : "12") + ".",
                        false,
                        PRACTICE));
            }
            return all;
        }

        private static void add(StringBuilder text, boolean there, String words) {
            if (there) {
                text.append(text.isEmpty() ? "" : ", ").append(words);
            }
        }

        private boolean lit(int memoryColumn, int row) {
            return memoryColumn >= 0
                    && memoryColumn < columns
                    && (memory[(row >> 3 & 7) * columns + memoryColumn] >> (row & 7) & 1) == 1;
        }

        @Override
        public Picture memory(Area area) {
            int[] pixels = new int[columns * LINES];
            for (int y = 0; y < LINES; y++) {
                for (int x = 0; x < columns; x++) {
                    pixels[y * columns + x] = lit(x, y) ? 1 : 0;
                }
            }
            Area wanted = area == null ? new Area(panel().offsetColumns(), 0, panel().columns(), panel().rows()) : area;
            return new Picture(columns, LINES, true, pixels).part(wanted);
        }

        /** Modules of this kind stand upright with remap A1 and scan direction C8: the other ways turn the picture round. */
        @Override
        public Picture seen() {
            int[] pixels = new int[panel().columns() * panel().rows()];
            for (int y = 0; y < panel().rows(); y++) {
                // Row of the glass from the controller's first output, which is the lowest line of the glass when it
                // scans bottom up.
                int scanned = bottomUp ? y : panel().rows() - 1 - y;
                boolean moving = scanned >= fixedRows && scanned < fixedRows + movingRows;
                int line = moving ? fixedRows + (scanned - fixedRows + risen) % movingRows : scanned;
                int row = line + startLine + offset & LINES - 1;
                for (int x = 0; x < panel().columns(); x++) {
                    int segment = mirrored ? x + panel().offsetColumns() : columns - 1 - panel().offsetColumns() - x;
                    boolean shown = scanned < rows && lit(segment, row);
                    boolean light = on && (allOn || shown != inverted);
                    pixels[y * panel().columns() + x] = light ? 1 : 0;
                }
            }
            return new Picture(panel().columns(), panel().rows(), true, pixels);
        }

        private String name(int c, int p, int q) {
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
            if (wide && (c >= 0x20 && c <= 0x2F || c == 0x8D)) {
                return "command " + Hex.of(c) + ", which this controller does not have";
            }
            String value = p < 0 ? "…" : Integer.toString(p);
            return switch (c) {
                case 0x20 -> "memory mode " + (p < 0 ? "…" : "by " + (p == 0 ? "rows" : p == 1 ? "columns" : "pages"));
                case 0x21 -> "columns " + value + " to " + (q < 0 ? "…" : Integer.toString(q));
                case 0x22 -> "pages " + value + " to " + (q < 0 ? "…" : Integer.toString(q));
                case 0x26, 0x27, 0x29, 0x2A ->
                    "scroll " + (c == 0x26 || c == 0x29 ? "right" : "left") + (p < 0 ? " …" : told(c));
                case 0x2E -> "scroll off";
                case 0x2F -> "scroll on";
                case 0x30, 0x31, 0x32, 0x33 -> wide ? "pump voltage " + (c & 3) : "command " + Hex.of(c);
                case 0x81 -> "contrast " + value + " of 255";
                case 0x8D -> "charge pump " + (p < 0 ? "…" : (p & 4) != 0 ? "on" : "off");
                case 0x91 -> "look-up table of pulse widths";
                case 0xA0 -> "columns left to right";
                case 0xA1 -> "columns mirrored";
                case 0xA3 -> "scroll area " + value + " and " + (q < 0 ? "…" : q + " rows");
                case 0xA4 -> "show the memory";
                case 0xA5 -> "all pixels on";
                case 0xA6 -> "normal polarity";
                case 0xA7 -> "inverted polarity";
                case 0xA8 -> p < 0 ? "rows …" : (p & 0x3F) + 1 + " rows";
                case 0xAD -> "own supply " + (p < 0 ? "…" : (p & 1) == 1 ? "on" : "off");
                case 0xAE -> "display off";
                case 0xAF -> "display on";
                case 0xC0 -> "rows top down";
                case 0xC8 -> "rows bottom up";
                case 0xD3 -> "display offset " + value;
                case 0xD5 -> "clock " + hex(p);
                case 0xD8 -> "area colours " + hex(p);
                case 0xD9 -> "precharge " + hex(p);
                case 0xDA -> "row wiring " + hex(p);
                case 0xDB -> "deselect level " + hex(p);
                case 0xE3 -> "nothing";
                default -> "command " + Hex.of(c);
            };
        }

        private String told(int scrolls) {
            return ", pages " + (parameters[1] & 7) + " to " + (parameters[3] & 7) + ", a column each "
                    + FRAMES[parameters[2] & 7] + " frames"
                    + (scrolls > 0x27 ? ", rows up each: " + (parameters[4] & 0x3F) : "");
        }

        private static String hex(int value) {
            return value < 0 ? "…" : Hex.of(value);
        }
    }
}
