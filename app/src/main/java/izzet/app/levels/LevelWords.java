package izzet.app.levels;

import izzet.core.circuit.JoinedNet;
import izzet.core.quantity.Quantity;
import org.springframework.stereotype.Component;

/** What templates say about resistors. */
@Component("levelWords")
public final class LevelWords {

    /** "4.7 kΩ to 5 V on Platform 1 sign". */
    public String pullUp(JoinedNet.Fitted fitted) {
        return ohms(fitted.pullUp().ohms()) + " to "
                + Quantity.volts(fitted.pullUp().volts())
                + (fitted.resistor() == null ? " on " + fitted.from() : ", a resistor of the plan");
    }

    /** Length of a margin's bar, 50 for two volts and more. */
    public double bar(double volts) {
        return Math.min(50, Math.abs(volts) * 25);
    }

    public String ohms(double value) {
        return Quantity.ohms(value).toString();
    }
}
