package izzet.core.assign;

import izzet.core.assign.Assigner.Conflict;
import izzet.core.assign.Assigner.Limits;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.PinFunction;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Plan;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Why a plan cannot be assigned: wishes that cannot hold together, of which none can be left out. Found by leaving out one after the other
 * and keeping those without which the rest could be assigned.
 */
final class Conflicts {

    private final Plan present;
    private final Plan supplied;
    private final Catalog catalog;
    private final Limits limits;
    private final long end;
    private final Circuit circuit;
    private List<Item> kept = List.of();

    Conflicts(Plan present, Plan supplied, Catalog catalog, Limits limits, long end) {
        this.present = present;
        this.supplied = supplied;
        this.catalog = catalog;
        this.limits = limits;
        // The proof that there is none is the answer; saying why may take as long again.
        this.end = Math.max(end, System.nanoTime() + limits.time().toNanos());
        this.circuit = new Circuit(supplied, catalog);
    }

    /** What a person would call one wish: a part's lines of one kind. */
    private record Item(String part, String kind, List<Wire> wires) {}

    private List<Item> items() {
        Map<String, Item> items = new LinkedHashMap<>();
        Task whole = new Task(present, supplied, catalog, Weights.USUAL, w -> true);
        for (Wish wish : whole.wishes()) {
            for (Wire wire : wish.wires()) {
                String kind = kind(wire);
                items.computeIfAbsent(
                                wire.unit().id() + " " + kind,
                                k -> new Item(wire.unit().name(), kind, new ArrayList<>()))
                        .wires()
                        .add(wire);
            }
        }
        return new ArrayList<>(items.values());
    }

    private String kind(Wire wire) {
        if (wire.connected() && wire.connection().staysPut()) {
            return "locked " + wire.line().id() + " on "
                    + wire.to().orElseThrow().name();
        }
        Wire need = circuit.need(wire);
        Optional<Bus> bus = circuit.busOf(need.unit()).filter(b -> need.role().bus() || need.role() == Role.GATE_CLOCK);
        if (bus.isPresent()) {
            return "the lines of " + bus.get().name();
        }
        return switch (need.capability()) {
            case PinFunction.PWM -> "PWM";
            case PinFunction.ANALOG_IN -> "analog input";
            case "interrupt" -> "interrupt";
            default -> need.role().wording();
        };
    }

    /** Null when it was not found out in time. */
    Conflict find() {
        kept = items();
        for (Item item : List.copyOf(kept)) {
            List<Item> without = new ArrayList<>(kept);
            without.remove(item);
            Optional<Boolean> possible = possible(without);
            if (possible.isEmpty()) {
                return null;
            }
            if (!possible.get()) {
                kept = without;
            }
        }
        return new Conflict(kept.stream().map(Conflicts::words).toList(), reason(kept));
    }

    /** The lines of each wish that was found, in the order of the words. */
    List<List<Target>> kept() {
        return kept.stream()
                .map(i -> i.wires().stream().map(Wire::from).toList())
                .toList();
    }

    private Optional<Boolean> possible(List<Item> items) {
        Set<Wire> wanted = items.stream().flatMap(i -> i.wires().stream()).collect(Collectors.toSet());
        Set<String> ends = wanted.stream().map(w -> w.from().toString()).collect(Collectors.toSet());
        return SolverAssigner.possible(
                present, supplied, catalog, w -> ends.contains(w.from().toString()), limits, end);
    }

    private static String words(Item item) {
        if (item.kind().startsWith("locked")) {
            return item.part() + " has " + item.kind();
        }
        int lines = item.wires().size();
        String names = item.wires().stream().map(w -> w.line().id()).collect(Collectors.joining(", "));
        if (item.kind().startsWith("the lines")) {
            return item.part() + " wants " + item.kind() + " (" + names + ")";
        }
        return lines == 1
                ? item.part() + " wants a pin for " + names + " (" + item.kind() + ")"
                : item.part() + " wants " + lines + " pins for " + names + " (" + item.kind() + ")";
    }

    /** The places that the wishes have between them, and the controllers where they are short. */
    private String reason(List<Item> items) {
        Set<String> ends = items.stream()
                .flatMap(i -> i.wires().stream())
                .map(w -> w.from().toString())
                .collect(Collectors.toSet());
        Task task = new Task(
                present,
                supplied,
                catalog,
                Weights.USUAL,
                w -> ends.contains(w.from().toString()));
        Set<String> places = new LinkedHashSet<>();
        for (Wish wish : task.wishes()) {
            List<String> choice =
                    wish.bus() == null ? java.util.Arrays.asList((String) null) : task.controllersOf(wish.bus());
            for (String c : choice) {
                for (int spot : task.options(wish, c)) {
                    places.add(task.spots().get(spot).toString());
                }
            }
        }
        String board = circuit.board().name();
        if (places.isEmpty()) {
            return "The " + board + " has no place for that" + lacking(items) + ".";
        }
        if (places.size() < task.wishes().size()) {
            return "These are " + task.wishes().size() + " lines, and the " + board + " has " + places.size()
                    + " places for them: " + String.join(", ", places) + ".";
        }
        String controllers = task.buses().stream()
                .map(Bus::kind)
                .distinct()
                .map(kind -> circuit.board().controllersOf(kind).size() + " "
                        + kind.text().toUpperCase(java.util.Locale.ROOT) + " controllers")
                .collect(Collectors.joining(", "));
        return "The " + board + " has " + places.size() + " places for these lines"
                + (controllers.isEmpty() ? "" : " and " + controllers)
                + ", but each choice for one takes away what another needs.";
    }

    private String lacking(List<Item> items) {
        Set<String> missing = new LinkedHashSet<>();
        for (Item item : items) {
            for (Wire wire : item.wires()) {
                boolean none =
                        circuit.board().signalPins().stream().noneMatch(p -> LegalPins.hasFunction(circuit, wire, p));
                if (none) {
                    missing.add(item.kind());
                }
            }
        }
        return missing.isEmpty() ? "" : " (" + String.join(", ", missing) + ")";
    }
}
