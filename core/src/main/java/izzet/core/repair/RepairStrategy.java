package izzet.core.repair;

import izzet.core.check.Finding;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import java.util.List;
import java.util.Set;

/**
 * One way to mend findings. Proposes edits; {@link Repairs} tries them and throws away what does not help. A strategy is a stateless
 * class in {@code izzet.core.repair.strategies}; it is found there by itself.
 */
public interface RepairStrategy {

    /** Short, unique, fit for a URL. */
    String name();

    /** The kinds of trouble that it has something to say to. */
    Set<Trouble> mends();

    /** Edits worth trying for this finding, nearest to what was wished first; empty when the strategy has nothing to say to it. */
    List<Candidate> propose(Circuit circuit, Finding finding);
}
