package izzet.core.code.displays;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Part;
import izzet.core.circuit.Unit;
import izzet.core.code.DisplayStart;
import izzet.core.code.Op;
import izzet.core.code.Pictures;
import izzet.core.code.ProgramWriter;
import izzet.core.code.SerialCommands;
import java.util.ArrayList;
import java.util.List;

/** Colour panels with the standard command set on a serial bus or on parallel lines: a white frame, red, green and blue squares from the left. */
public final class ColourPanelStart implements DisplayStart {

    private static final int WHITE = 0xFFFF;
    private static final int RED = 0xF800;
    private static final int GREEN = 0x07E0;
    private static final int BLUE = 0x001F;
    private static final int BGR = 0x08;
    private static final int SIXTEEN_BITS = 0x55;

    @Override
    public boolean fits(Unit unit) {
        Part.Glass glass = unit.part().glass();
        boolean parallel = unit.variant().bus() == null && unit.variant().cycleNanos() != null;
        return glass != null
                && "dcs".equals(glass.family())
                && (parallel || unit.variant().bus() == BusKind.SPI);
    }

    @Override
    public String source() {
        return "MIPI Display Command Set; waits from the part's file";
    }

    @Override
    public void add(Unit unit, ProgramWriter program) {
        SerialCommands panel = SerialCommands.of(unit, program).orElse(null);
        if (panel == null) {
            return;
        }
        program.pin(unit, "RD").ifPresent(pin -> program.output(pin, true));
        Part.Glass glass = unit.part().glass();
        long afterReset = glass.resetMillis() == null ? 120 : glass.resetMillis();
        long afterWake = glass.wakeMillis() == null ? 120 : glass.wakeMillis();
        if (!program.reset(unit, 1, afterReset)) {
            panel.send(0x01);
            program.millis(afterReset);
        }
        panel.send(0x11);
        program.millis(afterWake);
        panel.send(0x3A, SIXTEEN_BITS);
        panel.send(0x36, "bgr".equals(glass.order()) ? BGR : 0);
        panel.send(0x29);
        panel.rectangles(picture(glass));
    }

    private static List<Op.Rectangle> picture(Part.Glass glass) {
        int dx = glass.offsetColumns() == null ? 0 : glass.offsetColumns();
        int dy = glass.offsetRows() == null ? 0 : glass.offsetRows();
        List<Op.Rectangle> all = new ArrayList<>();
        all.add(new Op.Rectangle(dx, dy, dx + glass.columns() - 1, dy + glass.rows() - 1, 0));
        all.addAll(Pictures.of(glass.columns(), glass.rows()).rectangles(dx, dy, WHITE));
        int side = Math.min(glass.columns(), glass.rows()) / 6;
        int top = dy + glass.rows() / 2 - side / 2;
        int left = dx + glass.columns() / 2 - side * 2;
        int[] colours = {RED, GREEN, BLUE};
        for (int i = 0; i < colours.length; i++) {
            int x = left + i * side * 3 / 2;
            all.add(new Op.Rectangle(x, top, x + side - 1, top + side - 1, colours[i]));
        }
        return all;
    }
}
