package izzet.core.circuit;

import izzet.core.catalog.Board;
import izzet.core.catalog.Controller;
import izzet.core.catalog.Direction;
import izzet.core.catalog.DutyKind;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.catalog.Role;
import izzet.core.plan.Bus;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Which of the board's pins could serve a line, whatever else is on them. */
public final class LegalPins {

    private LegalPins() {}

    /** In the order of the board, the usual pins of a controller that can use any first; empty for supply lines and for lines that hang on another part. */
    public static List<Pin> of(Circuit circuit, Wire wire) {
        if (!wantsPin(wire)) {
            return List.of();
        }
        List<Pin> able = circuit.board().signalPins().stream()
                .filter(p -> serves(circuit, wire, p))
                .toList();
        return usualFirst(circuit, wire, able);
    }

    /**
     * Lines of helpers that a line could hang on instead of a pin: a channel of a bus switch, a gated clock, a line of a level shifter, a
     * line of an expander for what may be slow. Lines of shifters and expanders that something hangs on already are left out; channels take
     * several parts.
     */
    public static List<Wire> helpersFor(Circuit circuit, Wire wire) {
        if (!wantsPin(wire) && wire.role() != Role.SUPPLY) {
            return List.of();
        }
        return circuit.wires().stream()
                .filter(helper -> helper.unit() != wire.unit() && hangsOn(wire, helper))
                .filter(helper -> helper.role() != Role.SHIFT || !helper.connected())
                .filter(helper -> !helper.role().instead() || helper.net().isEmpty())
                .toList();
    }

    private static boolean hangsOn(Wire wire, Wire helperLine) {
        Role line = wire.role();
        return switch (helperLine.role()) {
            case PORT, CONVERTER -> servesInstead(wire, helperLine);
            case CHANNEL_SDA -> line == Role.I2C_SDA;
            case CHANNEL_SCL, GATE_OUTPUT -> line == Role.I2C_SCL;
            case SHIFT -> passes(wire, helperLine);
            case SOURCE -> line == Role.SUPPLY;
            default -> false;
        };
    }

    /** Whether a shifter's line carries a line's signal: both ways, or one way from the board or to it. */
    public static boolean passes(Wire wire, Wire shifted) {
        Direction own = wire.line().direction();
        return wire.role() != Role.SUPPLY
                && switch (shifted.line().direction()) {
                    case IN -> own == Direction.OUT;
                    case OUT -> own == Direction.IN || own == Direction.BOTH;
                    default -> true;
                };
    }

    /**
     * Whether a line of a helper can serve a line instead of a pin: one of an expander resets, control inputs, buttons and busy lines, and
     * selects of parts on another bus than the expander's, but nothing that wants a special capability; one of a converter what wants an
     * analog input.
     */
    public static boolean servesInstead(Wire wire, Wire port) {
        if (port.role() == Role.CONVERTER) {
            return wire.capability().equals(PinFunction.ANALOG_IN);
        }
        boolean plain = wire.unit().variant().wants().get(wire.line().id()) == null;
        String bus = wire.unit().placed().bus();
        boolean otherBus = bus == null || !bus.equals(port.unit().placed().bus());
        return plain
                && switch (wire.role()) {
                    case RESET, CONTROL -> true;
                    case SELECT -> otherBus;
                    case SIGNAL -> port.line().direction() == Direction.BOTH;
                    default -> false;
                };
    }

    /** Whether a line is one that goes to a pin of the board at all. */
    public static boolean wantsPin(Wire wire) {
        return wantsPin(wire.role());
    }

    public static boolean wantsPin(Role role) {
        return !role.power() && role != Role.CONTRAST && (!role.downstream() || role == Role.SHIFT);
    }

    /** Whether a line is the far lead of a lamp, which a pin may switch as well as the near one. */
    public static boolean switchesLamp(Wire wire) {
        return wire.role() == Role.RETURN && wire.unit().part().lines().stream().anyMatch(l -> l.lamp() != null);
    }

