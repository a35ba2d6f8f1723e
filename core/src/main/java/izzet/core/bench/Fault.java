package izzet.core.bench;

import izzet.core.circuit.Circuit;
import java.util.List;

/** Something that goes wrong at a bench. Has a public constructor without arguments; discovery finds it in {@code bench.faults}. */
public interface Fault {

    /** As addresses name it. */
    String id();

    /** For people: "two wires exchanged". */
    String name();

    /**
     * A place where it can be.
     *
     * @param key as addresses name it
     * @param words for people
     */
    record Place(String key, String words) {}

    /** Where it can be in a plan; empty where it cannot be. */
    List<Place> places(Circuit planned);

    /** The desk with it, at one of its places. */
    Desk at(Desk desk, String key);

    /** How hard it is to find, from 1. */
    int rank();

    /** Which instrument tells most, for who asks. */
    String hint();

    /** What it does, and why, for the end of a search. */
    String explained();

    /**
     * What is done about it.
     *
     * @param spent parts that go into it, each by itself; empty where none do
     */
    record Mend(String words, List<String> spent) {
        public Mend {
            spent = List.copyOf(spent);
        }
    }

    Mend mend();
}
