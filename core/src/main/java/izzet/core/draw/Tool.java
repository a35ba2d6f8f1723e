package izzet.core.draw;

import tools.jackson.databind.node.ObjectNode;

/** A tool of its own: answers what it is asked, without a plan. */
public interface Tool {

    /** As addresses name it. */
    String id();

    /** For people. */
    String name();

    /** What it is for, in a sentence. */
    String purpose();

    /** @throws IllegalArgumentException when something that was asked cannot be; the message says what may stand there */
    ObjectNode answer(Asked asked);
}
