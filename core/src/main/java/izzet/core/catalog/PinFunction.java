package izzet.core.catalog;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;

/**
 * One thing a board's pin can do. Text form: {@code digital-out}, {@code pwm:timer1} (a capability with the unit it shares), or
 * {@code i2c0.sda/a} (a controller's signal, with the alternative set it belongs to).
 *
 * @param capability {@code digital-in}, {@code digital-out}, {@code analog-in}, {@code pwm}, {@code interrupt}; null for a
 *     controller's signal
 * @param unit of a capability, such as the timer; may be null
 * @param controller of a signal; null for a capability
 * @param signal such as {@code sda}; null for a capability
 * @param set of alternative pins; null when the controller has one set only
 */
public record PinFunction(String capability, String unit, String controller, String signal, String set) {

    public static final String ANALOG_IN = "analog-in";
    public static final String BOARD_RESET = "board-reset";
    public static final String DIGITAL_IN = "digital-in";
    public static final String DIGITAL_OUT = "digital-out";
    public static final String PWM = "pwm";

    @JsonCreator
    public static PinFunction of(String text) {
        int dot = text.indexOf('.');
        if (dot < 0) {
            int colon = text.indexOf(':');
            return colon < 0
                    ? new PinFunction(text, null, null, null, null)
                    : new PinFunction(text.substring(0, colon), text.substring(colon + 1), null, null, null);
        }
        int slash = text.indexOf('/', dot);
        String signal = slash < 0 ? text.substring(dot + 1) : text.substring(dot + 1, slash);
        return new PinFunction(
                null, null, text.substring(0, dot), signal, slash < 0 ? null : text.substring(slash + 1));
    }

    @JsonValue
    public String text() {
        if (capability != null) {
            return unit == null ? capability : capability + ":" + unit;
        }
        return controller + "." + signal + (set == null ? "" : "/" + set);
    }
}
