package izzet.core.code;

import izzet.core.circuit.Unit;

/** How a family of displays is brought up. Has a public constructor without arguments; discovery finds it in {@code code.displays}. */
public interface DisplayStart {

    boolean fits(Unit unit);

    /** Adds what is sent: resets, waits, set-up, a test picture. */
    void add(Unit unit, ProgramWriter program);

    /** Where the commands and waits are from. */
    String source();
}
