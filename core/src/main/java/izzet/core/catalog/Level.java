package izzet.core.catalog;

/**
 * A voltage that may depend on the supply: {@code ratio} times the supply plus {@code volts}. Data sheets give both kinds, such as
 * 0.7 VDD, 2.0 V and VDD + 0.5 V.
 */
public record Level(double ratio, double volts) {

    /** The voltage at this supply. */
    public double at(double supplyVolts) {
        return ratio * supplyVolts + volts;
    }
}
