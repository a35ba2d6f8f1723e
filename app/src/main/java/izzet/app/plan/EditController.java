package izzet.app.plan;

import izzet.app.catalog.Shelf;
import izzet.app.fault.WrongField;
import izzet.core.assign.Proposal;
import izzet.core.catalog.Part;
import izzet.core.check.Checker;
import izzet.core.check.Report;
import izzet.core.circuit.Circuit;
import izzet.core.plan.Bus;
import izzet.core.plan.Connection;
import izzet.core.plan.LooseEnds;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import izzet.core.quantity.Hex;
import izzet.core.quantity.Quantity;
import izzet.core.quantity.Unit;
import izzet.core.repair.Repair;
import izzet.core.repair.Repairs;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Every change of a plan that a page makes. Each form says which version it was made on, and where to return to. */
@Controller
class EditController {

    private final PlanStore plans;
    private final Shelf shelf;
    private final Checker checker;
    private final Repairs repairs;

    EditController(PlanStore plans, Shelf shelf, Checker checker, Repairs repairs) {
        this.plans = plans;
        this.shelf = shelf;
        this.checker = checker;
        this.repairs = repairs;
    }

    private String edit(long id, long version, String here, Function<Plan, PlanEdit> edit) {
        plans.apply(id, version, edit.apply(plans.get(id).plan()));
        return PlansController.back(here);
    }

    @PostMapping("/plans/{id}/rename")
    String rename(
            @PathVariable long id, @RequestParam long version, @RequestParam String here, @RequestParam String name) {
        return edit(id, version, here, p -> new PlanEdit.Rename(name.strip()));
    }

    @PostMapping("/plans/{id}/board")
    String board(
            @PathVariable long id, @RequestParam long version, @RequestParam String here, @RequestParam String board) {
        return edit(id, version, here, plan -> {
            PlanEdit choose = new PlanEdit.ChooseBoard(board);
            if (shelf.catalog().board(board).isEmpty()) {
                throw new PlanEdit.EditRefused("The catalogue has no board '" + board + "'.");
            }
            PlanEdit connect = Proposal.of(choose.apply(plan), shelf.catalog()).edit();
            String title =
                    "chose the " + shelf.catalog().board(board).orElseThrow().name();
            return new PlanEdit.Together(title, List.of(choose, connect));
        });
    }

    @PostMapping("/plans/{id}/parts/add")
    String add(
            @PathVariable long id,
            @RequestParam long version,
            @RequestParam String here,
            @RequestParam String part,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(name = "interface", defaultValue = "") String variant) {
        return edit(id, version, here, plan -> addition(plan, part, name, variant));
    }

    private PlanEdit addition(Plan plan, String partId, String name, String variant) {
        Part part = shelf.catalog()
                .part(partId)
                .orElseThrow(() -> new PlanEdit.EditRefused("The catalogue has no part '" + partId + "'."));
        String label = name.isBlank() ? freeName(plan, part) : name.strip();
        String stem =
                label.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^[^a-z]+|-+$", "");
        String id = plan.freeId(
                stem.isEmpty()
                        ? "part"
                        : stem.substring(0, Math.min(24, stem.length())).replaceAll("-+$", ""));
        String chosen =
                part.interfaceOf(variant).orElse(part.interfaces().get(0)).id();
        PlanEdit add = new PlanEdit.AddPart(
                new PlacedPart(id, part.id(), part.version(), label, chosen, Map.of(), null, null));
        PlanEdit connect = Proposal.of(add.apply(plan), shelf.catalog(), id).edit();
        return new PlanEdit.Together("added " + label, List.of(add, connect));
    }

    private static String freeName(Plan plan, Part part) {
        String base = Character.toUpperCase(part.shortName().charAt(0))
                + part.shortName().substring(1);
        String name = base;
        for (int i = 2; taken(plan, name); i++) {
            name = base + " " + i;
        }
        return name;
    }

    private static boolean taken(Plan plan, String name) {
        return plan.parts().stream().anyMatch(p -> p.name().equals(name));
    }

    @PostMapping("/plans/{id}/parts/{part}/remove")
    String remove(
            @PathVariable long id, @PathVariable String part, @RequestParam long version, @RequestParam String here) {
        return edit(id, version, here, p -> new PlanEdit.RemovePart(part));
    }

    @PostMapping("/plans/{id}/parts/{part}/connect")
    String connectProposed(
            @PathVariable long id, @PathVariable String part, @RequestParam long version, @RequestParam String here) {
        return edit(
                id, version, here, p -> Proposal.of(p, shelf.catalog(), part).edit());
    }

