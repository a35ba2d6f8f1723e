package izzet.app.drawing;

import izzet.core.catalog.ElementKind;
import izzet.core.catalog.Part;
import izzet.core.catalog.PartKind;
import izzet.core.catalog.PartLine;
import izzet.core.catalog.Role;
import izzet.core.quantity.Hex;
import java.util.List;

/** A part drawn from its data: outline, glass, header with its labels in their order, and the pads that set its address. */
final class PartDrawing {

    private static final double EDGE = 3;
    private static final double ROW = 20;
    private static final double LETTER = 7.6;
    private static final double GLASS_ROOM_WIDE = 190;
    private static final double GLASS_ROOM_HIGH = 110;
    private static final double MARGIN = 12;
    private static final double WIDEST_PITCH = 20;
    private static final double WIDEST_HEADER = 400;
    private static final double NARROW_HEADER = 130;
    private static final int MOST_CELLS_DRAWN = 80;
    /** A character has 5 by 8 dots and a gap. */
    private static final double CELL_HIGH = 9.0 / 6.0;

    private final Part part;
    private final boolean labelled;
    private final List<PartLine> header;
    private final ItemDrawing.Sheet sheet = new ItemDrawing.Sheet();

    private PartDrawing(Part part, boolean labelled) {
        this.part = part;
        this.labelled = labelled;
        this.header = part.headerLines();
    }

    /** @param labelled with the header's labels and the address pads; without, it is a small picture for lists */
    static ItemDrawing of(Part part, boolean labelled) {
        return new PartDrawing(part, labelled).draw();
    }

    private ItemDrawing draw() {
        if (Boolean.TRUE.equals(part.bareChip())) {
            chip();
        } else {
            module();
        }
        if (labelled) {
            pads();
        }
        return sheet.drawing(part.name()
                + (header.isEmpty()
                        ? ""
                        : ", header "
                                + String.join(
                                        " ", header.stream().map(PartLine::id).toList())));
    }

    /** Numbers run round a chip: down at the left, up at the right. Drawn lying, the first leg at the left of the lower edge. */
    private void chip() {
        int legs = header.stream().mapToInt(PartLine::header).max().orElse(2);
        int side = (legs + 1) / 2;
        double pitch = labelled ? WIDEST_PITCH : 12;
        double label = labelled ? longest() * LETTER + 4 : 0;
        double wide = side * pitch + 10;
        double top = EDGE + label + 8;
        double high = labelled ? 54 : 34;
        sheet.put(Shape.rect("body chip", EDGE, top, wide, high));
        sheet.put(Shape.circle("notch", EDGE, top + high / 2, labelled ? 7 : 5));
        for (PartLine line : header) {
            int place = line.header();
            boolean lower = place <= side;
            double x = EDGE + 5 + pitch * (lower ? place - 0.5 : legs - place + 0.5);
            double y = lower ? top + high : top - 8;
            sheet.put(Shape.box(look(line), x - 3, y, 6, 8));
            if (labelled) {
                sheet.put(Shape.text(
                        "label " + (lower ? "after" : "before"),
                        x + 4,
                        lower ? y + 12 : y - 4,
                        line.id(),
                        lower ? 90 : -90));
            }
        }
        sheet.put(Shape.rect("room", EDGE, top + high, wide, 8 + label));
    }

    private double longest() {
        return header.stream().mapToInt(l -> l.id().length()).max().orElse(0);
    }

    private void module() {
        double[] glass = part.glass() == null ? new double[] {70, 44} : glassSize();
        int places = header.stream().mapToInt(PartLine::header).max().orElse(0);
        double pitch = places == 0
                ? 0
                : Math.min(
                        labelled ? WIDEST_PITCH : WIDEST_PITCH * 0.6,
                        (labelled ? WIDEST_HEADER : NARROW_HEADER) / places);
        double wide = Math.max(glass[0] + 2 * MARGIN, places * pitch + 14);
        double label = labelled && places > 0 ? longest() * LETTER + 6 : 0;
        double top = EDGE + label;
        double strip = places == 0 ? 6 : 22;
        double high = strip + glass[1] + MARGIN;
        sheet.put(Shape.rect("body", EDGE, top, wide, high));
        double first = EDGE + (wide - places * pitch) / 2 + pitch / 2;
        for (PartLine line : header) {
            double x = first + (line.header() - 1) * pitch;
            sheet.put(Shape.circle(look(line), x, top + 11, Math.min(4.5, pitch / 2 - 1)));
            if (labelled) {
                sheet.put(Shape.text("label before", x + 4, top - 5, line.id(), -90));
            }
        }
        double x = EDGE + (wide - glass[0]) / 2;
        double y = top + strip;
        if (part.glass() == null) {
            symbol(x, y, glass[0], glass[1]);
        } else {
            sheet.put(Shape.rect("glass", x, y, glass[0], glass[1]));
            cells(x, y, glass[0], glass[1]);
        }
    }

    private static String look(PartLine line) {
        return "pin "
                + (line.role() == Role.GROUND || line.role() == Role.RETURN
                        ? "ground"
                        : line.role() == Role.SUPPLY ? "supply" : "signal");
    }

    private boolean characters() {
        return "characters".equals(part.glass().shows());
    }

