package izzet.core.decode;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Finds the buses of a record: the surest first, then what can be found on the lines that are left. */
public final class Guesses {

    private static final int MOST_BUSES = 8;

    /** Below it, what was found may as well be chance. */
    private static final double LEAST_SCORE = 0.4;

    private Guesses() {}

    /** @return the surest first; empty when no line behaves like a bus */
    public static List<Guess> of(Behaviour lines) {
        List<Guess> found = new ArrayList<>();
        while (found.size() < MOST_BUSES) {
            Optional<Guess> best = Protocols.all().stream()
                    .flatMap(p -> p.guess(lines).stream())
                    .filter(g -> g.score() >= LEAST_SCORE)
                    .max(Comparator.comparingDouble(Guess::score));
            if (best.isEmpty()) {
                return found;
            }
            Protocol protocol = Protocols.of(best.get().protocol());
            List<Guess> sharing = new ArrayList<>();
            Optional<Guess> next = best;
            while (next.isPresent() && sharing.size() < MOST_BUSES) {
                sharing.add(next.get());
                next.get().lines().forEach((role, line) -> {
                    if (!protocol.shared().contains(role)) {
                        lines.take(line);
                    }
                });
                next = protocol.another(next.get(), lines);
            }
            sharing.forEach(g -> g.lines().values().forEach(lines::take));
            found.addAll(sharing);
        }
        return found;
    }
}
