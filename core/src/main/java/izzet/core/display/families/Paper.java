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

/** Electronic paper, black and white: the picture shows when it is told to refresh. Source: data sheet of its driver (SSD1681); from memory. */
public final class Paper implements Interpreter {

    @Override
    public Set<String> speaks() {
        return Set.of("electronic-paper");
    }

    @Override
    public int parameters(String family, int command) {
        return command == 0x24 || command == 0x26 ? PICTURE : Following.wanted(command);
    }

    @Override
    public List<String> slips(List<Integer> bytes, Panel panel) {
        if (bytes.get(0) == 0x44 && bytes.size() == 3) {
            int count = (panel.columns() + Following.BYTE - 1) / Following.BYTE;
            return bytes.get(2) == panel.columns() - 1 && bytes.get(2) > count
                    ? List.of("Columns are told by bytes of 8 pixels: the last one is " + (count - 1) + ".")
                    : Window.slips("byte of a row", bytes.get(1), bytes.get(2), count);
        }
        if (bytes.get(0) == 0x45 && bytes.size() == 5) {
            // Rows may be counted downwards, so the last may well lie before the first.
            int last = bytes.get(3) | bytes.get(4) << 8;
            return last == panel.rows() ? Window.slips("row", 0, last, panel.rows()) : List.of();
        }
        return List.of();
    }

    @Override
    public Optional<Window> window(Panel panel, Glass.Area area) {
        int x = area.x() + panel.offsetColumns();
        int first = x / Following.BYTE;
        int last = (x + area.width() - 1) / Following.BYTE;
        int y0 = area.y() + panel.offsetRows();
        int y1 = y0 + area.height() - 1;
        List<String> remarks = new ArrayList<>();
        if (x % Following.BYTE != 0 || area.width() % Following.BYTE != 0) {
            remarks.add(
                    "A byte is 8 pixels of a row: columns " + (first * Following.BYTE - panel.offsetColumns()) + " to "
                            + (last * Following.BYTE + Following.BYTE - 1 - panel.offsetColumns())
                            + " are written, so what stands beside it must be known.");
        }
        remarks.add("It shows with the next refresh only, and counts rows upwards where the entry mode is 3.");
        return Optional.of(new Window(
                List.of(
                        new Window.Line(
                                List.of(0x44, first, last),
                                "bytes " + first + " to " + last + " of each row, both included"),
                        new Window.Line(
                                List.of(0x45, y0 & 0xFF, y0 >> 8, y1 & 0xFF, y1 >> 8),
                                "rows " + y0 + " to " + y1 + ", both included, lower byte first"),
                        new Window.Line(List.of(0x4E, first), "begins with byte " + first),
                        new Window.Line(List.of(0x4F, y0 & 0xFF, y0 >> 8), "begins with row " + y0),
                        new Window.Line(List.of(0x24), "then the pixels, row by row, 1 for white")),
                remarks,
                List.of(new Window.Fill("8 pixels a byte", (long) (last - first + 1) * area.height()))));
    }

    @Override
    public Session begin(Panel panel) {
        return new Following(panel);
    }

    private static final class Following extends PixelSession {

        private static final String SOURCE =
                "data sheet of the electronic paper's driver (SSD1681), command table; from memory";
        private static final int BYTE = 8;

        private final int stride;
        private final byte[] memory;
        private byte[] shown;
        private int command = -1;
        private final int[] parameters = new int[BYTE];
        private int count;
        private int entry = 3;
        private int firstColumn;
        private int lastColumn;
        private int firstRow;
        private int lastRow;
        private int column;
        private int row;
        private boolean everShown;

        /** Rows that it was told; 0 before. */
        private int rows;

        /** Whether pixels came since the last refresh, and whether it was put to sleep with them. */
        private boolean unseen;

        private boolean sleptUnseen;

        Following(Panel panel) {
            super(panel);
            stride = (panel.columns() + BYTE - 1) / BYTE;
            memory = new byte[stride * panel.rows()];
            Arrays.fill(memory, (byte) 0xFF);
            shown = memory.clone();
            lastColumn = stride - 1;
            lastRow = panel.rows() - 1;
        }

        private static int wanted(int c) {
            return switch (c) {
                case 0x12, 0x20, 0x24, 0x26 -> 0;
                case 0x10, 0x11, 0x18, 0x22, 0x2C, 0x3C, 0x4E -> 1;
                case 0x44, 0x4F -> 2;
                case 0x01 -> 3;
                case 0x45 -> 4;
                default -> -1;
            };
        }

        @Override
        protected void command(int value) {
            command = value & 0xFF;
            count = 0;
            changed();
            if (command == 0x20) {
                shown = memory.clone();
                everShown = true;
                unseen = false;
                sleptUnseen = false;
            }
            if (wanted(command) == 0) {
                say(name());
            } else {
                grow(name());
            }
        }

