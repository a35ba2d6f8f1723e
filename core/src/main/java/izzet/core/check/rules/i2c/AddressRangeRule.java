package izzet.core.check.rules.i2c;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * I2: an address outside the usable range. Passes: 0x3C. Fails: 0x78, which is what 0x3C looks like with the read/write bit, and 0x03,
 * which is reserved.
 */
public final class AddressRangeRule implements Rule {

    public static final int FIRST = 0x08;
    public static final int LAST = 0x77;
    private static final String SOURCE =
            "I2C-bus specification and user manual UM10204, section 3.1.12 (from memory); Linux kernel 6.1, I2C core";

    @Override
    public String id() {
        return "I2";
    }

    @Override
    public String subject() {
        return "addresses within 0x08 to 0x77";
    }

    @Override
    public Trouble trouble() {
        return Trouble.WRITTEN_ADDRESS;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            // Ten bits are rule I9's.
            if (unit.part().i2c() == null || unit.part().i2c().tenBits()) {
                continue;
            }
            List<Integer> used = new ArrayList<>();
            Optional<Integer> given = circuit.addressOf(unit);
            given.ifPresent(used::add);
            Integer written = unit.placed().address();
            // With the read/write bit it is rule I11's.
            if (written != null
                    && given.filter(g -> EightBitAddressRule.eightBit(written, g))
                            .isEmpty()) {
                used.add(written);
            }
            if (!used.isEmpty()) {
                findings.looked(this);
            }
            used.stream().filter(a -> a < FIRST || a > LAST).findFirst().ifPresent(a -> report(findings, unit, a));
        }
    }

    private void report(Findings findings, Unit unit, int address) {
        boolean eightBits = address > LAST && address <= 0xFF && address / 2 >= FIRST;
        findings.of(
                        this,
                        Severity.STOP,
                        eightBits
                                ? "{part} is written as {address}, which is no 7-bit address; with the read/write bit taken off it is {half}."
                                : "{part} is written as {address}, which is reserved or no 7-bit address.")
                .at(Place.of(unit))
                .word("part", unit.name())
                .word("address", Hex.of(address))
                .word("half", Hex.of(address / 2))
                .figure("address", Hex.of(address))
                .figure("usable", Hex.of(FIRST) + " to " + Hex.of(LAST) + ", 112 addresses", SOURCE)
                .formula("0x08 ≤ address ≤ 0x77")
                .source(SOURCE)
                .remedy(
                        eightBits
                                ? "Write " + Hex.of(address / 2) + " in the program."
                                : "Use an address in the range.")
                .add();
    }
}
