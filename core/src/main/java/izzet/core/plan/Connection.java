package izzet.core.plan;

import com.fasterxml.jackson.annotation.JsonInclude;

/**
 * A wire from a placed part's line to a pin, a rail or another part's line.
 *
 * @param from the part's line
 * @param seriesOhms of a resistor in the wire; null for a plain wire
 * @param pull {@code internal-up} when the board's own pull-up is switched on; null otherwise
 * @param locked true when an assignment must leave it where it is; null otherwise
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Connection(Target from, Target to, Double seriesOhms, String pull, Boolean locked) {

    public static final String INTERNAL_UP = "internal-up";

    public static Connection wire(Target from, Target to) {
        return new Connection(from, to, null, null, null);
    }

    public Connection(Target from, Target to, Double seriesOhms, String pull) {
        this(from, to, seriesOhms, pull, null);
    }

    /** The same wire to another place. */
    public Connection withTo(Target newTo) {
        return new Connection(from, newTo, seriesOhms, pull, locked);
    }

    public Connection withLock(boolean lock) {
        return new Connection(from, to, seriesOhms, pull, lock ? true : null);
    }

    /** Whether it is locked. */
    public boolean staysPut() {
        return Boolean.TRUE.equals(locked);
    }
}
