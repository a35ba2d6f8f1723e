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

/** Colour panels with the standard command set on a serial bus: a white frame, red, green and blue squares from the left. */
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
        return glass != null && "dcs".equals(glass.family()) && unit.variant().bus() == BusKind.SPI;
    }

    @Override
    public String source() {
        return "MIPI Display Command Set; waits from the part's file";
    }

    @Override
    public void add(Unit unit, ProgramWriter program) {
        Optional<ProgramBus> bus = program.bus(unit);
        Optional<ProgramPin> command = program.pin(unit, Role.DATA_COMMAND);
        if (bus.isEmpty() || command.isEmpty()) {
            program.note(unit.name()
                    + (bus.isEmpty()
                            ? ": its bus is made by the program; not here"
                            : ": its data/command line is on no pin of the board"));
            return;
        }
        Part.Glass glass = unit.part().glass();
        Optional<ProgramPin> select = program.pin(unit, Role.SELECT);
        program.output(command.get(), false);
        select.ifPresent(pin -> program.output(pin, true));
        Optional<ProgramPin> reset = program.pin(unit, Role.RESET);
        long afterReset = glass.resetMillis() == null ? 120 : glass.resetMillis();
        long afterWake = glass.wakeMillis() == null ? 120 : glass.wakeMillis();
        reset.ifPresent(pin -> {
            program.output(pin, false);
            program.millis(1);
            program.level(pin, true);
            program.millis(afterReset);
        });
        if (reset.isEmpty()) {
            send(program, bus.get(), select, command.get(), 0x01);
            program.millis(afterReset);
        }
        send(program, bus.get(), select, command.get(), 0x11);
        program.millis(afterWake);
        send(program, bus.get(), select, command.get(), 0x3A, SIXTEEN_BITS);
        send(program, bus.get(), select, command.get(), 0x36, "bgr".equals(glass.order()) ? BGR : 0);
        send(program, bus.get(), select, command.get(), 0x29);
        program.add(new Op.Rectangles(bus.get(), select.orElse(null), command.get(), picture(glass)));
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

    private static void send(
            ProgramWriter program, ProgramBus bus, Optional<ProgramPin> select, ProgramPin command, int... bytes) {
        select.ifPresent(pin -> program.level(pin, false));
        program.level(command, false);
        program.add(new Op.Serial(bus, List.of(bytes[0])));
        if (bytes.length > 1) {
            program.level(command, true);
            List<Integer> data = new ArrayList<>();
            for (int i = 1; i < bytes.length; i++) {
                data.add(bytes[i]);
            }
            program.add(new Op.Serial(bus, data));
        }
        select.ifPresent(pin -> program.level(pin, true));
    }
}
