package izzet.core.display;

import java.util.Set;

/** Knows a family of commands. */
public interface Interpreter {

    /** Names of the families, as part files have them. */
    Set<String> speaks();

    /**
     * How many parameters a command has that come as data, as on colour panels.
     *
     * @return -1 where that is not known, {@link #AS_COMMANDS} where parameters come as commands themselves
     */
    default int parameters(int command) {
        return AS_COMMANDS;
    }

    /** Parameters come the same way as commands. */
    int AS_COMMANDS = -2;

    /** Begins to follow a part that was just switched on. */
    Session begin(Panel panel);
}