    /** Whether this pin has what the line needs; reserved pins have not. */
    public static boolean serves(Circuit circuit, Wire wire, Pin pin) {
        return (pin.duty(DutyKind.RESERVED).isEmpty() || wire.role() == Role.RGB) && hasFunction(circuit, wire, pin);
    }

    /** Whether this pin can do what the line needs, reserved or not; for a shifter's line what the lines behind it need. */
    public static boolean hasFunction(Circuit circuit, Wire wire, Pin pin) {
        if (wire.role() == Role.SHIFT && !hasFunction(circuit.board(), wire, pin, null)) {
            return false;
        }
        return circuit.standsFor(wire).stream()
                .allMatch(w -> hasFunction(circuit.board(), w, pin, controllerOf(circuit, w)));
    }

    private static String controllerOf(Circuit circuit, Wire wire) {
        return circuit.busOf(wire.unit())
                .filter(b -> !b.bitBanged())
                .map(Bus::controller)
                .orElse(null);
    }

    /**
     * The same, were the line's bus on another controller.
     *
     * @param controller null when the program makes the bus, or there is none
     */
    public static boolean hasFunction(Board board, Wire wire, Pin pin, String controller) {
        if (wire.busSignal().isPresent() && controller != null) {
            return pin.signalOf(controller, wire.busSignal().get()).isPresent()
                    || anyPin(board, controller) && carries(wire, pin);
        }
        if (wire.role() == Role.RGB) {
            // No program is fast enough to make a pixel bus.
            return false;
        }
        if (wire.role().i2c()) {
            return pin.can(PinFunction.DIGITAL_IN) && pin.can(PinFunction.DIGITAL_OUT);
        }
        if (wire.role() == Role.SHIFT) {
            Direction way = wire.line().direction();
            return (way == Direction.IN || pin.can(PinFunction.DIGITAL_IN))
                    && (way == Direction.OUT || pin.can(PinFunction.DIGITAL_OUT));
        }
        if (wire.role() == Role.GATE_CLOCK && controller != null) {
            return pin.signalOf(controller, "scl").isPresent();
        }
        if (pin.can(PinFunction.BOARD_RESET)) {
            // A part's reset follows the board's, and a button there restarts it.
            return wire.role() == Role.RESET
                    || wire.role() == Role.SIGNAL && wire.line().direction() == Direction.PASSIVE;
        }
        return pin.can(switchesLamp(wire) ? lampCapability(wire) : wire.capability());
    }

    /** What the pin at a lamp's far lead must do: dim where the lamp is to be dimmed. */
    private static String lampCapability(Wire wire) {
        return wire.unit().variant().wants().containsValue(PinFunction.PWM) ? PinFunction.PWM : PinFunction.DIGITAL_OUT;
    }

    private static boolean anyPin(Board board, String controller) {
        return board.controller(controller).filter(Controller::anyPin).isPresent();
    }

    private static boolean carries(Wire wire, Pin pin) {
        boolean in = wire.role().i2c() || wire.role() == Role.SPI_MISO;
        boolean out = wire.role() != Role.SPI_MISO;
        return (!in || pin.can(PinFunction.DIGITAL_IN)) && (!out || pin.can(PinFunction.DIGITAL_OUT));
    }

    private static List<Pin> usualFirst(Circuit circuit, Wire wire, List<Pin> pins) {
        Optional<Bus> bus =
                circuit.busOf(wire.unit()).filter(b -> !b.bitBanged() && anyPin(circuit.board(), b.controller()));
        if (bus.isEmpty() || wire.busSignal().isEmpty()) {
            return pins;
        }
        return pins.stream()
                .sorted(Comparator.comparing((Pin p) -> p.signalOf(
                                bus.get().controller(), wire.busSignal().get())
                        .isEmpty()))
                .toList();
    }
}
