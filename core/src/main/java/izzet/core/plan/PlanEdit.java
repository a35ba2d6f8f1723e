package izzet.core.plan;

import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * A change of a plan. Applying one gives a new plan and leaves the old one as it was; undo, repairs, history and the API all use
 * this one road. An edit does not look into the catalogue: {@link PlanChecks} says whether the outcome holds together.
 */
public interface PlanEdit {

    /** @throws EditRefused when the plan has no such part, bus or line */
    Plan apply(Plan plan);

    /** What is done, for the history: "connected Platform 1 sign SDA to A4". */
    String describe(Plan before);

    /** The titles of changes made together, as one sentence. */
    static String together(List<String> titles) {
        StringBuilder all = new StringBuilder();
        for (String title : titles) {
            all.append(
                    all.isEmpty()
                            ? title
                            : ", and " + title.substring(0, 1).toLowerCase(Locale.ROOT) + title.substring(1));
        }
        return all.toString();
    }

    /** An edit that this plan cannot take, with a sentence that says why. */
    final class EditRefused extends RuntimeException {
        private static final long serialVersionUID = 1L;

        public EditRefused(String message) {
            super(message);
        }
    }

    record Rename(String name) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            return plan.withName(name);
        }

        @Override
        public String describe(Plan before) {
            return "renamed the plan to " + name;
        }
    }

    /** Takes another board. Wires to the old board's pins and its buses' controllers go; those between parts stay. */
    record ChooseBoard(String board) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            if (board.equals(plan.board())) {
                return plan;
            }
            List<Connection> kept =
                    plan.connections().stream().filter(c -> c.to().isLine()).toList();
            List<Resistor> resistors = plan.resistors().stream()
                    .filter(r -> r.from().isLine() && r.to().isLine())
                    .toList();
            Plan freed = plan.withParts(
                    plan.parts().stream().map(p -> p.withBus(null)).toList());
            return freed.withBoard(board, List.of(), kept, resistors);
        }

        @Override
        public String describe(Plan before) {
            return "chose another board";
        }
    }

    record AddPart(PlacedPart part) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            if (plan.part(part.id()).isPresent()) {
                throw new EditRefused("The plan already has a part with the id '" + part.id() + "'.");
            }
            return plan.withParts(with(plan.parts(), part));
        }

        @Override
        public String describe(Plan before) {
            return "added " + part.name();
        }
    }

    record RemovePart(String partId) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            find(plan, partId);
            return plan.withParts(plan.parts().stream()
                            .filter(p -> !p.id().equals(partId))
                            .toList())
                    .withConnections(plan.connections().stream()
                            .filter(c -> !touches(c.from()) && !touches(c.to()))
                            .toList())
                    .withResistors(plan.resistors().stream()
                            .filter(r -> !touches(r.from()) && !touches(r.to()))
                            .toList());
        }

        private boolean touches(Target end) {
            return end.owner().equals(partId);
        }

        @Override
        public String describe(Plan before) {
            return "removed " + nameOf(before, partId);
        }
    }

    record RenamePart(String partId, String name) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            return change(plan, partId, p -> p.withName(name));
        }

        @Override
        public String describe(Plan before) {
            return "renamed " + nameOf(before, partId) + " to " + name;
        }
    }

    /**
     * Puts another catalogue item in a part's place, keeping its name.
     *
     * @param lines whose wires stay, whichever end they were drawn from; the others go
     */
    record ReplacePart(String partId, String part, int partVersion, String interfaceId, Set<String> lines)
            implements PlanEdit {
        public ReplacePart {
            lines = Set.copyOf(lines);
        }

        private boolean keeps(Target end) {
            return !end.owner().equals(partId) || lines.contains(end.name());
        }

        @Override
        public Plan apply(Plan plan) {
            return change(plan, partId, p -> p.withPart(part, partVersion, interfaceId, Map.of())
                            .withBus(null)
                            .withAddress(null))
                    .withConnections(plan.connections().stream()
                            .filter(c -> keeps(c.from()) && keeps(c.to()))
                            .toList());
        }

        @Override
        public String describe(Plan before) {
            return "replaced " + nameOf(before, partId);
        }
    }

    /** Takes another version of the same catalogue item. Wires of lines that it lacks must be taken off by the caller. */
    record SetPartVersion(String partId, int partVersion, String interfaceId, Map<String, String> straps)
            implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            return change(plan, partId, p -> p.withPart(p.part(), partVersion, interfaceId, straps));
        }

        @Override
        public String describe(Plan before) {
            return "took version " + partVersion + " of " + nameOf(before, partId);
        }
    }

    /** Takes another version of the same board. Wires to pins that it lacks must be taken off by the caller. */
    record SetBoardVersion(int boardVersion) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            return plan.withBoardVersion(boardVersion);
        }

        @Override
        public String describe(Plan before) {
            return "took version " + boardVersion + " of the board";
        }
    }

    /** Chooses another interface variant. Wires of lines that the variant lacks must be taken off by the caller. */
    record ChooseInterface(String partId, String interfaceId) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            return change(plan, partId, p -> p.withInterface(interfaceId));
        }

        @Override
        public String describe(Plan before) {
            return "chose another interface for " + nameOf(before, partId);
        }
    }

    record SetStrap(String partId, String strap, String setting) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            return change(plan, partId, p -> p.withStrap(strap, setting));
        }

        @Override
        public String describe(Plan before) {
            return "set a strap of " + nameOf(before, partId);
        }
    }

    /** @param address null to forget it */
    record SetAddress(String partId, Integer address) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            return change(plan, partId, p -> p.withAddress(address));
        }

        @Override
        public String describe(Plan before) {
            return "noted the program's address of " + nameOf(before, partId);
        }
    }

    /** @param hertz of the transfers of this part alone; null for the clock of its bus */
    record SetPartClock(String partId, Integer hertz) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            return change(plan, partId, p -> p.withClock(hertz));
        }

        @Override
        public String describe(Plan before) {
            return hertz == null
                    ? "spoke to " + nameOf(before, partId) + " at the clock of its bus"
                    : "spoke to " + nameOf(before, partId) + " at " + Quantity.hertz(hertz);
        }
    }

    /** @param bus null to take the part off its bus */
    record SetPartBus(String partId, String bus) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            return change(plan, partId, p -> p.withBus(bus));
        }

        @Override
        public String describe(Plan before) {
            return "put " + nameOf(before, partId) + " on another bus";
        }
    }

    /** Adds a bus, or changes the one with the same id. */
    record PutBus(Bus bus) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            if (plan.bus(bus.id()).isEmpty()) {
                return plan.withBuses(with(plan.buses(), bus));
            }
            return plan.withBuses(plan.buses().stream()
                    .map(b -> b.id().equals(bus.id()) ? bus : b)
                    .toList());
        }

        @Override
        public String describe(Plan before) {
            return "set up " + bus.name();
        }
    }

    /** Connects a line, or moves its wire. */
    record Connect(Connection connection) implements PlanEdit {
        public Connect(Target from, Target to) {
            this(Connection.wire(from, to));
        }

        @Override
        public Plan apply(Plan plan) {
            find(plan, connection.from().owner());
            List<Connection> next = new ArrayList<>();
            boolean moved = false;
            for (Connection c : plan.connections()) {
                // A line may have more wires; the first is the one that moves.
                boolean same = !moved && c.from().equals(connection.from());
                if (same || !c.joins(connection.from(), connection.to())) {
                    next.add(same ? connection : c);
                }
                moved |= same;
            }
            if (!moved) {
                next.add(connection);
            }
            return plan.withConnections(next);
        }

        @Override
        public String describe(Plan before) {
            return "connected " + nameOf(before, connection.from().owner()) + " "
                    + connection.from().name() + " to " + nameOfEnd(before, connection.to());
        }
    }

    /** Two connected lines change places; what is in their wires goes along. */
    record Swap(Target a, Target b) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            Connection one = wire(plan, a);
            Connection other = wire(plan, b);
            return new Connect(other.withTo(one.to())).apply(new Connect(one.withTo(other.to())).apply(plan));
        }

        private static Connection wire(Plan plan, Target from) {
            Connection wire = plan.connection(from)
                    .orElseThrow(() -> new EditRefused("'" + from + "' is not connected; connect it first."));
            if (wire.staysPut()) {
                throw new EditRefused("'" + from + "' is locked and stays where it is; unlock it first.");
            }
            return wire;
        }

        @Override
        public String describe(Plan before) {
            return "swapped " + nameOf(before, a.owner()) + " " + a.name() + " and " + nameOf(before, b.owner()) + " "
                    + b.name();
        }
    }

    record Disconnect(Target from) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            return plan.withConnections(plan.connections().stream()
                    .filter(c -> !c.from().equals(from))
                    .toList());
        }

        @Override
        public String describe(Plan before) {
            return "took " + nameOf(before, from.owner()) + " " + from.name() + " off";
        }
    }

    record AddResistor(Resistor resistor) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            return plan.withResistors(with(plan.resistors(), resistor));
        }

        @Override
        public String describe(Plan before) {
            return "added a resistor at " + nameOfEnd(before, resistor.from());
        }
    }

    /** Another value for a resistor; the ends stay. */
    record SetResistor(String resistorId, double ohms) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            if (plan.resistors().stream().noneMatch(r -> r.id().equals(resistorId))) {
                throw new EditRefused("The plan has no resistor \"" + resistorId + "\".");
            }
            return plan.withResistors(plan.resistors().stream()
                    .map(r -> r.id().equals(resistorId) ? new Resistor(r.id(), r.from(), r.to(), ohms) : r)
                    .toList());
        }

        @Override
        public String describe(Plan before) {
            return "put another resistor in";
        }
    }

    record RemoveResistor(String resistorId) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            return plan.withResistors(plan.resistors().stream()
                    .filter(r -> !r.id().equals(resistorId))
                    .toList());
        }

        @Override
        public String describe(Plan before) {
            return "removed a resistor";
        }
    }

    /**
     * Length and kind of the wires.
     *
     * @param centimetres null for not known
     * @param cable null for as it is
     */
    record SetWire(Double centimetres, Cable cable) implements PlanEdit {
        public SetWire(Double centimetres) {
            this(centimetres, null);
        }

        @Override
        public Plan apply(Plan plan) {
            return plan.withWire(centimetres, cable == null ? plan.wires() : cable);
        }

        @Override
        public String describe(Plan before) {
            return cable == null || before.wires() == cable
                    ? "set the length of the bus wires"
                    : "took other bus wires";
        }
    }

    /** Declares the board's serial console off, so that its pins are free, or on again. */
    record SetConsole(boolean off) implements PlanEdit {
        @Override
        public Plan apply(Plan plan) {
            return plan.withConsoleOff(off ? true : null);
        }

        @Override
        public String describe(Plan before) {
            return off ? "declared the serial console off" : "declared the serial console on";
        }
    }

    /** Several edits that belong together and are undone together. */
    record Together(String title, List<PlanEdit> edits) implements PlanEdit {
        public Together {
            edits = List.copyOf(edits);
        }

        @Override
        public Plan apply(Plan plan) {
            Plan next = plan;
            for (PlanEdit edit : edits) {
                next = edit.apply(next);
            }
            return next;
        }

        @Override
        public String describe(Plan before) {
            return title;
        }
    }

    private static PlacedPart find(Plan plan, String partId) {
        return plan.part(partId)
                .orElseThrow(() -> new EditRefused("The plan has no part with the id '" + partId
                        + "'; it may have been removed in another window. Load the page again."));
    }

    private static Plan change(Plan plan, String partId, UnaryOperator<PlacedPart> how) {
        find(plan, partId);
        return plan.withParts(plan.parts().stream()
                .map(p -> p.id().equals(partId) ? how.apply(p) : p)
                .toList());
    }

    private static <T> List<T> with(List<T> list, T item) {
        List<T> longer = new ArrayList<>(list);
        longer.add(item);
        return longer;
    }

    private static String nameOf(Plan plan, String partId) {
        return plan.part(partId).map(PlacedPart::name).orElse(partId);
    }

    private static String nameOfEnd(Plan plan, Target end) {
        return end.isLine() ? nameOf(plan, end.owner()) + " " + end.name() : end.name();
    }
}
