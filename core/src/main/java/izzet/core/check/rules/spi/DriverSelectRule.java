package izzet.core.check.rules.spi;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import java.util.List;
import java.util.stream.Collectors;

/**
 * S6: on a board whose system drives the serial bus, a select that is not one of the controller's own. A note: the system's driver has to
 * be told. Passes: a panel on the controller's first select. Tells: one on any other pin.
 */
public final class DriverSelectRule implements Rule {

    private static final String SOURCE =
            "Linux kernel, device-tree binding of SPI controllers (spi-controller.yaml), property cs-gpios; from memory";

    @Override
    public String id() {
        return "S6";
    }

    @Override
    public String subject() {
        return "selects that the system's driver knows";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        if (!circuit.board().runsSystem()) {
            return;
        }
        for (Wire wire : circuit.wires()) {
            Bus bus = circuit.busOf(wire.unit()).orElse(null);
            if (wire.role() != Role.SELECT || bus == null || bus.kind() != BusKind.SPI || bus.bitBanged()) {
                continue;
            }
            List<Pin> pins = circuit.pinsUnder(wire);
            List<Pin> own = circuit.board().signalPins().stream()
                    .filter(p -> selects(p, bus.controller()))
                    .toList();
            if (pins.isEmpty() || own.isEmpty()) {
                continue;
            }
            findings.looked(this);
            if (pins.stream().noneMatch(own::contains)) {
                report(findings, wire, pins.get(0), own, bus);
            }
        }
    }

    private static boolean selects(Pin pin, String controller) {
        return pin.functions().stream()
                .anyMatch(f -> controller.equals(f.controller()) && f.signal().startsWith("ce"));
    }

    private void report(Findings findings, Wire wire, Pin pin, List<Pin> own, Bus bus) {
        String known = own.stream().map(Pin::label).collect(Collectors.joining(", "));
        findings.of(
                        this,
                        Severity.NOTE,
                        "{line} is on pin {pin}; the system's driver of {bus} knows {known} as selects.")
                .at(Place.of(wire), Place.of(pin))
                .word("line", wire.label())
                .word("pin", pin.label())
                .word("bus", bus.name())
                .word("known", known)
                .figure("selects of the controller", known)
                .source(SOURCE)
                .remedy("Name the pin as a select in the system's settings, use "
                        + own.get(0).label() + ", or let the program move it.")
                .add();
    }
}
