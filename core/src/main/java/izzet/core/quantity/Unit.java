package izzet.core.quantity;

/** The units the tool computes in. Values are always held in the base unit, never in a multiple of it. */
public enum Unit {
    VOLT("V"),
    AMPERE("A"),
    OHM("Ω"),
    FARAD("F"),
    SECOND("s"),
    HERTZ("Hz"),
    WATT("W"),
    COUNT("");

    private final String symbol;

    Unit(String symbol) {
        this.symbol = symbol;
    }

    /** The SI symbol, empty for a plain count. */
    public String symbol() {
        return symbol;
    }
}
