package izzet.core.display;

import izzet.core.decode.BusEvent;
import izzet.core.decode.CharacterTransfer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Knows a family of commands. */
public interface Interpreter {

    /** How many bytes belong to a command is not known. */
    int NOT_KNOWN = -1;

    /** Whatever follows a command goes onto the glass. */
    int PICTURE = -2;

    /** Names of the families, as part files have them. */
    Set<String> speaks();

    /** The glass that such a part usually has. */
    default Panel usual(String family) {
        return Panel.plain(family, 128, 64);
    }

    /** Whether such parts usually lie on a 2-wire bus. */
    default boolean usuallyOnTwoWires() {
        return false;
    }

    /**
     * How many bytes belong to a command behind it, however they are sent.
     *
     * @param family of this interpreter
     * @return {@link #NOT_KNOWN} or {@link #PICTURE} where it is no number
     */
    default int parameters(String family, int command) {
        return 0;
    }

    /**
     * A command with its bytes as it comes over a bus: its first byte marked as a command, the others as data.
     *
     * @param bytes at least one
     */
    default List<BusEvent> sent(String family, List<Integer> bytes) {
        List<BusEvent> events = new ArrayList<>();
        for (int byteValue : bytes) {
            events.add(new CharacterTransfer(0, 0, !events.isEmpty(), false, byteValue, 0));
        }
        return events;
    }

    /**
     * What makers get wrong in one command for a glass, in words.
     *
     * @param bytes of a whole command
     */
    default List<String> slips(List<Integer> bytes, Panel panel) {
        return List.of();
    }

    /**
     * The commands that open a window on a glass, both ends included and counted from 0; empty where there are none.
     *
     * @param area in pixels of the glass; the panel's offsets come on top
     */
    default Optional<Window> window(Panel panel, Glass.Area area) {
        return Optional.empty();
    }

    /** Begins to follow a part that was just switched on. */
    Session begin(Panel panel);
}
