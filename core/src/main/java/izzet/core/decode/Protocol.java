package izzet.core.decode;

import izzet.core.capture.TimeScale;
import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;

/**
 * A way of speaking on lines. One class in a package below {@code izzet.core.decode}; it is found there by itself, and nothing else
 * names it.
 */
public interface Protocol {

    /** As the open formats name it, such as {@code i2c}. */
    String id();

    /** For people, such as "I2C". */
    String name();

    /** One event, for people: "transfer", "byte". */
    String unit();

    /** The lines it takes, those that it needs first. */
    List<LineRole> roles();

    List<Option> options();

    /**
     * What cannot be told role by role.
     *
     * @throws IllegalArgumentException when these lines and options do not go together
     */
    default void check(Settings settings) {}

    /** @param out gets each event when it is whole, in the order of time */
    Decoder decoder(Settings settings, Consumer<BusEvent> out);

    /** Which free lines of a record speak this way; empty when none seem to. */
    Optional<Guess> guess(Behaviour lines);

    /** Another bus that shares lines with one that was found; its own lines are free. */
    default Optional<Guess> another(Guess found, Behaviour lines) {
        return Optional.empty();
    }

    /** Roles whose lines another bus of the same kind may share. */
    default Set<String> shared() {
        return Set.of();
    }

    /**
     * Tells the words of an event with their places.
     *
     * @return false when an event does not know them; then its lines are to be decoded once more
     */
    boolean words(BusEvent event, Decoder.Words out);

    /** Writes an event of its own as one JSON object without line feeds. {@code docs/formats.md} describes it. */
    void json(StringBuilder json, BusEvent event, TimeScale scale);

    /** Writes an event of its own for storage. */
    void pack(DataOutput out, BusEvent event) throws IOException;

    /** Reads what {@link #pack} wrote. */
    BusEvent unpack(DataInput in) throws IOException;
}
