package izzet.core.check.rules.i2c;

import izzet.core.calc.I2cMode;
import izzet.core.calc.PullUps;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.JoinedNet;
import izzet.core.circuit.Net;
import izzet.core.plan.Bus;
import izzet.core.quantity.Quantity;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * I4: the pull-ups of each electrically joined net. Passes: two modules with 4.7 kΩ each at 100 kHz. Fails: none at all; so many that
 * an output cannot hold them low; so weak that the line rises too slowly. Data and clock with the same figures make one finding.
 */
public final class PullUpRule implements Rule {

    @Override
    public String id() {
        return "I4";
    }

    @Override
    public String subject() {
        return "pull-ups of each bus net";
    }

    @Override
    public Trouble trouble() {
        return Trouble.PULL_UPS;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        Set<Object> said = new LinkedHashSet<>();
        for (JoinedNet net : circuit.joinedNets()) {
            PullUps pullUps = net.pullUps(circuit);
            findings.looked(this);
            boolean bare = net.bare(circuit);
            if (bare) {
                if (said.add(List.of("none", net.bus().id(), net.where()))) {
                    none(circuit, findings, net);
                }
                continue;
            }
            double sinkLimit = net.sinkLimit(circuit);
            if (pullUps.sinkAmperes() > sinkLimit
                    && said.add(List.of("sink", net.bus().id(), pullUps))) {
                tooStrong(circuit, findings, net, pullUps, sinkLimit);
            }
            for (List<Net> side : net.sides()) {
                PullUps own = net.sides().size() == 1 ? pullUps : JoinedNet.pullUpsOn(circuit, side);
                // Behind a switch the trunk's pull-ups lift it, and its own would be counted there.
                if (!own.none()) {
                    rise(circuit, findings, net, own, sinkLimit, said);
                }
            }
        }
    }

    /** Data and clock may differ, and so may the channels of a bus switch. */
    private static String aspect(String what, JoinedNet net) {
        return what + "-" + net.signal().text() + "-" + net.where();
    }

    private static List<Place> places(JoinedNet net) {
        Place bus = Place.of(net.bus());
        List<Place> pins = net.sides().get(0).stream()
                .flatMap(n -> n.pins().stream())
                .map(Place::of)
                .toList();
        return pins.isEmpty() ? List.of(bus) : List.of(bus, pins.get(0));
    }

    private void none(Circuit circuit, Findings findings, JoinedNet net) {
        I2cMode mode = I2cMode.forClock(net.bus().clockHz());
        double supply = circuit.board().logicVolts();
        findings.of(this, Severity.STOP, "{bus}, {where}: no pull-up is fitted, so a line once low never rises again.")
                .aspect(aspect("none", net))
                .at(places(net))
                .word("bus", net.bus().name())
                .word("where", net.where())
                .figure("pull-ups", 0)
                .figure(
                        "smallest allowed",
                        Quantity.ohms(PullUps.minimumOhms(supply, mode.sinkAmperes())),
                        I2cMode.SOURCE)
                .figure(
                        "largest allowed",
                        Quantity.ohms(PullUps.maximumOhms(mode.riseSeconds(), net.farads(circuit))),
                        I2cMode.SOURCE)
                .formula("(VDD − 0.4 V) / I ≤ R ≤ t / (0.8473 C)")
                .source(I2cMode.SOURCE)
                .remedy("Fit 4.7 kΩ from each bus line to the supply of the bus.")
                .add();
    }

    private void tooStrong(Circuit circuit, Findings findings, JoinedNet net, PullUps pullUps, double limit) {
        findings.of(
                        this,
                        Severity.FIX,
                        "{bus}, {where}: the pull-ups together want {sink} from whoever holds the line low; {limit} are promised.")
                .aspect(aspect("sink", net))
                .at(places(net))
                .word("bus", net.bus().name())
                .word("where", net.where())
                .word("sink", Quantity.amperes(pullUps.sinkAmperes()))
                .word("limit", Quantity.amperes(limit))
                .figure("pull-ups", describe(pullUps))
                .figure("sink current", Quantity.amperes(pullUps.sinkAmperes()))
                .figure("limit", Quantity.amperes(limit), I2cMode.SOURCE)
                .figure("margin", Quantity.amperes(limit - pullUps.sinkAmperes()))
                .figure("idle level", Quantity.volts(pullUps.idleVolts()))
                .formula("Σ (Vi − 0.4 V) / Ri ≤ I")
                .source(I2cMode.SOURCE)
                .remedy("Take the pull-ups off all modules but one.")
                .add();
    }

    private void rise(
            Circuit circuit, Findings findings, JoinedNet net, PullUps pullUps, double sinkLimit, Set<Object> said) {
        Bus bus = net.bus();
        I2cMode mode = I2cMode.forClock(bus.clockHz());
        double farads = net.farads(circuit);
        double seconds = pullUps.riseSeconds(farads);
        if (seconds <= mode.riseSeconds() || !said.add(List.of("rise", bus.id(), pullUps))) {
            return;
        }
        double smallest = PullUps.minimumOhms(pullUps.idleVolts(), sinkLimit);
        double largest = PullUps.maximumOhms(mode.riseSeconds(), farads);
        findings.of(
                        this,
                        Severity.FIX,
                        smallest > largest
                                ? "{bus}, {where}: no pull-up can be right at {clock}: strong enough to rise in time is too strong to be held low."
                                : "{bus}, {where}: the lines rise in {rise}, and {mode} allows {limit}.")
                .aspect(aspect("rise", net))
                .at(places(net))
                .word("bus", bus.name())
                .word("where", net.where())
                .word("clock", Quantity.hertz(bus.clockHz()))
                .word("rise", Quantity.seconds(seconds))
                .word("mode", mode.label())
                .word("limit", Quantity.seconds(mode.riseSeconds()))
                .figure("pull-ups", describe(pullUps))
                .figure(
                        "capacitance",
                        Quantity.farads(farads),
                        circuit.plan().wires().source())
                .figure("rise 30 % to 70 %", Quantity.seconds(seconds))
                .figure("limit of " + mode.label(), Quantity.seconds(mode.riseSeconds()), I2cMode.SOURCE)
                .figure("margin", Quantity.seconds(mode.riseSeconds() - seconds))
                .figure("smallest pull-up", Quantity.ohms(smallest))
                .figure("largest pull-up", Quantity.ohms(largest))
                .formula("rise = 0.8473 R C, R all pull-ups in parallel")
                .source(I2cMode.SOURCE)
                .remedy("Run the bus slower, shorten the wires, or fit a stronger pull-up.")
                .add();
    }

    private static String describe(PullUps pullUps) {
        return pullUps.fitted().size() + ", together " + Quantity.ohms(pullUps.parallelOhms());
    }
}
