package izzet.core.code;

import izzet.core.catalog.Role;
import izzet.core.circuit.Unit;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Commands to a display with a data/command line: low for a command, high for what belongs to it. */
public final class SerialCommands {

    private final ProgramWriter program;
    private final ProgramBus bus;
    private final ProgramPin select;
    private final ProgramPin dataCommand;

    private SerialCommands(ProgramWriter program, ProgramBus bus, ProgramPin select, ProgramPin dataCommand) {
        this.program = program;
        this.bus = bus;
        this.select = select;
        this.dataCommand = dataCommand;
    }

    /** Empty, and the reason noted, where the plan does not bring what it needs to pins of the board. */
    public static Optional<SerialCommands> of(Unit unit, ProgramWriter program) {
        Optional<ProgramBus> bus = program.bus(unit);
        Optional<ProgramPin> command = program.pin(unit, Role.DATA_COMMAND);
        if (bus.isEmpty() || command.isEmpty()) {
            program.note(unit.name()
                    + (bus.isEmpty()
                            ? ": its bus is not on pins of the board yet"
                            : ": its data/command line is on no pin of the board"));
            return Optional.empty();
        }
        Optional<ProgramPin> select = program.pin(unit, Role.SELECT);
        program.output(command.get(), false);
        select.ifPresent(pin -> program.output(pin, true));
        return Optional.of(new SerialCommands(program, bus.get(), select.orElse(null), command.get()));
    }

    public void send(int command, int... data) {
        begin(command);
        if (data.length > 0) {
            program.level(dataCommand, true);
            program.add(new Op.Send(bus, Arrays.stream(data).boxed().toList()));
        }
        end();
    }

    /** @param bytes of a picture */
    public void picture(int command, List<Integer> bytes) {
        begin(command);
        program.level(dataCommand, true);
        program.add(new Op.SendRun(bus, Pictures.pairs(bytes)));
        end();
    }

    public void rectangles(List<Op.Rectangle> rectangles) {
        program.add(new Op.Rectangles(bus, select, dataCommand, rectangles));
    }

    private void begin(int command) {
        if (select != null) {
            program.level(select, false);
        }
        program.level(dataCommand, false);
        program.add(new Op.Send(bus, List.of(command)));
    }

    private void end() {
        if (select != null) {
            program.level(select, true);
        }
    }
}
