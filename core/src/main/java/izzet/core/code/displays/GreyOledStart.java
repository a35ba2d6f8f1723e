package izzet.core.code.displays;

import izzet.core.catalog.Part;
import izzet.core.circuit.Unit;
import izzet.core.code.DisplayStart;
import izzet.core.code.Pictures;
import izzet.core.code.ProgramWriter;
import izzet.core.code.SerialCommands;
import java.util.ArrayList;
import java.util.List;

/** Wide OLEDs of 16 greys on a serial bus, four pixels a column address, two a byte. */
public final class GreyOledStart implements DisplayStart {

    private static final int PIXELS = 4;
    private static final int FULL = 0xF;

    @Override
    public boolean fits(Unit unit) {
        Part.Glass glass = unit.part().glass();
        return glass != null && "grey-oled".equals(glass.family());
    }

    @Override
    public String source() {
        return "Data sheet of the driver of 16 greys (SSD1322), command table and set-up; from memory";
    }

    @Override
    public void add(Unit unit, ProgramWriter program) {
        SerialCommands oled = SerialCommands.of(unit, program).orElse(null);
        if (oled == null) {
            return;
        }
        Part.Glass glass = unit.part().glass();
        program.reset(unit, 1, glass.resetMillis() == null ? 1 : glass.resetMillis());
        oled.send(0xFD, 0x12);
        oled.send(0xAE);
        oled.send(0xB3, 0x91);
        oled.send(0xCA, glass.rows() - 1);
        oled.send(0xA2, 0x00);
        oled.send(0xA1, 0x00);
        oled.send(0xA0, 0x14, 0x11);
        oled.send(0xB5, 0x00);
        oled.send(0xAB, 0x01);
        oled.send(0xB4, 0xA0, 0xFD);
        oled.send(0xC1, 0x9F);
        oled.send(0xC7, 0x0F);
        oled.send(0xB9);
        oled.send(0xB1, 0xE2);
        oled.send(0xD1, 0x82, 0x20);
        oled.send(0xBB, 0x1F);
        oled.send(0xB6, 0x08);
        oled.send(0xBE, 0x07);
        oled.send(0xA6);
        int first = (glass.offsetColumns() == null ? 0 : glass.offsetColumns()) / PIXELS;
        oled.send(0x15, first, first + glass.columns() / PIXELS - 1);
        oled.send(0x75, 0, glass.rows() - 1);
        oled.picture(0x5C, bytes(Pictures.of(glass.columns(), glass.rows())));
        oled.send(0xAF);
    }

    /** Two pixels each, the left one in the upper half. */
    private static List<Integer> bytes(Pictures picture) {
        List<Integer> bytes = new ArrayList<>();
        for (int y = 0; y < picture.rows(); y++) {
            for (int x = 0; x < picture.columns(); x += 2) {
                bytes.add((picture.lit()[x][y] ? FULL << 4 : 0) | (picture.lit()[x + 1][y] ? FULL : 0));
            }
        }
        return bytes;
    }
}
