package izzet.core.circuit;

import izzet.core.catalog.Board;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Rail;
import izzet.core.plan.Connection;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Which ends are joined, whichever end a wire was drawn from. A <em>node</em> is one conductor: ends joined by plain wires. A
 * <em>net</em> is one signal: nodes joined by resistors in their wires, too, but not by a resistor that leads to a rail, which pulls.
 * Immutable.
 */
final class Nets {

    private final Board board;
    private final Map<Target, Wire> lines;
    private final List<Resistor> resistors;
    private final Comparator<Target> inOrder;
    private final Map<Target, Net> netAt = new LinkedHashMap<>();
    private final List<Net> nets = new ArrayList<>();
    private final Map<Target, Integer> nodeAt = new LinkedHashMap<>();
    private final List<Set<Target>> nodes = new ArrayList<>();

    /** @param connections and resistors whose ends exist */
    Nets(Board board, Map<Target, Wire> lines, List<Connection> connections, List<Resistor> resistors) {
        this.board = board;
        this.lines = lines;
        this.resistors = resistors;
        List<Target> order = List.copyOf(lines.keySet());
        Map<Target, Integer> place = new HashMap<>();
        order.forEach(line -> place.put(line, place.size()));
        this.inOrder = Comparator.comparingInt((Target end) -> place.getOrDefault(end, -1))
                .thenComparing(Target::owner)
                .thenComparing(Target::name);
        Groups conductors = new Groups();
        lines.keySet().forEach(conductors::add);
        for (Connection c : connections) {
            conductors.add(c.from());
            conductors.add(c.to());
            if (c.seriesOhms() == null) {
                conductors.join(c.from(), c.to());
            }
        }
        for (Resistor r : resistors) {
            conductors.add(r.from());
            conductors.add(r.to());
        }
        for (List<Target> joined : conductors.groups()) {
            Set<Target> ends = sorted(joined);
            ends.forEach(end -> nodeAt.put(end, nodes.size()));
            nodes.add(ends);
        }
        Groups signals = new Groups();
        Set<Target> touched = new LinkedHashSet<>();
        connections.forEach(c -> {
            touched.add(c.from());
            touched.add(c.to());
        });
        resistors.forEach(r -> {
            touched.add(r.from());
            touched.add(r.to());
        });
        touched.forEach(signals::add);
        for (Connection c : connections) {
            if (c.seriesOhms() == null || !onRail(c.from()) && !onRail(c.to())) {
                signals.join(c.from(), c.to());
            }
        }
        for (List<Target> ends : signals.groups()) {
            Net net = net(sorted(ends));
            nets.add(net);
            ends.forEach(end -> netAt.put(end, net));
        }
    }

    /** Pins and rails, then lines as the parts have them: the same from whichever ends the wires were drawn. */
    private Set<Target> sorted(List<Target> ends) {
        ends.sort(inOrder);
        return new LinkedHashSet<>(ends);
    }

    /** Ends joined to groups, each told by its root. */
    private static final class Groups {
        private final Map<Target, Integer> numbers = new LinkedHashMap<>();
        private int[] parents = new int[64];

        void add(Target end) {
            int number = numbers.size();
            if (numbers.putIfAbsent(end, number) == null) {
                parents = number < parents.length ? parents : Arrays.copyOf(parents, 2 * number);
                parents[number] = number;
            }
        }

        void join(Target one, Target other) {
            int a = root(numbers.get(one));
            int b = root(numbers.get(other));
            parents[Math.max(a, b)] = Math.min(a, b);
        }

        private int root(int number) {
            int at = number;
            while (parents[at] != at) {
                parents[at] = parents[parents[at]];
                at = parents[at];
            }
            return at;
        }

        /** In the order in which their first ends were added. */
        List<List<Target>> groups() {
            List<List<Target>> byRoot = new ArrayList<>(Collections.nCopies(numbers.size(), null));
            List<List<Target>> groups = new ArrayList<>();
            numbers.forEach((end, number) -> {
                int root = root(number);
                if (byRoot.get(root) == null) {
                    byRoot.set(root, new ArrayList<>());
                    groups.add(byRoot.get(root));
                }
                byRoot.get(root).add(end);
            });
            return groups;
        }
    }

    private boolean onRail(Target end) {
        return nodes.get(nodeAt.get(end)).stream()
                .anyMatch(e -> e.isRail()
                        || e.isLine()
                                && lines.get(e) != null
                                && lines.get(e).line().givesVolts() != null);
    }

    private Net net(Set<Target> ends) {
        List<Pin> pins = new ArrayList<>();
        List<Rail> rails = new ArrayList<>();
        List<Wire> wires = new ArrayList<>();
        for (Target end : ends) {
            if (end.isPin()) {
                board.pin(end.name()).ifPresent(pins::add);
            } else if (end.isRail()) {
                board.rail(end.name()).ifPresent(rails::add);
            } else if (lines.containsKey(end)) {
                wires.add(lines.get(end));
                lines.get(end).source().ifPresent(rails::add);
            }
        }
        List<Resistor> here = resistors.isEmpty()
                ? List.of()
                : resistors.stream()
                        .filter(r -> ends.contains(r.from()) || ends.contains(r.to()))
                        .toList();
        return new Net(List.copyOf(ends), pins, rails, wires, here);
    }

    List<Net> nets() {
        return nets;
    }

    /** Empty for an end that nothing is connected to. */
    Optional<Net> netOf(Target end) {
        return Optional.ofNullable(netAt.get(end));
    }

    /** Number of the node of an end; -1 for a pin or rail that the plan does not use. */
    int node(Target end) {
        return nodeAt.getOrDefault(end, -1);
    }

    int nodes() {
        return nodes.size();
    }

    /** The ends that are one conductor. */
    Set<Target> endsAt(int node) {
        return nodes.get(node);
    }
}
