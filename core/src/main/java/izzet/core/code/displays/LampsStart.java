package izzet.core.code.displays;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import izzet.core.circuit.Unit;
import izzet.core.code.DisplayStart;
import izzet.core.code.Op;
import izzet.core.code.ProgramBus;
import izzet.core.code.ProgramPin;
import izzet.core.code.ProgramWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Matrices of lamps and seven-segment digits with their drivers: a frame around a mark that is no mirror of itself, or 1, 2, 3 from the left. */
public final class LampsStart implements DisplayStart {

    /** Rows from the top, the left lamp in the highest bit: a frame, in it a flag on its mast. */
    private static final int[] MATRIX = {0xFF, 0x81, 0xB9, 0xB9, 0xA1, 0xA1, 0x81, 0xFF};

    /** Segments of 1 to 4, the first in the lowest bit, as lamp drivers of four digits are commonly wired. */
    private static final int[] SEGMENTS = {0x06, 0x5B, 0x4F, 0x66};

    private static final int ROWS = 8;
    private static final int COLON = 0x02;

    @Override
    public boolean fits(Unit unit) {
        return serial(unit) || twoWire(unit);
    }

    private static boolean serial(Unit unit) {
        Part.Spi spi = unit.part().spi();
        return unit.variant().bus() == BusKind.SPI && spi != null && "digit-driver".equals(spi.speaks());
    }

    private static boolean twoWire(Unit unit) {
        Part.I2c i2c = unit.part().i2c();
        return unit.variant().bus() == BusKind.I2C && i2c != null && "lamp-driver".equals(i2c.speaks());
    }

    @Override
    public String source() {
        return "Data sheets of the drivers of 8 digits (MAX7219) and of 16 x 8 lamps (HT16K33), from memory; which digit is which: common practice";
    }

    @Override
    public void add(Unit unit, ProgramWriter program) {
        Optional<ProgramBus> bus = program.bus(unit);
        if (bus.isEmpty()) {
            program.note(unit.name() + ": its bus is not on pins of the board yet");
        } else if (serial(unit)) {
            serial(unit, program, bus.get());
        } else {
            twoWire(unit, program, bus.get());
        }
    }

    private static boolean digits(Unit unit) {
        return unit.part().glass() != null
                && "characters".equals(unit.part().glass().shows());
    }

    /** A word of 16 bits a register, taken over when the select rises. */
    private static void serial(Unit unit, ProgramWriter program, ProgramBus bus) {
        Optional<ProgramPin> select = program.pin(unit, Role.SELECT);
        if (select.isEmpty()) {
            program.note(unit.name() + ": its select is on no pin of the board, and nothing is taken over without");
            return;
        }
        boolean digits = digits(unit);
        List<int[]> words = new ArrayList<>(
                List.of(new int[] {0xC, 0}, new int[] {0xF, 0}, new int[] {0xB, 7}, new int[] {0xA, 3}));
        words.add(new int[] {0x9, digits ? 0xFF : 0});
        for (int i = 1; i <= ROWS; i++) {
            words.add(new int[] {i, digits ? ROWS + 1 - i : MATRIX[i - 1]});
        }
        words.add(new int[] {0xC, 1});
        program.output(select.get(), true);
        for (int[] word : words) {
            program.level(select.get(), false);
            program.add(new Op.Send(bus, List.of(word[0], word[1])));
            program.level(select.get(), true);
        }
    }

    private static void twoWire(Unit unit, ProgramWriter program, ProgramBus bus) {
        Optional<Integer> address = program.address(unit);
        if (address.isEmpty()) {
            program.note(unit.name() + ": its address is not known");
            return;
        }
        program.way(unit, bus);
        List<Integer> lamps = new ArrayList<>();
        lamps.add(0);
        for (int i = 0; i < ROWS; i++) {
            // Two bytes a row; digits lie at the first, second, fourth and fifth, the colon between.
            lamps.add(digits(unit) ? digit(i) : Integer.reverse(MATRIX[i]) >>> 24);
            lamps.add(0);
        }
        program.add(new Op.TwoWire(bus, address.get(), List.of(0x21)));
        program.add(new Op.TwoWire(bus, address.get(), List.of(0xE7)));
        program.add(new Op.TwoWire(bus, address.get(), lamps));
        program.add(new Op.TwoWire(bus, address.get(), List.of(0x81)));
    }

    private static int digit(int row) {
        return row == 2 ? COLON : row > 4 ? 0 : SEGMENTS[row < 2 ? row : row - 1];
    }
}
