package izzet.core.check.rules.pins;

import izzet.core.catalog.Part;
import izzet.core.catalog.PartLine;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * P9: the lines that still need a pin against the pins that are free, with what other interfaces, a 2-wire twin and an expander would give
 * back. Passes: one display on any board. Fails: three parallel displays on a board of twenty pins.
 */
public final class PinCountRule implements Rule {

    @Override
    public String id() {
        return "P9";
    }

    @Override
    public String subject() {
        return "pins enough for every line";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        List<Wire> open = open(circuit);
        int free = circuit.freePins().size();
        if (circuit.units().isEmpty()) {
            return;
        }
        findings.compared(
                this, Quantity.count(free - open.size()), circuit.board().name());
        if (open.size() > free) {
            report(circuit, findings, open, free);
        }
    }

    private record SharedLine(String bus, Role role, String signal) {}

    /** Required lines without a pin; a line of a bus counts once, and not where another part has brought it to a pin. */
    private static List<Wire> open(Circuit circuit) {
        Set<SharedLine> shared = new HashSet<>();
        for (Wire wire : circuit.wires()) {
            if (wire.role().bus() && wire.net().isPresent()) {
                shared.add(key(wire));
            }
        }
        List<Wire> open = new ArrayList<>();
        for (Wire wire : circuit.wires()) {
            boolean wants = wire.line().required()
                    && wire.rest() == null
                    && LegalPins.wantsPin(wire)
                    && wire.net().isEmpty();
            if (wants && (!wire.role().bus() || shared.add(key(wire)))) {
                open.add(wire);
            }
        }
        return open;
    }

    private static SharedLine key(Wire wire) {
        return new SharedLine(
                wire.unit().placed().bus(), wire.role(), wire.line().signal());
    }

    private void report(Circuit circuit, Findings findings, List<Wire> open, int free) {
        Findings.Draft draft = findings.of(
                        this,
                        Severity.STOP,
                        "{open} lines still need a pin, and the board has {free} free: {short} too few.")
                .at(new Place("plan", "board", circuit.board().name()))
                .with(open.stream().map(w -> Place.of(w.unit())).distinct().toList())
                .word("open", open.size())
                .word("free", free)
                .word("short", open.size() - free)
                .compared("pins", Quantity.count(open.size()), Quantity.count(free), true, null);
        givenBack(circuit).forEach(draft::figure);
        draft.formula("lines without a pin, a shared line counted once ≤ free pins")
                .remedy(
                        "Take an interface with fewer lines, the 2-wire twin of a display, an expander, or a larger board.")
                .add();
    }

    private static Map<String, Object> givenBack(Circuit circuit) {
        Map<String, Object> back = new LinkedHashMap<>();
        Map<Part.Interface, Long> counted = new IdentityHashMap<>();
        long slow = 0;
        for (Unit unit : circuit.units()) {
            Part part = unit.part();
            long now = counted.computeIfAbsent(unit.variant(), i -> lines(part, i));
            for (Part.Interface other : part.interfaces()) {
                long fewer = now - counted.computeIfAbsent(other, i -> lines(part, i));
                if (fewer > 0) {
                    back.put(unit.name() + ", " + other.name() + ", gives back", fewer);
                }
            }
            String twin = part.kin().get("two-wire");
            if (twin != null) {
                circuit.catalog()
                        .part(twin)
                        .map(p -> now - lines(p, p.interfaces().get(0)))
                        .filter(fewer -> fewer > 0)
                        .ifPresent(fewer -> back.put(unit.name() + ", as its 2-wire twin, gives back", fewer));
            }
            slow += circuit.wiresOf(unit).stream().filter(PinCountRule::slow).count();
        }
        if (slow > 2) {
            back.put("lines that an expander on two pins could carry", slow);
        }
        return back;
    }

    private static long lines(Part part, Part.Interface variant) {
        long count = 0;
        for (PartLine line : part.linesOf(variant.id())) {
            boolean wants = line.required()
                    && line.rest() == null
                    && LegalPins.wantsPin(line.role())
                    && !variant.rests().containsKey(line.id());
            count += wants ? 1 : 0;
        }
        return count;
    }

    private static boolean slow(Wire wire) {
        return switch (wire.role()) {
            case RESET, CONTROL, SIGNAL ->
                wire.line().required()
                        && wire.rest() == null
                        && wire.unit().variant().wants().get(wire.line().id()) == null;
            default -> false;
        };
    }
}
