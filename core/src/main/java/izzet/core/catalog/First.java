package izzet.core.catalog;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** Looks through short lists without the cost of a stream: a check does it some ten thousand times. */
public final class First {

    private First() {}

    /** The first that fits; empty where none does. */
    public static <T> Optional<T> of(List<T> list, Predicate<? super T> fits) {
        for (T one : list) {
            if (fits.test(one)) {
                return Optional.of(one);
            }
        }
        return Optional.empty();
    }

    /** Whether one fits. */
    public static <T> boolean any(List<T> list, Predicate<? super T> fits) {
        for (T one : list) {
            if (fits.test(one)) {
                return true;
            }
        }
        return false;
    }
}
