package izzet.app.plan;

import izzet.app.catalog.Shelf;
import izzet.app.fault.WrongField;
import izzet.core.assign.Proposal;
import izzet.core.check.Checker;
import izzet.core.check.Report;
import izzet.core.circuit.Circuit;
import izzet.core.edit.BoardChoice;
import izzet.core.edit.BusEdits;
import izzet.core.edit.LineEdits;
import izzet.core.edit.PartAddition;
import izzet.core.edit.PartChange;
import izzet.core.plan.Cable;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import izzet.core.quantity.Hex;
import izzet.core.quantity.Quantity;
import izzet.core.quantity.Unit;
import izzet.core.repair.Repair;
import izzet.core.repair.Repairs;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Every change of a plan that a page makes. Each form says which version it was made on, and where to return to. */
@Controller
class EditController {

    private static final String STRAP = "strap.";

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
        return edit(id, version, here, plan -> BoardChoice.of(plan, shelf.catalog(), board));
    }

    @PostMapping("/plans/{id}/parts/add")
    String add(
            @PathVariable long id,
            @RequestParam long version,
            @RequestParam String here,
            @RequestParam String part,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(name = "interface", defaultValue = "") String variant) {
        return edit(id, version, here, plan -> PartAddition.of(plan, shelf.catalog(), part, name, variant));
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
        Map<String, String> straps = form.entrySet().stream()
                .filter(e -> e.getKey().startsWith(STRAP))
                .collect(Collectors.toMap(e -> e.getKey().substring(STRAP.length()), Map.Entry::getValue));
        PartChange change =
                new PartChange(form.get("name"), form.get("interface"), straps, address(form.get("address")));
        return edit(id, version, here, plan -> change.of(plan, shelf.catalog(), part));
    }

    /** @return null where the form has no such field, empty where nothing stands in it */
    private static Optional<Integer> address(String text) {
        if (text == null) {
            return null;
        }
        if (text.isBlank()) {
            return Optional.empty();
        }
        return Optional.of(Hex.parse(text)
                .filter(a -> a <= 0x3FF)
                .orElseThrow(() -> new WrongField(
                        "address",
                        "Address: '" + text + "' is no address; write it as 0x3C, or leave the field empty.")));
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
        if (to.isBlank()) {
            return edit(id, version, here, plan -> new PlanEdit.Disconnect(line));
        }
        Optional<Double> series = ohms == null
                ? null
                : Optional.ofNullable(resistance("Series resistor of " + line.owner() + " " + line.name(), ohms));
        Optional<String> own = asksPull ? Optional.ofNullable(pull).filter(p -> !p.isBlank()) : null;
        return edit(id, version, here, plan -> LineEdits.tie(plan, line, Target.of(to), series, own));
    }

    /** A resistor into the wire of a line, or another value in place of the one that is there. */
    @PostMapping("/plans/{id}/series")
    String series(
            @PathVariable long id,
            @RequestParam long version,
            @RequestParam String here,
            @RequestParam String from,
            @RequestParam String ohms) {
        Target end = Target.of(from);
        Double value = resistance("Series resistor of " + end.owner() + " " + end.name(), ohms);
        if (value == null) {
            throw new WrongField("ohms", "The resistor needs a value; write 220 or 4k7.");
        }
        return edit(id, version, here, plan -> LineEdits.inSeries(plan, end, value));
    }

    /** Locks a line where it is, or unlocks it. */
    @PostMapping("/plans/{id}/lock")
    String lock(
            @PathVariable long id, @RequestParam long version, @RequestParam String here, @RequestParam String from) {
        return edit(id, version, here, plan -> LineEdits.lock(plan, Target.of(from)));
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
        String chosen = controller.isBlank() ? null : controller;
        return edit(id, version, here, plan -> BusEdits.move(plan, shelf.catalog(), bus, chosen));
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

    /** Another value for a resistor that is there. */
    @PostMapping("/plans/{id}/resistors/{resistor}/ohms")
    String setResistor(
            @PathVariable long id,
            @PathVariable String resistor,
            @RequestParam long version,
            @RequestParam String here,
            @RequestParam String ohms) {
        Double value = resistance("Resistor " + resistor, ohms);
        if (value == null) {
            throw new WrongField("ohms", "The resistor needs a value; write 4k7 or 10k.");
        }
        return edit(id, version, here, p -> new PlanEdit.SetResistor(resistor, value));
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
        int hertz = hertz(number("clockHz", "Clock of " + bus, clockHz, "hertz, such as 400000"));
        return edit(id, version, here, plan -> BusEdits.clock(plan, bus, hertz));
    }

    /** The clock of one part alone on a serial bus; an empty field goes back to that of the bus. */
    @PostMapping("/plans/{id}/parts/{part}/clock")
    String ownClock(
            @PathVariable long id,
            @PathVariable String part,
            @RequestParam long version,
            @RequestParam String here,
            @RequestParam(defaultValue = "") String clockHz) {
        Integer hertz = clockHz.isBlank()
                ? null
                : (Integer) hertz(number("clockHz", "Clock of " + part, clockHz, "hertz, such as 10000000"));
        return edit(id, version, here, plan -> BusEdits.ownClock(plan, part, hertz));
    }

    private static int hertz(double wanted) {
        return (int) Math.round(Math.max(0, Math.min(wanted, Integer.MAX_VALUE)));
    }

    /** Clock of a bus and length of the wires, as they were tried out together. */
    @PostMapping("/plans/{id}/buses/{bus}/run")
    String run(
            @PathVariable long id,
            @PathVariable String bus,
            @RequestParam long version,
            @RequestParam String here,
            @RequestParam String clockHz,
            @RequestParam String centimetres,
            @RequestParam(defaultValue = "") String cable) {
        int hertz = (int) number("clockHz", "Clock of " + bus, clockHz, "hertz, such as 400000");
        double length = number("centimetres", "Length of the wires", centimetres, "centimetres, such as 20");
        return edit(id, version, here, plan -> BusEdits.run(plan, bus, hertz, length, cable(cable)));
    }

    /** A part goes to another address by its straps and address pins. */
    @PostMapping("/plans/{id}/parts/{part}/address")
    String address(
            @PathVariable long id,
            @PathVariable String part,
            @RequestParam long version,
            @RequestParam String here,
            @RequestParam int address) {
        return edit(id, version, here, plan -> BusEdits.address(plan, shelf.catalog(), part, address));
    }

    @PostMapping("/plans/{id}/wire")
    String wire(
            @PathVariable long id,
            @RequestParam long version,
            @RequestParam String here,
            @RequestParam String centimetres,
            @RequestParam(defaultValue = "") String cable) {
        double length = number("centimetres", "Length of the wires", centimetres, "centimetres, such as 20");
        return edit(id, version, here, p -> new PlanEdit.SetWire(length, cable(cable)));
    }

    /** Null for as it is. */
    private static Cable cable(String text) {
        return text.isBlank() ? null : Cable.of(text);
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
