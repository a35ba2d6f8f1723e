package izzet.app.buses;

import izzet.core.buses.SwitchBench;
import izzet.core.circuit.Circuit;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * A bus switch with what lies behind it, switches behind its channels included.
 *
 * @param pins its reset and address pins, in order
 */
public record SwitchTree(SwitchBench bench, List<SwitchBench.Pin> pins, List<Branch> branches) {

    /** A channel, and the switches that it leads on to. */
    public record Branch(SwitchBench.Channel channel, List<SwitchTree> nested) {}

    /** Those that hang on no other switch. */
    static List<SwitchTree> of(Circuit circuit, List<SwitchBench> all) {
        Set<String> behind = all.stream()
                .flatMap(s -> s.channels().stream())
                .flatMap(c -> c.nested().stream())
                .map(u -> u.id())
                .collect(Collectors.toSet());
        return all.stream()
                .filter(s -> !behind.contains(s.unit().id()))
                .map(s -> of(circuit, s, all))
                .toList();
    }

    /** Each step leads to a longer path of segments, so it ends. */
    private static SwitchTree of(Circuit circuit, SwitchBench bench, List<SwitchBench> all) {
        return new SwitchTree(
                bench,
                bench.pins(circuit),
                bench.channels().stream()
                        .map(c -> new Branch(
                                c,
                                all.stream()
                                        .filter(s -> c.nested().stream().anyMatch(u -> u.id().equals(
                                                        s.unit().id())))
                                        .map(s -> of(circuit, s, all))
                                        .toList()))
                        .toList());
    }
}
