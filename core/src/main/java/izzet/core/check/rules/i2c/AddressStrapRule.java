package izzet.core.check.rules.i2c;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Reachable;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Hex;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * I3: the program speaks to another address than the part's straps give. Passes: 0x3C in both. Fails: 0x3D in the program while the
 * strap is as delivered, or 0x3E, which no strap gives.
 */
public final class AddressStrapRule implements Rule {

    @Override
    public String id() {
        return "I3";
    }

    @Override
    public String subject() {
        return "the program's addresses are the straps' addresses";
    }

    @Override
    public Trouble trouble() {
        return Trouble.WRITTEN_ADDRESS;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            Integer wanted = unit.placed().address();
            if (wanted == null
                    || unit.part().i2c() == null
                    || wanted < AddressRangeRule.FIRST
                    || wanted > AddressRangeRule.LAST) {
                continue;
            }
            findings.looked(this);
            Optional<Integer> given = circuit.addressOf(unit);
            if (given.isEmpty()) {
                findings.cannotTell(this, Place.of(unit), "the level of the address pins of " + unit.name());
            } else if (!given.get().equals(wanted) && !EightBitAddressRule.eightBit(wanted, given.get())) {
                report(circuit, findings, unit, wanted, given.get());
            }
        }
    }

    private void report(Circuit circuit, Findings findings, Unit unit, int wanted, int given) {
        Map<Integer, Reachable.Setting> reachable = Reachable.of(circuit, unit);
        boolean possible = reachable.containsKey(wanted);
        findings.of(
                        this,
                        Severity.STOP,
                        possible
                                ? "The program speaks to {part} at {wanted}, but its straps say {given}; {setting} would give {wanted}."
                                : "The program speaks to {part} at {wanted}, which no strap of it gives; they say {given}.")
                .at(Place.of(unit))
                .word("part", unit.name())
                .word("wanted", Hex.of(wanted))
                .word("given", Hex.of(given))
                .word("setting", possible ? reachable.get(wanted).label() : "")
                .figure("program", Hex.of(wanted))
                .figure(
                        "straps",
                        Hex.of(given),
                        unit.part().source(unit.part().i2c().source()))
                .figure("reachable", reachable.keySet().stream().map(Hex::of).collect(Collectors.joining(", ")))
                .formula("address = base + what each strap adds")
                .source(unit.part().source(unit.part().i2c().source()))
                .remedy("Change the number in the program, or the strap.")
                .add();
    }
}
