package izzet.core.code.displays;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Part;
import izzet.core.catalog.Role;
import izzet.core.circuit.Unit;
import izzet.core.code.DisplayStart;
import izzet.core.code.Op;
import izzet.core.code.Pictures;
import izzet.core.code.ProgramBus;
import izzet.core.code.ProgramPin;
import izzet.core.code.ProgramWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Small page-addressed displays, on a 2-wire or a serial bus, with 128 or 132 columns of memory. */
public final class PageOledStart implements DisplayStart {

    private static final String WIDE_MEMORY = "page-oled-132";
    private static final int COMMANDS = 0x00;
    private static final int DATA = 0x40;

    @Override
    public boolean fits(Unit unit) {
        Part.Glass glass = unit.part().glass();
        return glass != null && ("page-oled".equals(glass.family()) || WIDE_MEMORY.equals(glass.family()));
    }

    @Override
    public String source() {
        return "Set-up as in Linux kernel 6.1, drivers/staging/fbtft, with horizontal addressing; data sheet of the segment driver";
    }

    @Override
    public void add(Unit unit, ProgramWriter program) {
        Optional<ProgramBus> bus = program.bus(unit);
        if (bus.isEmpty()) {
            program.note(unit.name() + ": its bus is not on pins of the board yet");
            return;
        }
        boolean serial = unit.variant().bus() == BusKind.SPI;
        program.reset(unit, 1, 1);
        Sender sender = serial ? serial(unit, program, bus.get()) : twoWire(unit, program, bus.get());
        if (sender == null) {
            return;
        }
        Part.Glass glass = unit.part().glass();
        boolean wide = WIDE_MEMORY.equals(glass.family());
        sender.commands(setUp(glass, wide));
        Pictures picture = Pictures.of(glass.columns(), glass.rows());
        if (wide) {
            int offset = glass.offsetColumns() == null ? 0 : glass.offsetColumns();
            for (int page = 0; page < glass.rows() / 8; page++) {
                sender.commands(List.of(0xB0 | page, offset & 0x0F, 0x10 | offset >> 4));
                sender.data(Pictures.pairs(picture.page(page)));
            }
        } else {
            sender.commands(List.of(0x21, 0, glass.columns() - 1, 0x22, 0, glass.rows() / 8 - 1));
            List<Integer> bytes = new ArrayList<>();
            for (int page = 0; page < glass.rows() / 8; page++) {
                bytes.addAll(picture.page(page));
            }
            sender.data(Pictures.pairs(bytes));
        }
        sender.end();
    }

    private static List<Integer> setUp(Part.Glass glass, boolean wide) {
        List<Integer> bytes = new ArrayList<>(List.of(0xAE, 0xD5, 0x80, 0xA8, glass.rows() - 1, 0xD3, 0x00, 0x40));
        if (!wide) {
            bytes.addAll(List.of(0x8D, 0x14, 0x20, 0x00));
        }
        bytes.addAll(List.of(0xA1, 0xC8, 0xDA, glass.rows() > 32 ? 0x12 : 0x02, 0x81, 0xCF, 0xD9, 0xF1, 0xDB, 0x40));
        bytes.addAll(List.of(0xA4, 0xA6, 0xAF));
        return bytes;
    }

    private interface Sender {
        void commands(List<Integer> bytes);

        void data(List<Integer> pairs);

        void end();
    }

    private static Sender twoWire(Unit unit, ProgramWriter program, ProgramBus bus) {
        Optional<Integer> address = program.address(unit);
        if (address.isEmpty()) {
            program.note(unit.name() + ": its address is not known");
            return null;
        }
        program.way(unit, bus);
        return new Sender() {
            @Override
            public void commands(List<Integer> bytes) {
                List<Integer> all = new ArrayList<>(List.of(COMMANDS));
                all.addAll(bytes);
                program.add(new Op.TwoWire(bus, address.get(), all));
            }

            @Override
            public void data(List<Integer> pairs) {
                program.add(new Op.TwoWireRun(bus, address.get(), DATA, pairs));
            }

            @Override
            public void end() {}
        };
    }

    private static Sender serial(Unit unit, ProgramWriter program, ProgramBus bus) {
        Optional<ProgramPin> select = program.pin(unit, Role.SELECT);
        Optional<ProgramPin> command = program.pin(unit, Role.DATA_COMMAND);
        if (command.isEmpty()) {
            program.note(unit.name() + ": its data/command line is on no pin of the board");
            return null;
        }
        program.output(command.get(), false);
        select.ifPresent(pin -> program.output(pin, false));
        return new Sender() {
            @Override
            public void commands(List<Integer> bytes) {
                program.level(command.get(), false);
                program.add(new Op.Send(bus, bytes));
            }

            @Override
            public void data(List<Integer> pairs) {
                program.level(command.get(), true);
                program.add(new Op.SendRun(bus, pairs));
            }

            @Override
            public void end() {
                select.ifPresent(pin -> program.level(pin, true));
            }
        };
    }
}
