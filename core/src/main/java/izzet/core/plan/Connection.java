package izzet.core.plan;

import com.fasterxml.jackson.annotation.JsonInclude;

/**
 * A wire from a placed part's line to a pin, a rail or another part's line.
 *
 * @param from the part's line
 * @param seriesOhms of a resistor in the wire; null for a plain wire
 * @param pull {@code internal-up} or {@code internal-down} when the program switches the pin's own resistor on; null otherwise
 * @param locked true when an assignment must leave it where it is; null otherwise
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Connection(Target from, Target to, Double seriesOhms, String pull, Boolean locked) {

    public static final String INTERNAL_UP = "internal-up";
    public static final String INTERNAL_DOWN = "internal-down";

    /** A wire is the same from whichever end it was drawn; it is kept from the part's end. */
    public Connection {
        if (!from.isLine() && to.isLine()) {
            Target board = from;
            from = to;
            to = board;
        }
    }

    public static Connection wire(Target from, Target to) {
        return new Connection(from, to, null, null, null);
    }

    public Connection(Target from, Target to, Double seriesOhms, String pull) {
        this(from, to, seriesOhms, pull, null);
    }

    /** Whether it joins these two ends, whichever it was drawn from. */
    public boolean joins(Target one, Target other) {
        return from.equals(one) && to.equals(other) || from.equals(other) && to.equals(one);
    }

    /** The same wire to another place. */
    public Connection withTo(Target newTo) {
        return new Connection(from, newTo, seriesOhms, pull, locked);
    }

    public Connection withLock(boolean lock) {
        return new Connection(from, to, seriesOhms, pull, lock ? true : null);
    }

    /** The same wire with the resistor inside the chip off. */
    public Connection withoutPull() {
        return new Connection(from, to, seriesOhms, null, locked);
    }

    /** Whether it is locked. */
    public boolean staysPut() {
        return Boolean.TRUE.equals(locked);
    }
}
