package izzet.core.wiring;

import izzet.core.catalog.PartLine;
import izzet.core.catalog.Rail;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The parts of a plan laid on a breadboard, so that no two legs share a row, and the hole for each end of each wire. A half of a row, a to e or f
 * to j, is one strip of five holes that are joined.
 *
 * @param rows of the board
 * @param supplies what the long rows at its edges carry, in order: one pair at each edge
 * @param parts as they lie
 * @param holes of the steps, by the step's key
 * @param beside parts that found no room, and lie beside the board
 */
public record Breadboard(
        int rows, List<String> supplies, List<Laid> parts, Map<String, Ends> holes, List<String> beside) {

    /** Boards as they are sold: half and full. */
    public static final List<Integer> SIZES = List.of(30, 63);

    /** Orders of the parts that are looked at for short wires. */
    private static final int MOST_TRIES = 300;

    private static final int WITHOUT_ROOM = 10_000;
    private static final int MIDDLE = 3;

    private static final String LEFT = "abcde";
    private static final String RIGHT = "fghij";

    /** @param column a to j */
    public record Hole(int row, char column) {
        public boolean left() {
            return LEFT.indexOf(column) >= 0;
        }

        /** The strip that it belongs to, as a number. */
        int strip() {
            return row * 2 + (left() ? 0 : 1);
        }

        /** "row 12, column b". */
        public String words() {
            return "row " + row + ", column " + column;
        }
    }

    public record Leg(String line, Hole hole) {}

    /** @param across whether it lies over the middle, as chips do */
    public record Laid(Unit unit, boolean across, List<Leg> legs) {}

    /**
     * Where a step goes.
     *
     * @param from null where that end is not on the board, {@code to} likewise
     * @param between the row where a resistor in the wire ends and the wire goes on; null without one
     */
    public record Ends(Hole from, Hole to, Hole between, Hole on) {}

    /**
     * @param rows one of {@link #SIZES}
     * @param starts row of the first leg by part, where the maker chose it; others are laid round them
     * @throws IllegalArgumentException when a chosen row is not on the board
     */
    public static Breadboard of(Circuit circuit, int rows, Map<String, Integer> starts) {
        List<Unit> order = new ArrayList<>(circuit.units());
        // What the maker placed comes first, then chips, which need both halves.
        order.sort(Comparator.comparing((Unit u) -> !starts.containsKey(u.id())).thenComparing(u -> !Layout.across(u)));
        List<WiringList.Step> steps = WiringList.steps(circuit, WireColours.usual()).stream()
                .filter(s -> s.wire() && s.kind() != WiringList.Kind.ROW)
                .toList();
        int fixed = (int) order.stream().filter(u -> starts.containsKey(u.id())).count();
        Breadboard best = new Layout(circuit, rows, starts, steps).lay(order);
        int tries = 0;
        for (boolean better = true; better && tries < MOST_TRIES; ) {
            better = false;
            for (int i = fixed; i < order.size(); i++) {
                for (int j = i + 1; j < order.size() && tries < MOST_TRIES; j++, tries++) {
                    Collections.swap(order, i, j);
                    Breadboard other = new Layout(circuit, rows, starts, steps).lay(order);
                    if (other.cost() < best.cost()) {
                        best = other;
                        better = true;
                    } else {
                        Collections.swap(order, i, j);
                    }
                }
            }
        }
        return best;
    }

    /** Rows that wires on the board span, the middle counted as some; a part without room is worse than any wire. */
    int cost() {
        return beside.size() * WITHOUT_ROOM
                + holes.values().stream().mapToInt(Breadboard::span).sum();
    }

    private static int span(Ends ends) {
        return ends.between() == null
                ? span(ends.from(), ends.to())
                : span(ends.from(), ends.between()) + span(ends.on(), ends.to());
    }

    private static int span(Hole one, Hole other) {
        return one == null || other == null
                ? 0
                : Math.abs(one.row() - other.row()) + (one.left() == other.left() ? 0 : MIDDLE);
    }

    private static final class Layout {
        private final Circuit circuit;
        private final int rows;
        private final Map<String, Integer> starts;
        private final Set<Integer> takenStrips = new HashSet<>();
        private final Set<Hole> takenHoles = new HashSet<>();
        private final Map<Target, Hole> legs = new HashMap<>();
        private final List<Laid> laid = new ArrayList<>();
        private final List<String> beside = new ArrayList<>();

        private final List<WiringList.Step> steps;

        Layout(Circuit circuit, int rows, Map<String, Integer> starts, List<WiringList.Step> steps) {
            this.steps = steps;
            this.circuit = circuit;
            this.rows = rows;
            this.starts = starts;
        }

        Breadboard lay(List<Unit> units) {
            units.forEach(this::lay);
            Map<String, Ends> holes = new LinkedHashMap<>();
            steps.forEach(step -> holes.put(step.key(), ends(step)));
            List<String> supplies = circuit.board().rails().stream()
                    .filter(r ->
                            !r.ground() && circuit.netOf(Target.rail(r.id())).isPresent())
                    .map(Rail::label)
                    .toList();
            return new Breadboard(rows, supplies, List.copyOf(laid), holes, List.copyOf(beside));
        }

        private static boolean across(Unit unit) {
            return Boolean.TRUE.equals(unit.part().bareChip());
        }

        private void lay(Unit unit) {
            Map<String, Integer> places = new LinkedHashMap<>();
            int next = 1;
            for (PartLine line : unit.part().lines()) {
                if (line.interfaces() == null
                        || line.interfaces().isEmpty()
                        || line.interfaces().contains(unit.variant().id())) {
                    places.put(line.id(), line.header() == null ? next : line.header());
                }
                next++;
            }
            int most =
                    places.values().stream().mapToInt(Integer::intValue).max().orElse(0);
            int high = across(unit) ? (most + 1) / 2 : most;
            Integer wanted = starts.get(unit.id());
            if (wanted != null && (wanted < 1 || wanted + high - 1 > rows)) {
                throw new IllegalArgumentException(unit.name() + " takes " + high + " rows and cannot begin in row "
                        + wanted + "; the board has " + rows + ".");
            }
            List<Integer> tries = new ArrayList<>();
            if (wanted != null) {
                tries.add(wanted);
            }
            for (int row = 1; row + high - 1 <= rows; row++) {
                tries.add(row);
            }
            for (int row : tries) {
                for (int half = 0; half < (across(unit) ? 1 : 2); half++) {
                    List<Leg> at = legs(unit, places, high, row, half == 0);
                    if (at.stream().noneMatch(l -> takenStrips.contains(l.hole().strip()))) {
                        put(unit, at, high, row, half == 0);
                        return;
                    }
                }
            }
            beside.add(unit.name());
        }

        /** Legs of a module in the outermost column, those of a chip beside the middle, counted round it. */
        private static List<Leg> legs(Unit unit, Map<String, Integer> places, int high, int row, boolean left) {
            List<Leg> legs = new ArrayList<>();
            places.forEach((line, place) -> {
                Hole hole;
                if (across(unit)) {
                    hole = place <= high ? new Hole(row + place - 1, 'e') : new Hole(row + 2 * high - place, 'f');
                } else {
                    hole = new Hole(row + place - 1, left ? 'a' : 'j');
                }
                legs.add(new Leg(line, hole));
            });
            return legs;
        }

        private void put(Unit unit, List<Leg> at, int high, int row, boolean left) {
            laid.add(new Laid(unit, across(unit), List.copyOf(at)));
            for (Leg leg : at) {
                takenStrips.add(leg.hole().strip());
                takenHoles.add(leg.hole());
                legs.put(Target.line(unit.id(), leg.line()), leg.hole());
            }
            // Rows that its body covers stay free of other legs.
            for (int r = row; r < row + high; r++) {
                takenStrips.add(r * 2 + (left ? 0 : 1));
                if (across(unit)) {
                    takenStrips.add(r * 2 + 1);
                }
            }
        }

        private Ends ends(WiringList.Step step) {
            Hole from = beside(step.from());
            Hole to = beside(step.to());
            boolean inWire = step.kind() == WiringList.Kind.WIRE && step.insert() != null;
            if (!inWire) {
                return new Ends(from, to, null, null);
            }
            Hole between = freeStrip(from == null ? to : from);
            return new Ends(from, to, between, between == null ? null : next(between));
        }

        /** The next free hole of the strip of a leg; null where that end is no leg on the board, or its strip is full. */
        private Hole beside(WiringList.End end) {
            Hole leg = end.at() == null ? null : legs.get(end.at());
            return leg == null ? null : next(leg);
        }

        private Hole next(Hole hole) {
            String columns = hole.left() ? LEFT : RIGHT;
            // Away from the leg first, so that wires do not lie under the part.
            for (int i = 0; i < columns.length(); i++) {
                int at = hole.left() == (hole.column() == 'a') ? i : columns.length() - 1 - i;
                Hole free = new Hole(hole.row(), columns.charAt(at));
                if (takenHoles.add(free)) {
                    return free;
                }
            }
            return null;
        }

        /** The nearest to a hole, in its own half first; from above where there is none. */
        private Hole freeStrip(Hole near) {
            int start = near == null ? 1 : near.row();
            boolean left = near == null || near.left();
            for (int away = 0; away < rows; away++) {
                for (int row : away == 0 ? new int[] {start} : new int[] {start - away, start + away}) {
                    for (char column : left ? new char[] {'c', 'h'} : new char[] {'h', 'c'}) {
                        Hole hole = new Hole(row, column);
                        if (row >= 1 && row <= rows && takenStrips.add(hole.strip())) {
                            takenHoles.add(hole);
                            return hole;
                        }
                    }
                }
            }
            return null;
        }
    }
}