    /** The biggest of the right proportions that the room takes. */
    private double[] glassSize() {
        Part.Glass g = part.glass();
        double proportion = characters() ? g.columns() / (g.rows() * CELL_HIGH) : g.columns() / (double) g.rows();
        double room = labelled ? 1 : 0.62;
        double wide = Math.min(GLASS_ROOM_WIDE * room, GLASS_ROOM_HIGH * room * proportion);
        double high = Math.max(12, wide / proportion);
        return new double[] {Math.max(wide, 20), Math.min(high, GLASS_ROOM_HIGH * room)};
    }

    /** Characters, or the dots of a glass so coarse that they are seen. */
    private void cells(double x, double y, double wide, double high) {
        Part.Glass g = part.glass();
        if (g.columns() * g.rows() > MOST_CELLS_DRAWN) {
            return;
        }
        double w = (wide - 6) / g.columns();
        double h = (high - 6) / g.rows();
        for (int row = 0; row < g.rows(); row++) {
            for (int column = 0; column < g.columns(); column++) {
                double left = x + 3 + column * w;
                double top = y + 3 + row * h;
                sheet.put(
                        characters()
                                ? Shape.box("cell", left + w * 0.12, top + h * 0.1, w * 0.76, h * 0.8)
                                : Shape.circle("cell", left + w / 2, top + h / 2, Math.min(w, h) * 0.36));
            }
        }
    }

    private long count(ElementKind kind) {
        return part.elements().stream().filter(e -> e.kind() == kind).count();
    }

    /** What the hand or eye finds on a part without glass. */
    private void symbol(double x, double y, double wide, double high) {
        double cx = x + wide / 2;
        double cy = y + high / 2;
        long knobs = count(ElementKind.POTENTIOMETER);
        long contacts = count(ElementKind.SWITCH);
        if (part.kind() == PartKind.LAMP) {
            long lamps = Math.max(
                    1, part.lines().stream().filter(l -> l.lamp() != null).count());
            for (int i = 0; i < lamps; i++) {
                sheet.put(Shape.circle("dome", cx + (i - (lamps - 1) / 2.0) * 15, cy, 12));
            }
        } else if (part.kind() == PartKind.INPUT && knobs + contacts > 0) {
            sheet.put(
                    knobs + contacts == 1 && contacts == 1
                            ? Shape.rect("base", cx - 18, cy - 18, 36, 36)
                            : Shape.circle("base", cx, cy, 19));
            sheet.put(Shape.circle("knob", cx, cy, knobs == 1 || contacts > 1 ? 13 : 10));
            if (knobs == 1 || contacts > 1) {
                sheet.put(Shape.line("pointer", cx, cy, cx + 8, cy - 8));
            }
        } else if (part.kind() == PartKind.SENSOR) {
            sheet.put(Shape.rect("block", cx - 15, cy - 12, 30, 24));
            sheet.put(Shape.circle("hole", cx - 6, cy - 4, 3));
        } else if (part.kind() == PartKind.SUPPLY) {
            sheet.put(Shape.rect("block", cx - 26, cy - 13, 52, 26));
            sheet.put(Shape.line("pole", cx - 18, cy, cx - 8, cy));
            sheet.put(Shape.line("pole", cx + 8, cy, cx + 18, cy));
            sheet.put(Shape.line("pole", cx + 13, cy - 5, cx + 13, cy + 5));
        } else if (part.kind() == PartKind.INPUT) {
            sheet.put(Shape.rect("glass", cx - 32, cy - 20, 64, 40));
            sheet.put(Shape.circle("base", cx + 8, cy + 4, 7));
        } else {
            sheet.put(Shape.rect("block", cx - 22, cy - 14, 44, 28));
            sheet.put(Shape.circle("hole", cx - 16, cy + 8, 2.2));
        }
    }

    /** The underside: each strap that sets the address, with what each of its settings gives. */
    private void pads() {
        List<Part.Strap> straps = part.i2c() == null
                ? List.of()
                : part.straps().stream().filter(Part.Strap::addresses).toList();
        if (straps.isEmpty()) {
            return;
        }
        double top = sheet.bottom() + 30;
        sheet.put(Shape.text("caption", EDGE, top - 8, "underside", 0));
        double y = top + ROW / 2;
        double wide = 0;
        for (Part.Strap strap : straps) {
            for (Part.Strap.Setting setting : strap.settings()) {
                String gives = straps.size() == 1
                        ? Hex.of(part.i2c().baseAddress() + setting.addsToAddress())
                        : changes(setting.addsToAddress());
                String words = strap.name() + ", " + setting.name() + ": " + gives;
                boolean first = setting.equals(strap.settings().get(0));
                sheet.put(Shape.box(first ? "pad" : "pad other", EDGE + 10, y - 1, 10, 10));
                sheet.put(Shape.text("row", EDGE + 28, y + 8, words, 0));
                wide = Math.max(wide, 40 + words.length() * LETTER);
                y += ROW;
            }
        }
        sheet.put(Shape.rect("back", EDGE, top, wide, y - top));
    }

    private static String changes(int adds) {
        return adds == 0 ? "adds nothing" : adds > 0 ? "raises it by " + adds : "lowers it by " + -adds;
    }
}
