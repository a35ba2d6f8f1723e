package izzet.core.check.rules.i2c;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Hex;

/**
 * I11: the program writes the address with the read/write bit, as some data sheets print it: twice the number of seven bits. Passes: 0x27.
 * Fails: 0x4E for a part at 0x27, 0x78 for one at 0x3C.
 */
public final class EightBitAddressRule implements Rule {

    private static final String SOURCE =
            "I2C-bus specification and user manual UM10204, section 3.1.10: seven bits and the read/write bit; from memory";

    @Override
    public String id() {
        return "I11";
    }

    @Override
    public String subject() {
        return "addresses written with seven bits";
    }

    /** Whether a number in a program is the part's address with the read/write bit. */
    static boolean eightBit(int written, int given) {
        return written >> 1 == given && written != given;
    }

    @Override
    public Trouble trouble() {
        return Trouble.WRITTEN_ADDRESS;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            Integer written = unit.placed().address();
            if (written == null || unit.part().i2c() == null) {
                continue;
            }
            findings.looked(this);
            circuit.addressOf(unit).filter(given -> eightBit(written, given)).ifPresent(given -> findings.of(
                            this,
                            Severity.STOP,
                            "The program writes {written} for {part}: that is {given} with the read/write bit. Programs want {given}.")
                    .at(Place.of(unit))
                    .word("written", Hex.of(written))
                    .word("part", unit.name())
                    .word("given", Hex.of(given))
                    .figure("program", Hex.of(written))
                    .figure(
                            "straps",
                            Hex.of(given),
                            unit.part().source(unit.part().i2c().source()))
                    .formula("8 bits = 2 × address + read/write bit")
                    .source(SOURCE)
                    .remedy("Write " + Hex.of(given) + " in the program.")
                    .add());
        }
    }
}
