package izzet.core.check.rules.i2c;

import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Net;
import izzet.core.circuit.Segment;
import izzet.core.circuit.Segments;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.quantity.Hex;
import izzet.core.quantity.Listed;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * I7: parts apart only in appearance. A part on the trunk hears everything that goes to a channel of a bus switch or to a gated clock;
 * the switch itself has an address too; and both lines of a part must go to the same channel. Passes: 0x3C on channel 0 and on channel
 * 1. Fails: 0x3C on the trunk and on channel 0.
 */
public final class SegmentClashRule implements Rule {

    @Override
    public String id() {
        return "I7";
    }

    @Override
    public String subject() {
        return "bus switches and gates keep addresses apart";
    }

    private record Located(Unit unit, Segment segment, int address) {}

    @Override
    public Trouble trouble() {
        return Trouble.SEGMENT_CLASH;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        List<Located> all = new ArrayList<>();
        for (Unit unit : circuit.units()) {
            Optional<Segment> segment = circuit.segmentOf(unit);
            Optional<Integer> address = circuit.addressOf(unit);
            if (segment.isPresent() && address.isPresent()) {
                all.add(new Located(unit, segment.get(), address.get()));
            }
            crossed(circuit, findings, unit);
        }
        for (int i = 0; i < all.size(); i++) {
            for (int j = i + 1; j < all.size(); j++) {
                Located a = all.get(i);
                Located b = all.get(j);
                if (a.address() == b.address()
                        && !a.segment().equals(b.segment())
                        && a.segment().hears(b.segment())) {
                    clash(findings, a, b);
                }
            }
        }
        all.stream()
                .collect(Collectors.groupingBy(
                        l -> l.segment().bus() + " " + l.address(), LinkedHashMap::new, Collectors.toList()))
                .values()
                .forEach(same -> together(circuit, findings, same));
    }

    /** Gates that pass one clock at the same time: no setting lets one part hear it without another at its address. */
    private void together(Circuit circuit, Findings findings, List<Located> same) {
        Set<Unit> hear = new LinkedHashSet<>();
        for (Located one : same) {
            List<Unit> others = same.stream()
                    .filter(o -> !o.segment().hears(one.segment()))
                    .map(Located::unit)
                    .toList();
            boolean heard = circuit.gates().alone(one.unit(), List.of()).isPresent();
            if (heard
                    && !others.isEmpty()
                    && circuit.gates().alone(one.unit(), others).isEmpty()) {
                List<Unit> always = others.stream()
                        .filter(o ->
                                circuit.gates().alone(one.unit(), List.of(o)).isEmpty())
                        .toList();
                hear.add(one.unit());
                hear.addAll(always.isEmpty() ? others : always);
            }
        }
        if (!hear.isEmpty()) {
            report(circuit, findings, same.get(0).address(), List.copyOf(hear));
        }
    }

    private void report(Circuit circuit, Findings findings, int address, List<Unit> hear) {
        String gates = hear.stream()
                .flatMap(u -> circuit.segmentOf(u).orElseThrow().path().stream())
                .map(Segment.Hop::through)
                .filter(u -> !u.part().clockGates().isEmpty())
                .map(Unit::name)
                .distinct()
                .collect(Listed.and());
        findings.of(
                        this,
                        Severity.STOP,
                        "However {gates} is set, the clock never goes to one of {parts} alone, and all answer at {address}.")
                .aspect("together")
                .at(hear.stream().map(Place::of).toList())
                .word("gates", gates)
                .word("parts", hear.stream().map(Unit::name).collect(Listed.and()))
                .word("address", Hex.of(address))
                .figure("parts at " + Hex.of(address), hear.size())
                .figure("parts an address takes", 1)
                .formula("for each part a setting of all selects in which no other at its address hears the clock")
                .source("Function table of 74139 decoders, from memory; every setting was tried")
                .remedy(
                        "Leave an output of each half free to park the clock on, or give the selects pins of their own.")
                .add();
    }

    private void clash(Findings findings, Located a, Located b) {
        findings.of(
                        this,
                        Severity.STOP,
                        "{a} ({whereA}) and {b} ({whereB}) both answer at {address} as soon as that channel is on.")
                .at(Place.of(a.unit()), Place.of(b.unit()))
                .word("a", a.unit().name())
                .word("whereA", a.segment().label())
                .word("b", b.unit().name())
                .word("whereB", b.segment().label())
                .word("address", Hex.of(a.address()))
                .figure("address of " + a.unit().name(), Hex.of(a.address()))
                .figure("address of " + b.unit().name(), Hex.of(b.address()))
                .formula("an address may stand once on the way from the board to the end of a channel")
                .remedy("Move the part on the trunk to a channel of its own, or give it another address.")
                .add();
    }

    private void crossed(Circuit circuit, Findings findings, Unit unit) {
        Optional<String> sda = channel(circuit, unit, Role.I2C_SDA);
        Optional<String> scl = channel(circuit, unit, Role.I2C_SCL);
        if (sda.isPresent() && !sda.equals(scl)) {
            findings.of(
                            this,
                            Severity.STOP,
                            "{part} has its data on channel {sda} and its clock on {scl}: it hears half of each transfer.")
                    .at(Place.of(unit))
                    .word("part", unit.name())
                    .word("sda", sda.get())
                    .word("scl", scl.map(c -> "channel " + c).orElse("the trunk"))
                    .remedy("Put both lines on the same channel.")
                    .add();
        }
    }

    private static Optional<String> channel(Circuit circuit, Unit unit, Role role) {
        for (Wire helper :
                circuit.wire(unit, role).flatMap(Wire::net).map(Net::wires).orElse(List.of())) {
            Optional<Segments.Upstream> up =
                    helper.unit().part().busSwitch() == null ? Optional.empty() : circuit.upstream(helper);
            if (up.isPresent()) {
                return up.map(Segments.Upstream::channel);
            }
        }
        return Optional.empty();
    }
}
