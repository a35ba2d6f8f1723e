package izzet.core.code.displays;

import izzet.core.catalog.Part;
import izzet.core.circuit.Unit;
import izzet.core.code.DisplayStart;
import izzet.core.code.Op;
import izzet.core.code.Pictures;
import izzet.core.code.ProgramPin;
import izzet.core.code.ProgramWriter;
import izzet.core.code.SerialCommands;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Black and white electronic paper on a serial bus: black frame and letters; put to sleep afterwards, since under voltage it ages. */
public final class PaperStart implements DisplayStart {

    private static final int BITS = 8;
    private static final int LONGEST_RESET = 10;
    private static final int USUAL_REFRESH = 2000;

    /** In the cold it takes several times as long. */
    private static final int LONGEST = 5;

    @Override
    public boolean fits(Unit unit) {
        Part.Glass glass = unit.part().glass();
        return glass != null && "electronic-paper".equals(glass.family());
    }

    @Override
    public String source() {
        return "Data sheet of the electronic paper's driver (SSD1681), typical operating sequence; from memory";
    }

    @Override
    public void add(Unit unit, ProgramWriter program) {
        SerialCommands paper = SerialCommands.of(unit, program).orElse(null);
        if (paper == null) {
            return;
        }
        Part.Glass glass = unit.part().glass();
        int reset = glass.resetMillis() == null ? LONGEST_RESET : glass.resetMillis();
        int refresh = glass.refreshMillis() == null ? USUAL_REFRESH : glass.refreshMillis();
        Optional<ProgramPin> busy = program.pin(unit, "BUSY");
        busy.ifPresent(pin -> program.add(new Op.Input(pin)));
        program.reset(unit, LONGEST_RESET, reset);
        paper.send(0x12);
        ready(program, unit, busy, reset);
        int lastRow = glass.rows() - 1;
        paper.send(0x01, lastRow & 0xFF, lastRow >> BITS, 0x00);
        paper.send(0x11, 0x03);
        paper.send(0x44, 0, (glass.columns() - 1) / BITS);
        paper.send(0x45, 0, 0, lastRow & 0xFF, lastRow >> BITS);
        paper.send(0x3C, 0x05);
        paper.send(0x18, 0x80);
        paper.send(0x4E, 0);
        paper.send(0x4F, 0, 0);
        paper.picture(0x24, bytes(Pictures.of(glass.columns(), glass.rows())));
        paper.send(0x22, 0xF7);
        paper.send(0x20);
        ready(program, unit, busy, refresh);
        paper.send(0x10, 0x01);
    }

    /** Its busy line is high while it works; where that is on no pin, twice the usual time has to do. */
    private static void ready(ProgramWriter program, Unit unit, Optional<ProgramPin> busy, long usual) {
        if (busy.isPresent()) {
            program.add(new Op.Await(busy.get(), false, usual, LONGEST * usual));
        } else {
            program.note(
                    unit.name() + ": its busy line is on no pin of the board; waits twice as long as it usually takes");
            program.millis(2 * usual);
        }
    }

    /** A bit a pixel, the left one on top; 0 is black. */
    private static List<Integer> bytes(Pictures picture) {
        List<Integer> bytes = new ArrayList<>();
        for (int y = 0; y < picture.rows(); y++) {
            for (int x = 0; x < picture.columns(); x += BITS) {
                int value = 0xFF;
                for (int bit = 0; bit < BITS && x + bit < picture.columns(); bit++) {
                    value &= picture.lit()[x + bit][y] ? ~(0x80 >> bit) : 0xFF;
                }
                bytes.add(value);
            }
        }
        return bytes;
    }
}
