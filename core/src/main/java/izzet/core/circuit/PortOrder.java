package izzet.core.circuit;

import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * How the data lines of a parallel display lie in the ports of the chip.
 *
 * @param places of its data lines in their order, as the chip calls them
 * @param wholePorts ports of eight bits that come out whole, such as {@code PD}
 * @param ordered whether one write to a port sets them all
 */
public record PortOrder(Unit unit, List<String> places, List<String> wholePorts, boolean ordered) {

    private static final int BITS = 8;

    /** Nothing for parts without data lines of their own, and while not all of them have a pin. */
    public static Optional<PortOrder> of(Circuit circuit, Unit unit) {
        Integer bits = unit.variant().bits();
        if (unit.variant().bus() != null || bits == null) {
            return Optional.empty();
        }
        List<Pin> pins = new ArrayList<>();
        circuit.wiresOf(unit).stream()
                .filter(w -> w.role() == Role.DATA)
                .forEach(w -> circuit.pinsUnder(w).stream().limit(1).forEach(pins::add));
        List<String> places =
                pins.stream().map(p -> p.chip() == null ? p.label() : p.chip()).toList();
        List<String> whole = places.size() == BITS ? wholePorts(circuit) : List.of();
        boolean ordered = bits == BITS
                && whole.stream().anyMatch(port -> IntStream.range(0, BITS)
                        .allMatch(i -> places.get(i).equals(port + i)));
        return places.isEmpty() ? Optional.empty() : Optional.of(new PortOrder(unit, places, whole, ordered));
    }

    private static List<String> wholePorts(Circuit circuit) {
        Set<String> chips = circuit.board().signalPins().stream()
                .filter(p -> p.chip() != null)
                .map(Pin::chip)
                .collect(Collectors.toSet());
        return chips.stream()
                .filter(c -> c.matches("P[A-Z]7"))
                .map(c -> c.substring(0, 2))
                .filter(port -> IntStream.range(0, BITS).allMatch(i -> chips.contains(port + i)))
                .sorted()
                .toList();
    }

    /** Writes that a program needs for one byte: one to a whole port, else one a line. */
    public int writesPerByte() {
        return ordered ? 1 : BITS;
    }

    /** Whether it is a display of eight lines that one write could serve on this board. */
    public boolean couldBeOrdered() {
        return places.size() == BITS && !wholePorts.isEmpty();
    }
}
