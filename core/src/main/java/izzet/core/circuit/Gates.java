package izzet.core.circuit;

import izzet.core.catalog.ActiveLevel;
import izzet.core.catalog.Part;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Which gated clocks run while others rest, as the selects and enables of their gates are wired. Derived from a circuit; immutable. */
public final class Gates {

    /** So many free controls are tried through; a plan with more is believed. */
    private static final int MOST_CONTROLS = 14;

    private final Circuit circuit;

    Gates(Circuit circuit) {
        this.circuit = circuit;
    }

    /** The level that a select or an enable must have for an output to follow the clock. */
    public record Need(Wire control, boolean high) {}

    /** Of an output of a part's gate; empty when the line is none. */
    public List<Need> needs(Unit unit, String output) {
        Part.ClockGate gate = unit.part().gateOf(output).orElse(null);
        if (gate == null) {
            return List.of();
        }
        List<Need> needs = new ArrayList<>();
        for (String enable : gate.enables()) {
            circuit.wire(Target.line(unit.id(), enable))
                    .ifPresent(w -> needs.add(new Need(w, w.line().active() == ActiveLevel.HIGH)));
        }
        int number = gate.outputs().indexOf(output);
        for (int bit = 0; bit < gate.selects().size() && number >= 0; bit++) {
            boolean high = (number >> bit & 1) == 1;
            circuit.wire(Target.line(unit.id(), gate.selects().get(bit))).ifPresent(w -> needs.add(new Need(w, high)));
        }
        return needs;
    }

    /** Of a part behind gates, over all of them. */
    private List<Need> needs(Unit unit) {
        return circuit.segmentOf(unit).stream()
                .flatMap(s -> s.path().stream())
                .flatMap(hop -> needs(hop.through(), hop.channel()).stream())
                .toList();
    }

    /** Whether a supply holds a control at the level that the need does not want, by a wire or by a resistor. */
    public boolean contradicted(Need need) {
        return held(need.control()).filter(high -> high != need.high()).isPresent();
    }

    /** The level at which a control stands for good; empty where a pin, another part or a hand can move it, and where it floats. */
    private Optional<Boolean> held(Wire control) {
        Optional<Double> rail = circuit.railVolts(control.from());
        if (rail.isPresent()) {
            return rail.map(v -> v > 0);
        }
        DcModel dc = circuit.dc();
        int node = control.node();
        return circuit.reach(control.from()).isPresent() || node < 0
                ? Optional.empty()
                : dc.pieceAt(node)
                        .filter(p -> p.outputs().isEmpty()
                                && p.of(DcModel.Contact.class).isEmpty()
                                && p.of(DcModel.Dial.class).isEmpty())
                        .map(p -> dc.at(p, new DcModel.State()))
                        .filter(point -> point.holds(node))
                        .map(point -> point.volts(node) > circuit.board().logicVolts() / 2);
    }

    /** Two needs that want the same conductor at different levels; empty where there are none. */
    public Optional<List<Need>> atOdds(List<Need> needs) {
        Map<String, Need> seen = new HashMap<>();
        for (Need need : needs) {
            Need before = seen.putIfAbsent(key(need.control()), need);
            if (before != null && before.high() != need.high()) {
                return Optional.of(List.of(before, need));
            }
        }
        return Optional.empty();
    }

    /** What tells controls apart that can be moved apart: the pin under them, else their net; outputs of an expander are nets of their own. */
    private String key(Wire control) {
        return circuit.pinsUnder(control).stream()
                .findFirst()
                .map(p -> "pin " + p.id())
                .or(() -> control.net().map(n -> "net " + n.ends().get(0)))
                .orElseGet(() -> control.from().toString());
    }

    /**
     * How one part hears its clock while none of the others does.
     *
     * @param others behind gates or channels of their own; those behind a bus switch that the part is not behind count as shut off
     * @return the levels of all controls that matter; empty when there is no such setting
     */
    public Optional<List<Need>> alone(Unit unit, Collection<Unit> others) {
        List<Need> own = needs(unit);
        if (own.stream().anyMatch(this::contradicted) || atOdds(own).isPresent()) {
            return Optional.empty();
        }
        Map<String, Boolean> set = new LinkedHashMap<>();
        own.forEach(n -> set.put(key(n.control()), n.high()));
        Set<String> free = new LinkedHashSet<>();
        Map<String, Wire> controls = new LinkedHashMap<>();
        List<List<Need>> apart = new ArrayList<>();
        for (Unit other : others) {
            List<Need> needs = needs(other);
            if (shutOff(other, unit) || needs.stream().anyMatch(this::contradicted)) {
                continue;
            }
            for (Need need : needs) {
                String key = key(need.control());
                controls.putIfAbsent(key, need.control());
                if (!set.containsKey(key) && held(need.control()).isEmpty()) {
                    free.add(key);
                }
            }
            apart.add(needs);
        }
        if (free.size() > MOST_CONTROLS) {
            return Optional.of(own);
        }
        List<String> keys = List.copyOf(free);
        for (int trial = 0; trial < 1 << keys.size(); trial++) {
            for (int i = 0; i < keys.size(); i++) {
                set.put(keys.get(i), (trial >> i & 1) == 1);
            }
            if (apart.stream().noneMatch(needs -> heard(needs, set))) {
                List<Need> all = new ArrayList<>(own);
                keys.forEach(k -> all.add(new Need(controls.get(k), set.get(k))));
                return Optional.of(all);
            }
        }
        return Optional.empty();
    }

    /** A control that is held is as wanted: what contradicts was left out before. */
    private boolean heard(List<Need> needs, Map<String, Boolean> set) {
        return needs.stream().allMatch(n -> set.getOrDefault(key(n.control()), n.high()) == n.high());
    }

    private boolean shutOff(Unit other, Unit unit) {
        List<Segment.Hop> way = circuit.segmentOf(unit).map(Segment::path).orElse(List.of());
        return circuit.segmentOf(other).stream()
                .flatMap(s -> s.path().stream())
                .anyMatch(hop -> hop.through().part().busSwitch() != null && !way.contains(hop));
    }
}
