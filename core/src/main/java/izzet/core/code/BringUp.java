package izzet.core.code;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Part;
import izzet.core.catalog.PartKind;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.discovery.Discovery;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a program needs of a plan: constants, and what it does to bring every display up, each behind its own channel or gate.
 *
 * @param sources where commands and waits are from
 */
public record BringUp(
        String plan,
        String board,
        List<Constant> constants,
        List<ProgramBus> buses,
        List<Op> ops,
        List<String> sources) {

    private static final class Known {
        static final List<DisplayStart> STARTS =
                Discovery.instances(DisplayStart.class, BringUp.class.getPackageName() + ".displays");
    }

    private static final long FED_MILLIS = 100;

    public static BringUp of(Circuit circuit) {
        ProgramWriter program = new ProgramWriter(circuit);
        Set<String> sources = new LinkedHashSet<>();
        feed(circuit, program, sources);
        // Nobody on a shared serial bus may hear what is meant for another one.
        for (Unit unit : circuit.units()) {
            if (unit.variant().bus() == BusKind.SPI || unit.variant().cycleNanos() != null) {
                program.pins(unit, Role.SELECT).forEach(pin -> program.output(pin, true));
            }
        }
        for (Unit unit : circuit.units()) {
            if (unit.part().kind() != PartKind.DISPLAY) {
                continue;
            }
            Optional<DisplayStart> start =
                    Known.STARTS.stream().filter(s -> s.fits(unit)).findFirst();
            program.note(unit.name() + ", " + unit.part().name());
            if (start.isEmpty()) {
                program.note("no test picture is known here for this kind; its constants are above");
                continue;
            }
            program.bus(unit).ifPresent(bus -> begin(circuit, unit, bus, program));
            start.get().add(unit, program);
            sources.add(start.get().source());
        }
        return new BringUp(
                Names.comment(circuit.plan().name()),
                Names.comment(circuit.board().name()),
                constants(circuit, program),
                program.buses(),
                program.ops(),
                List.copyOf(sources));
    }

    /** Parts that hang on a pin get their supply, or their ground, before anything is said. */
    private static void feed(Circuit circuit, ProgramWriter program, Set<String> sources) {
        Map<ProgramPin, Boolean> pins = new LinkedHashMap<>();
        for (Wire wire : circuit.wires()) {
            if (wire.role() == Role.SUPPLY || wire.role() == Role.GROUND) {
                circuit.feedingPin(wire)
                        .ifPresent(
                                p -> pins.putIfAbsent(ProgramPin.of(circuit.board(), p), wire.role() == Role.SUPPLY));
            }
        }
        if (pins.isEmpty()) {
            return;
        }
        program.note("pins that feed parts, before anything else");
        pins.forEach(program::output);
        program.millis(FED_MILLIS);
        sources.add("Common practice: " + FED_MILLIS + " ms after a pin has switched a supply on");
    }

    private static void begin(Circuit circuit, Unit unit, ProgramBus bus, ProgramWriter program) {
        Part.Spi spi = unit.part().spi();
        if (!bus.serial() || spi == null) {
            program.begin(bus, 0, bus.hertz());
            return;
        }
        int clock = circuit.clockOf(unit, circuit.busOf(unit).orElseThrow());
        program.begin(bus, spi.modes().stream().min(Integer::compare).orElse(0), Math.min(clock, spi.maxWriteHz()));
    }

    private static List<Constant> constants(Circuit circuit, ProgramWriter program) {
        List<Constant> all = new ArrayList<>();
        Set<String> names = new HashSet<>();
        for (Unit unit : circuit.units()) {
            String stem = Names.constant(unit.name());
            String name = stem;
            for (int i = 2; !names.add(name); i++) {
                name = stem + "_" + i;
            }
            String own = name;
            String comment = Names.comment(unit.name());
            circuit.addressOf(unit)
                    .ifPresent(a -> all.add(new Constant(own + "_ADDRESS", Hex.of(a), null, comment + ", 7 bits")));
            if (unit.placed().clockHz() != null && unit.variant().bus() == BusKind.SPI) {
                all.add(number(own + "_KHZ", unit.placed().clockHz() / 1000, comment + ", clock of its own in kHz"));
            }
            Part.Glass glass = unit.part().glass();
            if (glass != null) {
                all.add(number(own + "_COLUMNS", glass.columns(), comment));
                all.add(number(own + "_ROWS", glass.rows(), comment));
                if (glass.offsetColumns() != null) {
                    all.add(number(own + "_OFFSET_COLUMNS", glass.offsetColumns(), comment));
                }
                if (glass.offsetRows() != null) {
                    all.add(number(own + "_OFFSET_ROWS", glass.offsetRows(), comment));
                }
                if (glass.order() != null) {
                    all.add(number(
                            own + "_BLUE_FIRST", "bgr".equals(glass.order()) ? 1 : 0, "1 where blue goes first"));
                }
            }
            for (Wire wire : circuit.wiresOf(unit)) {
                boolean told = !wire.role().power()
                        && !wire.role().i2c()
                        && !wire.role().spi();
                Optional<ProgramPin> pin = told ? program.pin(wire) : Optional.empty();
                String line = own + "_" + Names.constant(wire.line().id()).replaceFirst("^PART_", "");
                pin.ifPresent(p -> all.add(new Constant(line, "", p, Names.comment(wire.label()))));
                if (pin.isEmpty() && wire.role() == Role.RESET) {
                    all.add(new Constant(line, "-1", null, "not connected to a pin"));
                }
            }
        }
        return all;
    }

    private static Constant number(String name, int value, String comment) {
        return new Constant(name, String.valueOf(value), null, comment);
    }

    /** Whether nothing is done, only told. */
    public boolean quiet() {
        return ops.stream().allMatch(op -> op instanceof Op.Note || op instanceof Op.Output || op instanceof Op.Wait);
    }
}
