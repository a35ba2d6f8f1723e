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
import java.util.Map;
import java.util.Optional;

/** Character displays on pins with 4 or 8 lines, or behind a 2-wire expander: A to D in the corners, the alphabet between. */
public final class CharacterStart implements DisplayStart {

    private static final int POWER_MILLIS = 50;
    private static final int WAKE_MICROS = 4500;
    private static final int CLEAR_MICROS = 2200;
    private static final int MICROS = 60;
    private static final int[] FOUR_ROWS = {0x00, 0x40, 0x14, 0x54};

    /** Bits of the expander as most boards have them, for a part that does not say. */
    private static final Map<String, Integer> USUAL =
            Map.of("rs", 0, "rw", 1, "e", 2, "backlight", 3, "d4", 4, "d5", 5, "d6", 6, "d7", 7);

    @Override
    public boolean fits(Unit unit) {
        Part.Glass glass = unit.part().glass();
        boolean character = glass != null && "character".equals(glass.family());
        return character
                && (unit.variant().bus() == null
                        || unit.variant().bus() == BusKind.I2C
                                && unit.part().i2c() != null
                                && "expander-character".equals(unit.part().i2c().speaks()));
    }

    @Override
    public String source() {
        return "Character display controller data sheet (HD44780U): start by instruction, waits at its slowest clock; expander bits from memory";
    }

    private interface Sender {
        void half(int value, boolean data, long micros);

        void whole(int value, boolean data, long micros);
    }

    @Override
    public void add(Unit unit, ProgramWriter program) {
        boolean eight = "8-bit".equals(unit.variant().id());
        Sender sender = unit.variant().bus() == null ? direct(unit, program, eight) : expander(unit, program);
        if (sender == null) {
            return;
        }
        program.millis(POWER_MILLIS);
        for (int i = 0; i < 3; i++) {
            if (eight) {
                sender.whole(0x30, false, WAKE_MICROS);
            } else {
                sender.half(0x3, false, WAKE_MICROS);
            }
        }
        Part.Glass glass = unit.part().glass();
        boolean halves = glass.rows() == 1 && glass.columns() == 16;
        if (!eight) {
            sender.half(0x2, false, MICROS);
        }
        boolean twoLines = glass.rows() > 1 || halves;
        sender.whole((eight ? 0x30 : 0x20) | (twoLines ? 0x08 : 0), false, MICROS);
        sender.whole(0x0C, false, MICROS);
        sender.whole(0x06, false, MICROS);
        sender.whole(0x01, false, CLEAR_MICROS);
        for (int row = 0; row < glass.rows(); row++) {
            String text = row(row, glass.rows(), glass.columns());
            int start = glass.rows() > 2 ? FOUR_ROWS[row] + (glass.columns() == 16 && row > 1 ? -4 : 0) : row * 0x40;
            sender.whole(0x80 | start, false, MICROS);
            for (int i = 0; i < text.length(); i++) {
                if (halves && i == glass.columns() / 2) {
                    sender.whole(0x80 | 0x40, false, MICROS);
                }
                sender.whole(text.charAt(i), true, MICROS);
            }
        }
    }

    /** Corners of the glass: A and B above, C and D below; only A and B where there is one row. */
    private static String row(int row, int rows, int columns) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < columns; i++) {
            text.append((char) ('a' + (row * columns + i) % 26));
        }
        if (row == 0) {
            text.setCharAt(0, 'A');
            text.setCharAt(columns - 1, 'B');
        } else if (row == rows - 1) {
            text.setCharAt(0, 'C');
            text.setCharAt(columns - 1, 'D');
        }
        return text.toString();
    }

    private static Sender direct(Unit unit, ProgramWriter program, boolean eight) {
        List<ProgramPin> data = program.pins(unit, Role.DATA);
        Optional<ProgramPin> select = program.pin(unit, "RS");
        Optional<ProgramPin> enable = program.pin(unit, Role.ENABLE);
        int lines = eight ? 8 : 4;
        if (data.size() < lines || select.isEmpty() || enable.isEmpty()) {
            program.note(unit.name() + ": not all of its lines are on pins of the board");
            return null;
        }
        List<ProgramPin> used = data.subList(data.size() - lines, data.size());
        program.output(enable.get(), false);
        program.output(select.get(), false);
        program.pin(unit, "RW").ifPresent(pin -> program.output(pin, false));
        used.forEach(pin -> program.output(pin, false));
        return new Sender() {
            @Override
            public void half(int value, boolean command, long micros) {
                program.level(select.get(), command);
                program.add(new Op.Strobe(used, enable.get(), value, micros));
            }

            @Override
            public void whole(int value, boolean data, long micros) {
                program.level(select.get(), data);
                if (eight) {
                    program.add(new Op.Strobe(used, enable.get(), value, micros));
                } else {
                    program.add(new Op.Strobe(used, enable.get(), value >> 4, 1));
                    program.add(new Op.Strobe(used, enable.get(), value & 0x0F, micros));
                }
            }
        };
    }

    private static Sender expander(Unit unit, ProgramWriter program) {
        Optional<ProgramBus> bus = program.bus(unit);
        Optional<Integer> address = program.address(unit);
        if (bus.isEmpty() || address.isEmpty()) {
            program.note(unit.name()
                    + (bus.isEmpty() ? ": its bus is not on pins of the board yet" : ": its address is not known"));
            return null;
        }
        program.way(unit, bus.get());
        Map<String, Integer> bits =
                unit.part().i2c().expander() == null ? USUAL : unit.part().i2c().expander();
        return new Sender() {
            @Override
            public void half(int value, boolean data, long micros) {
                program.add(new Op.TwoWire(bus.get(), address.get(), nibble(value, data)));
                program.micros(micros);
            }

            @Override
            public void whole(int value, boolean data, long micros) {
                List<Integer> bytes = new ArrayList<>(nibble(value >> 4, data));
                bytes.addAll(nibble(value & 0x0F, data));
                program.add(new Op.TwoWire(bus.get(), address.get(), bytes));
                program.micros(micros);
            }

            private List<Integer> nibble(int value, boolean data) {
                int lines = bit("backlight") | (data ? bit("rs") : 0);
                for (int i = 0; i < 4; i++) {
                    lines |= (value >> i & 1) == 1 ? bit("d" + (4 + i)) : 0;
                }
                return List.of(lines | bit("e"), lines);
            }

            private int bit(String line) {
                return bits.containsKey(line) ? 1 << bits.get(line) : 0;
            }
        };
    }
}