    /** Name, interface, straps and address of one part in one form. */
    @PostMapping("/plans/{id}/parts/{part}")
    String change(
            @PathVariable long id,
            @PathVariable String part,
            @RequestParam long version,
            @RequestParam String here,
            @RequestParam Map<String, String> form) {
        return edit(id, version, here, plan -> {
            PlacedPart placed = plan.part(part)
                    .orElseThrow(() -> new PlanEdit.EditRefused("The plan has no part '" + part + "' any more."));
            List<PlanEdit> edits = new ArrayList<>();
            String name = form.getOrDefault("name", placed.name()).strip();
            if (!name.equals(placed.name())) {
                edits.add(new PlanEdit.RenamePart(part, name));
            }
            String variant = form.getOrDefault("interface", placed.interfaceId());
            if (!variant.equals(placed.interfaceId())) {
                edits.addAll(otherInterface(plan, placed, variant));
            }
            form.forEach((key, value) -> {
                if (key.startsWith("strap.") && !value.equals(placed.straps().get(key.substring(6)))) {
                    edits.add(new PlanEdit.SetStrap(part, key.substring(6), value));
                }
            });
            if (form.containsKey("address")) {
                edits.add(new PlanEdit.SetAddress(part, address(form.get("address"))));
            }
            return edits.size() == 1 ? edits.get(0) : new PlanEdit.Together("changed " + name, edits);
        });
    }

    private static Integer address(String text) {
        if (text.isBlank()) {
            return null;
        }
        Optional<Integer> value = Hex.parse(text).filter(a -> a <= 0x3FF);
        return value.orElseThrow(() -> new WrongField(
                "address", "Address: '" + text + "' is no address; write it as 0x3C, or leave the field empty."));
    }

    /** Wires of lines that the other variant lacks come off; lines that it adds are proposed. */
    private List<PlanEdit> otherInterface(Plan plan, PlacedPart placed, String variant) {
        Part part = shelf.catalog().part(placed.part(), placed.partVersion()).orElseThrow();
        if (part.interfaceOf(variant).isEmpty()) {
            throw new PlanEdit.EditRefused("The part has no interface '" + variant + "'.");
        }
        List<PlanEdit> edits = new ArrayList<>(List.of(new PlanEdit.ChooseInterface(placed.id(), variant)));
        edits.addAll(LooseEnds.of(edits.get(0).apply(plan), shelf.catalog()));
        Plan changed = new PlanEdit.Together("", edits).apply(plan);
        edits.add(Proposal.of(changed, shelf.catalog(), placed.id()).edit());
        return edits;
    }

    /** Moves a line: to a pin, a rail or another part's line; an empty target takes it off. */
    @PostMapping("/plans/{id}/connect")
    String connect(
            @PathVariable long id,
            @RequestParam long version,
            @RequestParam String here,
            @RequestParam String from,
            @RequestParam String to,
            @RequestParam(required = false) String ohms,
            @RequestParam(defaultValue = "false") boolean asksPull,
            @RequestParam(required = false) String pull) {
        Target line = Target.of(from);
        return edit(id, version, here, plan -> {
            if (to.isBlank()) {
                return new PlanEdit.Disconnect(line);
            }
            Optional<Connection> old = plan.connection(line);
            Double series = ohms == null
                    ? old.map(Connection::seriesOhms).orElse(null)
                    : resistance("Series resistor of " + line.owner() + " " + line.name(), ohms);
            String pulled =
                    !asksPull ? old.map(Connection::pull).orElse(null) : pull == null || pull.isBlank() ? null : pull;
            Boolean locked = old.map(Connection::locked).orElse(null);
            return new PlanEdit.Connect(new Connection(line, Target.of(to), series, pulled, locked));
        });
    }

    /** Locks a line where it is, or unlocks it. */
    @PostMapping("/plans/{id}/lock")
    String lock(
            @PathVariable long id, @RequestParam long version, @RequestParam String here, @RequestParam String from) {
        return edit(id, version, here, plan -> {
            Connection wire = wire(plan, from);
            String done = (wire.staysPut() ? "unlocked " : "locked ") + from;
            return new PlanEdit.Together(done, List.of(new PlanEdit.Connect(wire.withLock(!wire.staysPut()))));
        });
    }

    private static Connection wire(Plan plan, String from) {
        return plan.connection(Target.of(from))
                .orElseThrow(() -> new PlanEdit.EditRefused("'" + from + "' is not connected; connect it first."));
    }

    /** Two lines change places. */
    @PostMapping("/plans/{id}/swap")
    String swap(
            @PathVariable long id,
            @RequestParam long version,
            @RequestParam String here,
            @RequestParam String a,
            @RequestParam String b) {
        return edit(id, version, here, plan -> new PlanEdit.Swap(Target.of(a), Target.of(b)));
    }

