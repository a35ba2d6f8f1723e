package izzet.core.check.rules.pins;

import izzet.core.catalog.Controller;
import izzet.core.catalog.Pin;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.quantity.Listed;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * P5: the lines of one bus are spread over different pins or pin sets. Passes: all data lines on one pin. Fails: one display's data on
 * pin 6 and the other's on pin 7 of the same bit-banged bus.
 */
public final class BusPinsRule implements Rule {

    @Override
    public String id() {
        return "P5";
    }

    @Override
    public String subject() {
        return "each bus on one set of pins";
    }

    @Override
    public Trouble trouble() {
        return Trouble.SPREAD_BUS;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Bus bus : circuit.plan().buses()) {
            Map<String, Set<Pin>> pins = new LinkedHashMap<>();
            for (Wire wire : circuit.wires()) {
                if (bus.id().equals(wire.unit().placed().bus())
                        && wire.busSignal().isPresent()) {
                    circuit.pinsUnder(wire)
                            .forEach(p -> pins.computeIfAbsent(wire.busSignal().get(), s -> new LinkedHashSet<>())
                                    .add(p));
                }
            }
            pins.forEach((signal, on) -> {
                if (on.size() > 1) {
                    spread(findings, bus, signal, on);
                }
            });
            if (!pins.isEmpty()) {
                findings.looked(this);
            }
            mixed(circuit, findings, bus, pins);
            crossed(circuit, findings, bus, pins);
        }
    }

    private void spread(Findings findings, Bus bus, String signal, Set<Pin> on) {
        String names = on.stream().map(Pin::label).collect(Listed.and());
        findings.of(this, Severity.STOP, "The {signal} line of {bus} is on pins {pins}; one bus has one.")
                .aspect(signal)
                .at(Place.of(bus))
                .at(on.stream().map(Place::of).toList())
                .word("signal", signal)
                .word("bus", bus.name())
                .word("pins", names)
                .remedy("Bring all lines of the signal to one pin, or set up a second bus.")
                .add();
    }

    /** A controller that takes any pin, with one line on the pin where programs expect the other. */
    private void crossed(Circuit circuit, Findings findings, Bus bus, Map<String, Set<Pin>> pins) {
        boolean any = !bus.bitBanged()
                && circuit.board()
                        .controller(bus.controller())
                        .filter(Controller::anyPin)
                        .isPresent();
        if (!any) {
            return;
        }
        pins.forEach((signal, on) -> {
            on.stream()
                    .filter(p -> p.signalOf(bus.controller(), signal).isEmpty() && expected(p, bus) != null)
                    .findFirst()
                    .ifPresent(p -> findings.of(
                                    this,
                                    Severity.ADVISE,
                                    "The {signal} line of {bus} is on pin {pin}, where programs expect {other}: it works only if the program names both pins.")
                            .aspect("crossed-" + signal)
                            .at(Place.of(bus), Place.of(p))
                            .word("signal", signal)
                            .word("bus", bus.name())
                            .word("pin", p.label())
                            .word("other", expected(p, bus))
                            .remedy("Exchange the two wires, or write both pins in the program.")
                            .add());
        });
    }

    /** The data or clock signal that programs expect on a pin; null for none. */
    private static String expected(Pin pin, Bus bus) {
        return List.of("sda", "scl", "sck", "mosi", "miso").stream()
                .filter(s -> pin.signalOf(bus.controller(), s).isPresent())
                .findFirst()
                .orElse(null);
    }

    private void mixed(Circuit circuit, Findings findings, Bus bus, Map<String, Set<Pin>> pins) {
        Controller controller = bus.bitBanged()
                ? null
                : circuit.board().controller(bus.controller()).orElse(null);
        if (controller == null || controller.mixesPinSets()) {
            return;
        }
        Set<String> sets = new LinkedHashSet<>();
        pins.forEach((signal, on) -> on.forEach(p -> p.signalOf(bus.controller(), signal)
                .filter(f -> f.set() != null)
                .ifPresent(f -> sets.add(f.set()))));
        if (sets.size() > 1) {
            findings.of(
                            this,
                            Severity.STOP,
                            "{bus} mixes the pin sets {sets} of its controller, which this board forbids.")
                    .at(Place.of(bus))
                    .word("bus", bus.name())
                    .word("sets", sets.stream().collect(Listed.and()))
                    .source(circuit.board().source(controller.source()))
                    .remedy("Bring all its lines to one set.")
                    .add();
        }
    }
}
