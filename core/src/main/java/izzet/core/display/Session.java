package izzet.core.display;

import izzet.core.decode.BusEvent;
import java.util.Optional;

/** Follows one part through a record: state lives from one event to the next. Not thread-safe. */
public interface Session {

    /** Hears a whole event. */
    default Said hear(BusEvent event) {
        return hear(event, Long.MAX_VALUE);
    }

    /**
     * Hears an event as far as it went until a moment.
     *
     * @param until tick; words that end later are not heard. Within an I2C transfer words are taken to follow evenly
     * @return never null
     */
    Said hear(BusEvent event, long until);

    /** What the part shows; empty for parts that show nothing. */
    default Optional<Glass> glass() {
        return Optional.empty();
    }
}
