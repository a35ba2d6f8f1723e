package izzet.core.check.rules.pins;

import izzet.core.catalog.ActiveLevel;
import izzet.core.catalog.Part;
import izzet.core.catalog.Rest;
import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Net;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;

/**
 * P8: straps or strap lines of a part choose another interface than the plan uses. Passes: resistors set for serial, wired as serial.
 * Fails: resistors set for parallel, or a strap line tied to ground that must rest at the supply.
 */
public final class InterfaceStrapRule implements Rule {

    @Override
    public String id() {
        return "P8";
    }

    @Override
    public String subject() {
        return "straps choose the interface used";
    }

    @Override
    public Trouble trouble() {
        return Trouble.INTERFACE_STRAP;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            for (Part.Strap strap : unit.part().straps()) {
                Part.Strap.Setting set = circuit.settingOf(unit, strap);
                if (set.interfaceId() != null) {
                    findings.looked(this);
                }
                if (set.interfaceId() != null
                        && !set.interfaceId().equals(unit.placed().interfaceId())) {
                    findings.of(
                                    this,
                                    Severity.STOP,
                                    "{part} is set to {setting} by its {strap}, and the plan connects it as {used}.")
                            .at(Place.of(unit))
                            .word("part", unit.name())
                            .word("setting", set.name())
                            .word("strap", strap.name())
                            .word("used", unit.variant().name())
                            .remedy(
                                    "Set the strap for the interface that is wired, or wire the one that it is set for.")
                            .add();
                }
            }
        }
        for (Wire wire : circuit.wires()) {
            Rest rest = wire.rest();
            boolean strap =
                    rest != null && wire.role() == Role.CONTROL && wire.line().floats() || wire.role() == Role.RESET;
            Net net = strap ? wire.net().orElse(null) : null;
            if (net != null && !net.rails().isEmpty()) {
                findings.looked(this);
                boolean ground = net.grounded();
                boolean wrong = rest == null
                        ? ground == (wire.line().active() == ActiveLevel.LOW)
                        : ground == (rest == Rest.SUPPLY);
                if (wrong) {
                    findings.of(
                                    this,
                                    Severity.STOP,
                                    wire.role() == Role.RESET
                                            ? "{line} is tied to {rail}: the part never comes out of reset. It belongs at {rest}."
                                            : "{line} is tied to {rail}, and this interface needs it at {rest}.")
                            .at(Place.of(wire))
                            .word("line", wire.label())
                            .word("rail", net.rails().get(0).label())
                            .word("rest", ground ? "the supply" : "ground")
                            .source(unitSource(wire.unit()))
                            .remedy("Tie it to " + (ground ? "the part's supply" : "ground") + ".")
                            .add();
                }
            }
        }
    }

    private static String unitSource(Unit unit) {
        return unit.part().glass() == null
                ? null
                : unit.part().source(unit.part().glass().source());
    }
}
