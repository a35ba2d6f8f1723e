package izzet.core.capture;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** What a record declares: its time scale and its lines, in the order of the file. */
public record RecordHeader(TimeScale timeScale, List<Signal> signals) {

    public RecordHeader {
        signals = List.copyOf(signals);
    }

    /** The name a line is shown by: the last part where no other line has it, else the whole path. */
    public String nameOf(Signal signal) {
        boolean unique = signals.stream()
                        .filter(s -> s.leafName().equals(signal.leafName()))
                        .count()
                == 1;
        return unique ? signal.leafName() : signal.pathName();
    }

    public List<String> names() {
        Set<String> once = new HashSet<>();
        Set<String> twice =
                signals.stream().map(Signal::leafName).filter(n -> !once.add(n)).collect(Collectors.toSet());
        return signals.stream()
                .map(s -> twice.contains(s.leafName()) ? s.pathName() : s.leafName())
                .toList();
    }

    /**
     * Finds a line by the last part of its name or by its whole path.
     *
     * @throws RecordFault when there is none, or when several lines of different origin have the name; the message lists what exists
     */
    public Signal find(String name) {
        List<Signal> byPath =
                signals.stream().filter(s -> s.pathName().equals(name)).toList();
        List<Signal> found = byPath.isEmpty()
                ? signals.stream().filter(s -> s.leafName().equals(name)).toList()
                : byPath;
        if (found.isEmpty()) {
            throw new RecordFault(0, "The record has no line '" + name + "'; it has " + listed(names()) + ".");
        }
        boolean same = found.stream()
                .allMatch(s -> s.variable() == found.get(0).variable()
                        && s.offset() == found.get(0).offset());
        if (!same) {
            throw new RecordFault(
                    0,
                    "The record has several lines '" + name + "': "
                            + listed(found.stream().map(Signal::pathName).toList()) + ". Give the whole path.");
        }
        return found.get(0);
    }

    static String listed(List<String> names) {
        int most = 20;
        String text = String.join(", ", names.subList(0, Math.min(most, names.size())));
        return names.isEmpty() ? "none" : names.size() > most ? text + " and " + (names.size() - most) + " more" : text;
    }
}
