package izzet.core.check.rules.display;

import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Listed;
import java.util.List;
import java.util.stream.Collectors;

/**
 * D6: displays behind a bus switch or gated clock: each must be chosen and set up by itself. A note. Passes: displays on the trunk.
 */
public final class ChannelSetUpRule implements Rule {

    @Override
    public String id() {
        return "D6";
    }

    @Override
    public String subject() {
        return "displays behind switches are set up one by one";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        List<Unit> behind = circuit.units().stream()
                .filter(u -> u.part().glass() != null)
                .filter(u -> circuit.segmentOf(u).filter(s -> !s.trunk()).isPresent())
                .toList();
        if (behind.isEmpty()) {
            return;
        }
        findings.looked(this);
        findings.of(
                        this,
                        Severity.NOTE,
                        "{parts} {lie} behind a switch or gate: the program must choose {way} and set up {each} by itself.")
                .at(new Place("plan", "channels", "the channels"))
                .with(behind.stream().map(u -> Place.of(u)).toList())
                .word("parts", behind.stream().map(Unit::name).collect(Listed.and()))
                .word("lie", behind.size() == 1 ? "lies" : "lie")
                .word("way", behind.size() == 1 ? "its channel" : "the channel of each")
                .word("each", behind.size() == 1 ? "it" : "each")
                .figure(
                        "places",
                        behind.stream()
                                .map(u -> circuit.segmentOf(u).orElseThrow().label())
                                .collect(Collectors.joining(", ")))
                .remedy("Choose its channel, then start each display as if it were alone.")
                .add();
    }
}