        @Override
        protected void data(int value) {
            if (command == 0x24 || command == 0x26) {
                painted(1);
                if (command == 0x24) {
                    unseen = true;
                    paint(value);
                }
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
            switch (command) {
                case 0x01 -> rows = (parameters[0] | (parameters[1] & 1) << 8) + 1;
                case 0x10 -> sleptUnseen |= unseen && (parameters[0] & 3) != 0;
                case 0x11 -> entry = parameters[0] & 7;
                case 0x44 -> {
                    firstColumn = parameters[0] & 0x3F;
                    lastColumn = parameters[1] & 0x3F;
                }
                case 0x45 -> {
                    firstRow = parameters[0] | (parameters[1] & 1) << 8;
                    lastRow = parameters[2] | (parameters[3] & 1) << 8;
                }
                case 0x4E -> column = parameters[0] & 0x3F;
                case 0x4F -> row = parameters[0] | (parameters[1] & 1) << 8;
                default -> {}
            }
            say(name());
        }

        private void paint(int value) {
            int at = row * stride + column;
            if (column < stride && row < panel().rows()) {
                memory[at] = (byte) value;
            }
            boolean right = (entry & 1) != 0;
            boolean down = (entry & 2) != 0;
            if (column != lastColumn) {
                column = column + (right ? 1 : -1) & 0x3F;
                return;
            }
            column = firstColumn;
            row = row == lastRow ? firstRow : row + (down ? 1 : -1) & 0x1FF;
        }

        @Override
        public String state() {
            return everShown ? "" : "not refreshed since the record began";
        }

        @Override
        public List<Misfit> misfits() {
            List<Misfit> all = new ArrayList<>();
            if (rows > 0 && rows != panel().rows()) {
                all.add(Misfit.rows(rows, panel(), SOURCE));
            }
            if (sleptUnseen) {
                all.add(new Misfit(
                        "gets a picture and is put to sleep without showing it",
                        "Send 22 and 20 after the picture, wait for the busy line, then let it sleep.",
                        true,
                        SOURCE));
            }
            if (lastColumn >= stride) {
                all.add(new Misfit(
                        "gets a window to column " + (lastColumn * BYTE + BYTE - 1) + ", where the last is "
                                + (panel().columns() - 1),
                        "A window is told in bytes of 8 pixels, both ends included, counted from 0.",
                        true,
                        SOURCE));
            }
            return all;
        }

        private Picture picture(byte[] from) {
            int[] pixels = new int[panel().columns() * panel().rows()];
            for (int i = 0; i < pixels.length; i++) {
                int x = i % panel().columns();
                int at = i / panel().columns() * stride + x / BYTE;
                pixels[i] = (from[at] >> 7 - x % BYTE & 1) == 1 ? 0xFFFFFF : 0;
            }
            return new Picture(panel().columns(), panel().rows(), false, pixels);
        }

        @Override
        public Picture memory(Area area) {
            Picture whole = picture(memory);
            return area == null ? whole : whole.part(area);
        }

        @Override
        public Picture seen() {
            return picture(shown);
        }

        private String name() {
            String p = count > 0 ? Integer.toString(parameters[0]) : "…";
            boolean whole = count >= wanted(command);
            return switch (command) {
                case 0x01 -> "rows " + (whole ? (parameters[0] | (parameters[1] & 1) << 8) + 1 : "…");
                case 0x10 -> "deep sleep " + p;
                case 0x11 -> "entry mode " + p;
                case 0x12 -> "reset";
                case 0x18 -> "temperature sensor " + (count > 0 ? Hex.of(parameters[0]) : "…");
                case 0x20 -> "refreshes the glass";
                case 0x22 -> "steps of the refresh " + (count > 0 ? Hex.of(parameters[0]) : "…");
                case 0x24 -> "writes black and white";
                case 0x26 -> "writes the second colour, or the old picture";
                case 0x2C -> "common voltage " + (count > 0 ? Hex.of(parameters[0]) : "…");
                case 0x3C -> "border " + (count > 0 ? Hex.of(parameters[0]) : "…");
                case 0x44 -> "columns " + (whole ? parameters[0] * BYTE + " to " + (parameters[1] * BYTE + 7) : "…");
                case 0x45 ->
                    "rows "
                            + (whole
                                    ? (parameters[0] | (parameters[1] & 1) << 8) + " to "
                                            + (parameters[2] | (parameters[3] & 1) << 8)
                                    : "…");
                case 0x4E -> "from column " + (whole ? Integer.toString(parameters[0] * BYTE) : "…");
                case 0x4F -> "from row " + (whole ? Integer.toString(parameters[0] | (parameters[1] & 1) << 8) : "…");
                default -> unnamed(command, count);
            };
        }
    }
}
