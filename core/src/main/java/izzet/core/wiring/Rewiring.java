package izzet.core.wiring;

import izzet.core.catalog.Board;
import izzet.core.circuit.Circuit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * What has to be changed on the bench to come from one plan to another: power off, then off, moved, put in, in the order of wiring.
 *
 * @param off wires and resistors to take away
 * @param moved wires of which one end goes elsewhere, with the old step first
 * @param in wires and resistors to put in
 * @param straps to set differently
 * @param boards the old and the new board where they differ; each wire at the board goes over then, to a pin of the same name, too
 */
public record Rewiring(
        List<WiringList.Step> off,
        List<Moved> moved,
        List<WiringList.Step> in,
        List<WiringList.Step> straps,
        List<Board> boards) {

    public record Moved(WiringList.Step before, WiringList.Step after) {

        /** Whether only the far end goes elsewhere. */
        public boolean sameStart() {
            return before.wire()
                    && after.wire()
                    && before.from().words().equals(after.from().words());
        }
    }

    public static Rewiring between(Circuit before, Circuit after, WireColours colours) {
        List<Board> boards =
                before.board().id().equals(after.board().id()) ? List.of() : List.of(before.board(), after.board());
        Map<String, WiringList.Step> old = steps(before, colours);
        Map<String, WiringList.Step> now = steps(after, colours);
        List<WiringList.Step> off = new ArrayList<>();
        List<WiringList.Step> in = new ArrayList<>();
        List<WiringList.Step> straps = new ArrayList<>();
        List<Moved> moved = new ArrayList<>();
        now.forEach((key, step) -> {
            WiringList.Step same = old.get(key);
            if (same != null && same.words().equals(step.words()) && (boards.isEmpty() || !atBoard(step))) {
                return;
            }
            if (step.kind() == WiringList.Kind.STRAP) {
                straps.add(step);
            } else if (same != null) {
                moved.add(new Moved(same, step));
            } else {
                in.add(step);
            }
        });
        old.forEach((key, step) -> {
            if (!now.containsKey(key) && step.kind() != WiringList.Kind.STRAP) {
                off.add(step);
            }
        });
        // The same line to another place is one wire that moves.
        for (WiringList.Step away : List.copyOf(off)) {
            in.stream()
                    .filter(s -> s.kind() == WiringList.Kind.WIRE
                            && away.kind() == WiringList.Kind.WIRE
                            && s.from().at() != null
                            && s.from().at().equals(away.from().at()))
                    .findFirst()
                    .ifPresent(s -> {
                        moved.add(new Moved(away, s));
                        off.remove(away);
                        in.remove(s);
                    });
        }
        return new Rewiring(List.copyOf(off), List.copyOf(moved), List.copyOf(in), List.copyOf(straps), boards);
    }

    private static boolean atBoard(WiringList.Step step) {
        return Stream.of(step.from(), step.to()).anyMatch(e -> e != null && e.at() != null && e.at().isPin());
    }

    /** Wires, rows, resistors and straps; looking and counting is no change. */
    private static Map<String, WiringList.Step> steps(Circuit circuit, WireColours colours) {
        Map<String, WiringList.Step> steps = new LinkedHashMap<>();
        WiringList.steps(circuit, colours).stream()
                .filter(s -> s.kind() != WiringList.Kind.LOOK)
                .forEach(s -> steps.put(s.key(), s));
        return steps;
    }

    public boolean none() {
        return off.isEmpty() && moved.isEmpty() && in.isEmpty() && straps.isEmpty();
    }
}
