package izzet.core.circuit;

import izzet.core.catalog.DutyKind;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.plan.Bus;
import java.util.Optional;

/** What else the use of a pin's function does on the board. */
public final class SideEffects {

    private SideEffects() {}

    /** The timer or slice of a pin's PWM, without its channel: {@code slice3} of {@code slice3B}. */
    public static Optional<String> pwmUnit(Pin pin) {
        return pwm(pin).map(unit -> unit.replaceAll("[A-Z]$", ""));
    }

    /** The channel of a pin's PWM, where its unit has named ones: pins with the same channel give the same signal. */
    public static Optional<String> pwmChannel(Pin pin) {
        return pwm(pin).filter(unit -> unit.matches(".*[A-Z]|pwm\\d"));
    }

    private static Optional<String> pwm(Pin pin) {
        return pin.functions().stream()
                .filter(f -> PinFunction.PWM.equals(f.capability()) && f.unit() != null)
                .map(PinFunction::unit)
                .findFirst();
    }

    /** The controller whose select this pin is, which takes the pin as a sign to stop when it is an input. */
    public static Optional<String> masterSelect(Pin pin) {
        return pin.functions().stream()
                .filter(f -> "ss".equals(f.signal()) && pin.duty(DutyKind.ROLE).isPresent())
                .map(PinFunction::controller)
                .findFirst();
    }

    /** Whether a bus of the plan uses this controller. */
    public static boolean inUse(Circuit circuit, String controller) {
        return circuit.plan().buses().stream()
                .filter(bus -> controller.equals(bus.controller()))
                .map(Bus::id)
                .anyMatch(id -> circuit.units().stream()
                        .anyMatch(u -> id.equals(u.placed().bus())));
    }

    /** Whether a line reads its pin. */
    public static boolean reads(Wire wire) {
        return PinFunction.DIGITAL_IN.equals(wire.capability())
                || PinFunction.ANALOG_IN.equals(wire.capability())
                || "interrupt".equals(wire.capability());
    }

    /** Whether the pin's analog input is on a converter that is off while the radio is on. */
    public static boolean offWithRadio(Pin pin) {
        return pin.functions().stream()
                        .anyMatch(f -> PinFunction.ANALOG_IN.equals(f.capability())
                                && f.unit() != null
                                && f.unit().startsWith("ADC2"))
                && pin.duty(DutyKind.ROLE).isPresent();
    }
}
