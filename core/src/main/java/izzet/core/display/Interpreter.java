package izzet.core.display;

import java.util.Set;

/** Knows a family of commands. */
public interface Interpreter {

    /** Names of the families, as part files have them. */
    Set<String> speaks();

    /** Begins to follow a part that was just switched on. */
    Session begin(Panel panel);
}
