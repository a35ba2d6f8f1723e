package izzet.app.shelf;

import izzet.core.quantity.Quantity;

/** Values of catalogue files as people read them. */
public final class Figures {

    public String volts(double value) {
        return Quantity.volts(value).toString();
    }

    public String milliamps(double value) {
        return Quantity.milliamps(value).toString();
    }

    public String ohms(double value) {
        return Quantity.ohms(value).toString();
    }

    public String hertz(double value) {
        return Quantity.hertz(value).toString();
    }
}
