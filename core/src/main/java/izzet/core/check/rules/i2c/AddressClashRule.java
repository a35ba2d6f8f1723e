package izzet.core.check.rules.i2c;

import izzet.core.calc.I2cMode;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Segment;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Hex;
import izzet.core.quantity.Listed;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** I1: two parts on one bus segment at one address. Passes: 0x3C and 0x3D. Fails: two identical displays as delivered. */
public final class AddressClashRule implements Rule {

    @Override
    public String id() {
        return "I1";
    }

    @Override
    public String subject() {
        return "one address a part on each bus segment";
    }

    private record Door(Segment segment, int address) {}

    @Override
    public Trouble trouble() {
        return Trouble.ADDRESS_CLASH;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        Map<Door, List<Unit>> doors = new LinkedHashMap<>();
        for (Unit unit : circuit.units()) {
            Optional<Segment> segment = circuit.segmentOf(unit);
            Optional<Integer> address = circuit.addressOf(unit);
            if (segment.isPresent() && address.isPresent()) {
                doors.computeIfAbsent(new Door(segment.get(), address.get()), d -> new ArrayList<>())
                        .add(unit);
            } else if (segment.isPresent()) {
                findings.cannotTell(this, Place.of(unit), "the level of the address pins of " + unit.name());
            }
        }
        doors.forEach((door, units) -> {
            if (units.size() > 1) {
                report(circuit, findings, door, units);
            }
        });
    }

    private void report(Circuit circuit, Findings findings, Door door, List<Unit> units) {
        String bus = circuit.plan().bus(door.segment().bus()).orElseThrow().name();
        findings.of(this, Severity.STOP, "{parts} {all} answer at {address} on {bus}, {segment}.")
                .at(units.stream().map(Place::of).toList())
                .word("parts", units.stream().map(Unit::name).collect(Listed.and()))
                .word("all", units.size() == 2 ? "both" : "all")
                .word("address", Hex.of(door.address()))
                .word("bus", bus)
                .word("segment", door.segment().label())
                .figure("parts at " + Hex.of(door.address()), units.size())
                .figure("parts an address takes", 1)
                .formula("one part for each address and segment")
                .source(I2cMode.SOURCE.replace("table 10", "section 3.1"))
                .remedy("Give one of them another address, or a bus segment of its own.")
                .add();
    }
}
