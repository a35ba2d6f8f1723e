package izzet.core.check.rules.levels;

import izzet.core.catalog.Role;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Levels;
import izzet.core.circuit.Tolerances;
import izzet.core.circuit.Tolerances.Miss;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * L17: levels that are read rightly at the usual voltages, and not where two supplies stand at the ends of their tolerances. A note: most
 * benches never meet that corner. Passes: 3.3 V from a regulator into a board at 5 V from USB that wants 3.0 V. Fails: 3.3 V into an input
 * that wants 0.65 of its 5 V.
 */
public final class ToleranceRule implements Rule {

    private static final String SOURCE =
            "USB 2.0 specification, section 7.2.2: 4.75 V to 5.25 V at a port, from memory;"
                    + " common practice: 3 % for small regulators";

    @Override
    public String id() {
        return "L17";
    }

    @Override
    public String subject() {
        return "levels hold at the ends of the supplies' tolerances";
    }

    @Override
    public Trouble trouble() {
        return Trouble.LEVEL_MISS;
    }

    /** One cause: what gives the level, and whose inputs read it. */
    private record Cause(Levels.Driver driver, String receiver, boolean high) {}

    @Override
    public void check(Circuit circuit, Findings findings) {
        circuit.levels().readings().stream()
                .filter(r -> r.highMargin() != null || r.lowMargin() != null)
                .forEach(r -> findings.looked(this));
        Map<Cause, List<Miss>> causes = new LinkedHashMap<>();
        for (Miss miss : Tolerances.misses(circuit)) {
            Levels.Reading r = miss.reading();
            if (!fed(circuit, r.receiver().owner()) || !fed(circuit, r.driver().key())) {
                continue;
            }
            causes.computeIfAbsent(new Cause(r.driver(), r.receiver().owner(), miss.high()), c -> new ArrayList<>())
                    .add(miss);
        }
        causes.forEach((cause, misses) -> report(circuit, findings, cause, misses));
    }

    /** Whether a part has a supply in its range; rule L3 tells of others. */
    private static boolean fed(Circuit circuit, String owner) {
        return circuit.unit(owner).stream()
                .flatMap(u -> circuit.wiresOf(u).stream())
                .filter(w -> w.role() == Role.SUPPLY && w.leastVolts() != null && w.mostVolts() != null)
                .allMatch(w -> circuit.railVolts(w.from())
                        .filter(v -> v >= w.leastVolts() && v <= w.mostVolts())
                        .isPresent());
    }

    private void report(Circuit circuit, Findings findings, Cause cause, List<Miss> misses) {
        Miss worst =
                misses.stream().min(Comparator.comparingDouble(Miss::margin)).orElseThrow();
        Levels.Reading reading = worst.reading();
        String side = cause.high() ? "high" : "low";
        List<Place> places = misses.stream()
                .map(m -> Victims.place(circuit, m.reading().receiver()))
                .distinct()
                .toList();
        double usual = cause.high() ? reading.highMargin() : reading.lowMargin();
        findings.of(
                        this,
                        Severity.NOTE,
                        "The {side} that {driver} gives {victim} holds by {usual} at the usual voltages, and not where their supplies"
                                + " stand worst: {gives} against {needs}.")
                .seenWorking(true)
                .aspect(side + "-" + cause.driver().key() + "-" + cause.receiver())
                .at(Victims.cause(circuit, cause.driver(), reading.receiver()))
                .with(places)
                .word("side", side)
                .word("driver", cause.driver().name())
                .word("victim", reading.receiver().name())
                .word("usual", Quantity.volts(usual).inMillis())
                .word("gives", Quantity.volts(worst.gives()))
                .word("needs", Quantity.volts(worst.needs()))
                .compared(
                        side + " at " + lines(misses),
                        Quantity.volts(worst.gives()),
                        Quantity.volts(worst.needs()),
                        !cause.high(),
                        reading.receiver().source())
                .figure("supply of " + cause.driver().name() + " strays by", percent(worst.giver()), SOURCE)
                .figure("supply of " + reading.receiver().name() + " strays by", percent(worst.taker()), SOURCE)
                .formula(
                        worst.together()
                                ? "one supply feeds both: low for both, then high for both"
                                : "each supply at its own worst end")
                .source(SOURCE)
                .remedy(
                        "Where it must hold on every bench, put a level shifter between them; the chances are on the Levels page.")
                .add();
    }

    private static String lines(List<Miss> misses) {
        return misses.stream()
                .map(m -> m.reading().receiver().end().name())
                .distinct()
                .sorted()
                .collect(Collectors.joining(", "));
    }

    private static String percent(double share) {
        return Math.round(share * 100) + " %";
    }
}
