package izzet.core.check.rules.i2c;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Hex;

/**
 * I9: a part that also obeys the general call, or one with an address of ten bits. Notes: both may share a bus with all others. Passes: a
 * display at 0x3C. Tells: a converter that a general call resets.
 */
public final class SpecialAddressRule implements Rule {

    private static final String SOURCE =
            "I2C-bus specification UM10204, general call address and 10-bit addressing; from memory";

    @Override
    public String id() {
        return "I9";
    }

    @Override
    public String subject() {
        return "general call and addresses of ten bits";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (Unit unit : circuit.units()) {
            if (circuit.addressOf(unit).isEmpty()) {
                continue;
            }
            findings.looked(this);
            if (unit.part().i2c().obeysGeneralCall()) {
                findings.of(
                                this,
                                Severity.NOTE,
                                "{part} also answers at 0x00, the general call: a scan that starts there finds it twice, and 0x06 sent there resets it.")
                        .aspect("general call")
                        .at(Place.of(unit))
                        .word("part", unit.name())
                        .figure("general call", Hex.of(0))
                        .source(unit.part().source(unit.part().i2c().source()))
                        .remedy("Scan from 0x08 on, and send nothing to 0x00 unless all its listeners are meant.")
                        .add();
            }
            int address = circuit.addressOf(unit).get();
            if (unit.part().i2c().tenBits()) {
                findings.of(
                                this,
                                Severity.NOTE,
                                "{part} has an address of ten bits, {address}: two bytes are sent for it, and libraries must be told so.")
                        .aspect("ten bits")
                        .at(Place.of(unit))
                        .word("part", unit.name())
                        .word("address", Hex.of(address))
                        .figure("address", Hex.of(address))
                        .figure("first byte", "11110, two bits of the address, read/write", SOURCE)
                        .source(SOURCE)
                        .remedy("See that the board's controller and the library know addresses of ten bits.")
                        .add();
            }
        }
    }
}