    /** A whole bus goes to another controller: its lines come off their pins and are proposed anew there. */
    @PostMapping("/plans/{id}/buses/{bus}/move")
    String moveBus(
            @PathVariable long id,
            @PathVariable String bus,
            @RequestParam long version,
            @RequestParam String here,
            @RequestParam(defaultValue = "") String controller) {
        return edit(id, version, here, plan -> {
            Bus old = plan.bus(bus).orElseThrow(() -> new PlanEdit.EditRefused("The plan has no bus '" + bus + "'."));
            String chosen = controller.isBlank() ? null : controller;
            List<PlanEdit> edits = new ArrayList<>();
            edits.add(new PlanEdit.PutBus(new Bus(old.id(), old.kind(), old.name(), chosen, old.clockHz())));
            Circuit circuit = new Circuit(plan, shelf.catalog());
            circuit.wires().stream()
                    .filter(w ->
                            bus.equals(w.unit().placed().bus()) && w.busSignal().isPresent())
                    .filter(w -> w.to().filter(Target::isPin).isPresent())
                    .forEach(w -> edits.add(new PlanEdit.Disconnect(w.from())));
            Plan freed = new PlanEdit.Together("", edits).apply(plan);
            edits.add(Proposal.of(freed, shelf.catalog()).edit());
            return new PlanEdit.Together("moved " + old.name(), edits);
        });
    }

    @PostMapping("/plans/{id}/resistors")
    String addResistor(
            @PathVariable long id,
            @RequestParam long version,
            @RequestParam String here,
            @RequestParam String from,
            @RequestParam String to,
            @RequestParam String ohms) {
        Double value = resistance("Resistor from " + Target.of(from).name(), ohms);
        if (value == null) {
            throw new WrongField(
                    "ohms", "The resistor from " + Target.of(from).name() + " needs a value; write 4k7 or 10k.");
        }
        return edit(
                id,
                version,
                here,
                p -> new PlanEdit.AddResistor(
                        new Resistor(p.freeId("r-by-hand"), Target.of(from), Target.of(to), value)));
    }

    @PostMapping("/plans/{id}/resistors/{resistor}/remove")
    String removeResistor(
            @PathVariable long id,
            @PathVariable String resistor,
            @RequestParam long version,
            @RequestParam String here) {
        return edit(id, version, here, p -> new PlanEdit.RemoveResistor(resistor));
    }

    private static Double resistance(String where, String text) {
        if (text.isBlank()) {
            return null;
        }
        return Quantity.parse(text, Unit.OHM)
                .orElseThrow(() ->
                        new WrongField("ohms", where + ": '" + text + "' is no resistance; write 220, 4k7 or 10k."))
                .value();
    }

    @PostMapping("/plans/{id}/buses/{bus}")
    String bus(
            @PathVariable long id,
            @PathVariable String bus,
            @RequestParam long version,
            @RequestParam String here,
            @RequestParam String clockHz) {
        double wanted = number("clockHz", "Clock of " + bus, clockHz, "hertz, such as 400000");
        int hertz = (int) Math.round(Math.max(0, Math.min(wanted, Integer.MAX_VALUE)));
        return edit(id, version, here, plan -> {
            Bus old = plan.bus(bus).orElseThrow(() -> new PlanEdit.EditRefused("The plan has no bus '" + bus + "'."));
            return new PlanEdit.PutBus(new Bus(old.id(), old.kind(), old.name(), old.controller(), hertz));
        });
    }

    @PostMapping("/plans/{id}/wire")
    String wire(
            @PathVariable long id,
            @RequestParam long version,
            @RequestParam String here,
            @RequestParam String centimetres) {
        double length = number("centimetres", "Length of the wires", centimetres, "centimetres, such as 20");
        return edit(id, version, here, p -> new PlanEdit.SetWire(length));
    }

    private static double number(String field, String where, String text, String unit) {
        try {
            return Double.parseDouble(text.strip().replace(',', '.'));
        } catch (NumberFormatException e) {
            throw new WrongField(field, where + ": '" + text + "' is no number; write it in " + unit + ".");
        }
    }

    /** A system's or a program's serial console is off, or on again. */
    @PostMapping("/plans/{id}/console")
    String console(
            @PathVariable long id,
            @RequestParam long version,
            @RequestParam String here,
            @RequestParam(defaultValue = "false") boolean off) {
        return edit(id, version, here, p -> new PlanEdit.SetConsole(off));
    }

    @PostMapping("/plans/{id}/repairs/{repair}")
    String repair(
            @PathVariable long id, @PathVariable String repair, @RequestParam long version, @RequestParam String here) {
        return edit(id, version, here, plan -> findRepair(plan, repair).edit());
    }

    private Repair findRepair(Plan plan, String repair) {
        Circuit circuit = new Circuit(plan, shelf.catalog());
        Report report = checker.check(circuit);
        return repairs.find(circuit, report, repair)
                .orElseThrow(
                        () -> new PlanEdit.EditRefused(
                                "This repair no longer helps the plan; the finding may be gone already. Look at the findings again."));
    }
}
