package izzet.core.check;

import izzet.core.circuit.Circuit;

/**
 * One thing to check. A rule is a stateless class with a public no-argument constructor in a file of its own in
 * {@code izzet.core.check.rules}; it is found there by itself.
 */
public interface Rule {

    /** Letter of the group and number, such as {@code I1}; unique. */
    String id();

    /** What it is about: the last part of its package, such as {@code pins}. */
    default String group() {
        String name = getClass().getPackageName();
        return name.substring(name.lastIndexOf('.') + 1);
    }

    /** What it looks at, in a few words, for the list of rules that found nothing. */
    String subject();

    /** What its findings tell, unless one says otherwise. */
    default Trouble trouble() {
        return Trouble.OTHER;
    }

    void check(Circuit circuit, Findings findings);
}
