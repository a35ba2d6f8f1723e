package izzet.core.circuit;

import izzet.core.catalog.Board;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Rail;
import izzet.core.plan.Connection;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
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

    /** Every end has a number: lines of parts in their order, then pins and rails as wires and resistors name them. */
    private final List<Target> ends;

    private final Map<Target, Integer> others = new HashMap<>();
    private final List<Net> nets = new ArrayList<>();
    private final List<List<Target>> nodes = new ArrayList<>();
    private final int[] nodeOf;
    private final Optional<Net>[] netOf;

    /** @param connections and resistors whose ends exist */
    @SuppressWarnings("unchecked")
    Nets(Board board, Map<Target, Wire> lines, List<Connection> connections, List<Resistor> resistors) {
        this.board = board;
        this.lines = lines;
        this.ends = new ArrayList<>(lines.keySet());
        int[] touched = new int[2 * (connections.size() + resistors.size())];
        int at = 0;
        for (Connection c : connections) {
            touched[at++] = number(c.from());
            touched[at++] = number(c.to());
        }
        for (Resistor r : resistors) {
            touched[at++] = number(r.from());
            touched[at++] = number(r.to());
        }
        int[] sorted = sorted();
        Groups conductors = new Groups(ends.size());
        for (int i = 0; i < connections.size(); i++) {
            if (connections.get(i).seriesOhms() == null) {
                conductors.join(touched[2 * i], touched[2 * i + 1]);
            }
        }
        nodeOf = new int[ends.size()];
        for (int end = 0; end < nodeOf.length; end++) {
            nodeOf[end] = conductors.group(end);
        }
        conductors.addAll(sorted, ends, nodes);

        Groups signals = new Groups(ends.size());
        boolean[] onRail = onRail();
        for (int i = 0; i < connections.size(); i++) {
            int from = touched[2 * i];
            int to = touched[2 * i + 1];
            if (connections.get(i).seriesOhms() == null || !onRail[nodeOf[from]] && !onRail[nodeOf[to]]) {
                signals.join(from, to);
            }
        }
        for (int end : touched) {
            signals.group(end);
        }
        List<List<Target>> joined = new ArrayList<>();
        signals.addAll(sorted, ends, joined);
        List<Set<Resistor>> bridged = new ArrayList<>();
        joined.forEach(j -> bridged.add(resistors.isEmpty() ? Set.of() : new LinkedHashSet<>()));
        for (int i = 2 * connections.size(); i < touched.length; i++) {
            bridged.get(signals.group(touched[i])).add(resistors.get(i / 2 - connections.size()));
        }
        for (int net = 0; net < joined.size(); net++) {
            nets.add(net(joined.get(net), bridged.get(net)));
        }
        netOf = new Optional[ends.size()];
        Arrays.fill(netOf, Optional.empty());
        for (int end : touched) {
            netOf[end] = Optional.of(nets.get(signals.group(end)));
        }
    }

    private int number(Target end) {
        int known = find(end);
        if (known < 0) {
            known = ends.size();
            others.put(end, known);
            ends.add(end);
        }
        return known;
    }

    /** -1 for one that the plan does not use. */
    private int find(Target end) {
        if (end.isLine()) {
            Wire line = lines.get(end);
            return line == null ? others.getOrDefault(end, -1) : line.number();
        }
        return others.getOrDefault(end, -1);
    }

    /** Pins and rails, then lines as the parts have them: the same from whichever ends the wires were drawn. */
    private int[] sorted() {
        List<Integer> others = new ArrayList<>();
        for (int end = lines.size(); end < ends.size(); end++) {
            others.add(end);
        }
        others.sort(Comparator.comparing((Integer end) -> ends.get(end).owner())
                .thenComparing(end -> ends.get(end).name()));
        int[] sorted = new int[ends.size()];
        for (int i = 0; i < sorted.length; i++) {
            sorted[i] = i < others.size() ? others.get(i) : i - others.size();
        }
        return sorted;
    }

    /** Ends joined to groups, each told by its root; a group gets its number when it is first asked for. */
    private static final class Groups {
        private final int[] parents;
        private final int[] numbers;
        private int size;

        Groups(int ends) {
            parents = new int[ends];
            numbers = new int[ends];
            for (int end = 0; end < ends; end++) {
                parents[end] = end;
                numbers[end] = -1;
            }
        }

        void join(int one, int other) {
            int a = root(one);
            int b = root(other);
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

        /** To be asked for when all are joined. */
        int group(int end) {
            int root = root(end);
            if (numbers[root] < 0) {
                numbers[root] = size++;
            }
            return numbers[root];
        }

        /** Lays out the groups that have a number, the ends of each in the order given. */
        void addAll(int[] order, List<Target> ends, List<List<Target>> groups) {
            for (int group = 0; group < size; group++) {
                groups.add(new ArrayList<>(4));
            }
            for (int end : order) {
                int group = numbers[root(end)];
                if (group >= 0) {
                    groups.get(group).add(ends.get(end));
                }
            }
        }
    }

    /** Of each node, whether a rail is on it. */
    private boolean[] onRail() {
        boolean[] rail = new boolean[nodes.size()];
        for (Wire wire : lines.values()) {
            rail[nodeOf[wire.number()]] |= wire.line().givesVolts() != null;
        }
        for (int end = lines.size(); end < nodeOf.length; end++) {
            rail[nodeOf[end]] |= ends.get(end).isRail();
        }
        return rail;
    }

    private Net net(List<Target> joined, Set<Resistor> resistors) {
        List<Pin> pins = new ArrayList<>();
        List<Rail> rails = new ArrayList<>();
        List<Wire> wires = new ArrayList<>();
        for (Target end : joined) {
            if (end.isPin()) {
                board.pin(end.name()).ifPresent(pins::add);
            } else if (end.isRail()) {
                board.rail(end.name()).ifPresent(rails::add);
            } else if (lines.containsKey(end)) {
                wires.add(lines.get(end));
                lines.get(end).source().ifPresent(rails::add);
            }
        }
        return new Net(joined, pins, rails, wires, List.copyOf(resistors));
    }

    List<Net> nets() {
        return nets;
    }

    /** Empty for an end that nothing is connected to. */
    Optional<Net> netOf(Target end) {
        int number = find(end);
        return number < 0 ? Optional.empty() : netOf[number];
    }

    Optional<Net> netOf(int number) {
        return netOf[number];
    }

    /** Number of the node of an end; -1 for a pin or rail that the plan does not use. */
    int node(Target end) {
        int number = find(end);
        return number < 0 ? -1 : nodeOf[number];
    }

    int node(int number) {
        return nodeOf[number];
    }

    int nodes() {
        return nodes.size();
    }

    /** The ends that are one conductor. */
    List<Target> endsAt(int node) {
        return nodes.get(node);
    }
}
