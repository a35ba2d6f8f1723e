package izzet.core.assign;

import izzet.core.catalog.ActiveLevel;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.catalog.ResetPull;
import izzet.core.catalog.Role;
import izzet.core.circuit.SideEffects;
import izzet.core.circuit.Wire;

/** What giving a pin to a plain line costs: rare functions stay free, duties are avoided. Weights are common practice. */
final class PinCost {

    private static final int CONSOLE = 60;
    private static final int BOOT = 40;
    private static final int OFF_WITH_RADIO = 40;
    private static final int OSCILLATOR = 30;
    private static final int BUS_SIGNAL = 12;
    private static final int SELECT_PULLED_ON = 8;
    private static final int LAMP = 5;
    private static final int ANALOG = 4;
    private static final int PWM = 3;
    private static final int INTERRUPT = 1;

    private PinCost() {}

    static int of(Wire wire, Pin pin) {
        int cost = 0;
        for (Pin.Duty duty : pin.pricedDuties()) {
            cost += switch (duty.kind()) {
                case CONSOLE -> CONSOLE;
                case BOOT -> BOOT;
                case OSCILLATOR -> OSCILLATOR;
                case LAMP, PULL_UP -> LAMP;
                default -> 0;
            };
        }
        if (wire.capability().equals(PinFunction.ANALOG_IN) && SideEffects.offWithRadio(pin)) {
            cost += OFF_WITH_RADIO;
        }
        boolean select = wire.role() == Role.SELECT;
        for (PinFunction f : pin.functions()) {
            boolean ownSelect = select
                    && f.signal() != null
                    && (f.signal().startsWith("ce") || f.signal().equals("ss"));
            if (f.controller() != null && !ownSelect) {
                cost += BUS_SIGNAL;
            }
            if (ownSelect) {
                cost -= PWM + INTERRUPT;
            }
            cost += capability(f);
        }
        if (select && pin.atReset() == ResetPull.PULLED_DOWN && wire.line().active() == ActiveLevel.LOW) {
            cost += SELECT_PULLED_ON;
        }
        return cost;
    }

    private static int capability(PinFunction f) {
        if (f.capability() == null) {
            return 0;
        }
        return switch (f.capability()) {
            case PinFunction.ANALOG_IN -> ANALOG;
            case PinFunction.PWM -> PWM;
            case "interrupt" -> INTERRUPT;
            default -> 0;
        };
    }
}
