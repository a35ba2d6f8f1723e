package izzet.core.check.rules.levels;

import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.DcModel;
import izzet.core.circuit.Net;
import izzet.core.quantity.Listed;
import izzet.core.quantity.Quantity;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * L9: two supplies on one rail. Passes: cells on an input of the board. Fails: a 3.3 V supply on the 3.3 V that the board's own regulator
 * makes; two supplies of different voltage joined.
 */
public final class BackFeedRule implements Rule {

    @Override
    public String id() {
        return "L9";
    }

    @Override
    public String subject() {
        return "one supply a rail";
    }

    /** Closer than this, two supplies count as the same voltage. */
    private static final double SAME_VOLTS = 0.2;

    /** What a board that runs from USB bears to get less, such as 4.5 V of cells for 5 V. */
    private static final double USB_VOLTS = 1.0;

    @Override
    public void check(Circuit circuit, Findings findings) {
        DcModel dc = circuit.dc();
        Set<Integer> seen = new LinkedHashSet<>();
        for (Rail rail : circuit.rails()) {
            int node = dc.node(DcModel.endOf(rail));
            if (node < 0 || !seen.add(node)) {
                continue;
            }
            together(circuit, findings, dc.railsAt(node), "");
        }
        for (DcModel.Element element : dc.elements()) {
            if (element instanceof DcModel.Contact contact && contact.a() != contact.b()) {
                List<Rail> both = Stream.of(contact.a(), contact.b())
                        .flatMap(node -> first(dc.railsAt(node)).stream())
                        .toList();
                if (both.size() == 2) {
                    together(circuit, findings, both, " while " + contact.unit().name() + " is closed");
                }
            }
        }
    }

    /** The rail that a place stands for: one that gives, where there is one. */
    private static Optional<Rail> first(List<Rail> rails) {
        return rails.stream().filter(Rail::gives).findFirst().or(() -> rails.stream()
                .findFirst());
    }

    /**
     * Rails that are joined.
     *
     * @param when they are; empty for always
     */
    private void together(Circuit circuit, Findings findings, List<Rail> here, String when) {
        List<Rail> giving = here.stream().filter(Rail::gives).toList();
        if (giving.stream().anyMatch(Rail::ground) && giving.stream().anyMatch(r -> !r.ground())) {
            report(circuit, findings, giving, Severity.STOP, when, "a short from supply to ground");
        } else if (giving.size() > 1) {
            judge(circuit, findings, giving, when);
        } else if (!giving.isEmpty()) {
            here.stream().filter(r -> !r.gives()).forEach(in -> input(findings, in, giving.get(0)));
        }
    }

    private void judge(Circuit circuit, Findings findings, List<Rail> giving, String when) {
        findings.looked(this);
        double most = giving.stream().mapToDouble(Rail::volts).max().orElse(0);
        double least = giving.stream().mapToDouble(Rail::volts).min().orElse(0);
        boolean outside = giving.stream().anyMatch(r -> "outside".equals(r.fedBy()));
        boolean usb = giving.stream().anyMatch(r -> "usb".equals(r.fedBy()));
        // Cells on a rail that USB may feed: fine while USB is out.
        boolean near = usb && most - least <= USB_VOLTS;
        List<Rail> fed = giving.stream().filter(r -> !r.blocksBack()).toList();
        if (fed.size() <= 1 && fed.stream().allMatch(r -> most - r.volts() <= SAME_VOLTS)) {
            // The others have a diode: they give while they are higher, and take nothing.
            giving.stream()
                    .filter(Rail::blocksBack)
                    .filter(one -> giving.stream().allMatch(Rail::ofPart) && feedsNothing(circuit, one))
                    .forEach(one -> backwards(findings, one, fed));
            return;
        }
        if (most - least > SAME_VOLTS && !near) {
            report(circuit, findings, giving, Severity.STOP, when, "the higher drives its current into the lower");
        } else if (!outside) {
            report(
                    circuit,
                    findings,
                    giving,
                    usb ? Severity.ADVISE : Severity.FIX,
                    when,
                    usb
                            ? "never plug USB in while the other feeds the rail, unless you know which gives way"
                            : "neither gives way, and the one that is off is fed backwards");
        }
    }

    /** Whether nothing hangs on a rail that takes a supply. */
    private static boolean feedsNothing(Circuit circuit, Rail rail) {
        return circuit.netOf(DcModel.endOf(rail)).map(Net::wires).orElse(List.of()).stream()
                .noneMatch(w -> w.role() == Role.SUPPLY);
    }

    private void backwards(Findings findings, Rail one, List<Rail> fed) {
        String others = fed.stream().map(Rail::label).collect(Listed.and());
        findings.of(this, Severity.FIX, "{one} leads to {others}, which is a supply itself: nothing is fed through it.")
                .aspect("backwards")
                .at(Place.rail(one.id(), one.label()))
                .word("one", one.label())
                .word("others", others)
                .remedy("Turn it round: the supply at its input, what is to be fed at its output.")
                .add();
    }

    private void report(
            Circuit circuit, Findings findings, List<Rail> giving, Severity severity, String when, String why) {
        findings.of(this, severity, "{rails} are one rail{when}: {why}.")
                .at(giving.stream().map(r -> Place.rail(r.id(), r.label())).toList())
                .word("rails", giving.stream().map(Rail::label).collect(Listed.and()))
                .word("when", when)
                .word("why", why)
                .figure(
                        "voltages",
                        giving.stream()
                                .map(r -> Quantity.volts(r.volts()).toString())
                                .collect(Collectors.joining(", ")))
                .source(circuit.board().source(giving.get(0).source()))
                .remedy(
                        giving.stream().anyMatch(Rail::ground)
                                ? "Take one of them away from there: nothing may join a supply to ground."
                                : "Feed the parts from one of them, or bring the outside supply to the board's input.")
                .add();
    }

    private void input(Findings findings, Rail in, Rail from) {
        if (in.minVolts() == null || in.maxVolts() == null) {
            return;
        }
        findings.looked(this);
        boolean over = from.volts() > in.maxVolts();
        if (over || from.volts() < in.minVolts()) {
            double limit = over ? in.maxVolts() : in.minVolts();
            findings.of(
                            this,
                            over ? Severity.STOP : Severity.FIX,
                            "{from} gives {volts} to {in}, which takes {limit} at {most}.")
                    .aspect("input")
                    .at(Place.rail(in.id(), in.label()), Place.rail(from.id(), from.label()))
                    .word("from", from.label())
                    .word("volts", Quantity.volts(from.volts()))
                    .word("in", in.label())
                    .word("limit", Quantity.volts(limit))
                    .word("most", over ? "most" : "least")
                    .compared("supply", Quantity.volts(from.volts()), Quantity.volts(limit), over, null)
                    .formula("lowest ≤ supply ≤ highest that the board's input takes")
                    .remedy("Use another supply, or another input of the board.")
                    .add();
        }
    }
}
