package izzet.core.check.rules.pins;

import izzet.core.catalog.Board;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Controller;
import izzet.core.catalog.DutyKind;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.circuit.Circuit;
import izzet.core.quantity.Listed;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * P10: a bus controller that the plan takes the pins of, and where such a bus can be had instead. A note, for kinds of bus that the plan
 * does not use. Passes: a lamp beside a free bus. Tells: a panel whose pixel bus lies on the pins of the 2-wire bus.
 */
public final class BlockedControllerRule implements Rule {

    private static final Map<BusKind, List<String>> SIGNALS =
            Map.of(BusKind.I2C, List.of("sda", "scl"), BusKind.SPI, List.of("sck", "mosi"));

    @Override
    public String id() {
        return "P10";
    }

    @Override
    public String subject() {
        return "buses left for later";
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        if (circuit.units().isEmpty()) {
            return;
        }
        for (BusKind kind : List.of(BusKind.I2C, BusKind.SPI)) {
            boolean used = circuit.units().stream()
                    .flatMap(u -> circuit.busOf(u).stream())
                    .anyMatch(b -> b.kind() == kind);
            List<Controller> had = circuit.board().controllersOf(kind).stream()
                    .filter(c -> available(
                            circuit.board(), c, p -> p.duty(DutyKind.RESERVED).isEmpty()))
                    .toList();
            if (used || had.isEmpty()) {
                continue;
            }
            List<Pin> free = circuit.freePins();
            Map<Boolean, List<Controller>> left =
                    had.stream().collect(Collectors.partitioningBy(c -> available(circuit.board(), c, free::contains)));
            findings.looked(this);
            if (!left.get(false).isEmpty()) {
                long open = free.stream()
                        .filter(p -> p.can(PinFunction.DIGITAL_IN) && p.can(PinFunction.DIGITAL_OUT))
                        .count();
                report(circuit, findings, kind, left.get(false), left.get(true), open);
            }
        }
    }

    private static boolean available(Board board, Controller controller, Predicate<Pin> usable) {
        List<String> signals = SIGNALS.get(controller.kind());
        List<Pin> pins = board.signalPins().stream().filter(usable).toList();
        if (controller.anyPin()) {
            return pins.stream().filter(p -> p.can(PinFunction.DIGITAL_OUT)).count() >= signals.size();
        }
        List<Set<Optional<String>>> sets = signals.stream()
                .map(signal -> pins.stream()
                        .flatMap(p -> p.signalOf(controller.id(), signal).stream())
                        .map(f -> Optional.ofNullable(controller.mixesPinSets() ? null : f.set()))
                        .collect(Collectors.toSet()))
                .toList();
        return sets.get(0).stream().anyMatch(set -> sets.stream().allMatch(s -> s.contains(set)));
    }

    private void report(
            Circuit circuit,
            Findings findings,
            BusKind kind,
            List<Controller> blocked,
            List<Controller> left,
            long free) {
        List<Pin> taken = circuit.board().signalPins().stream()
                .filter(p -> !circuit.usersOf(p).isEmpty())
                .filter(p -> blocked.stream().anyMatch(c -> serves(p, c)))
                .toList();
        String instead = !left.isEmpty()
                ? left.stream().map(Controller::name).collect(Listed.and()) + " is still free"
                : free >= SIGNALS.get(kind).size()
                        ? "a program can still make one on any of " + free + " free pins"
                        : "there is no place left for one";
        String names = blocked.stream().map(Controller::name).collect(Listed.and());
        findings.of(this, Severity.NOTE, "The plan takes the pins of the board's {controllers}: {instead}.")
                .aspect(kind.text())
                .at(new Place("plan", kind.text(), "the " + kind.wording()))
                .with(taken.stream().map(p -> Place.of(p)).toList())
                .word("controllers", names)
                .word("instead", instead)
                .figure(
                        "pins taken",
                        taken.stream()
                                .map(p -> p.label() + " by "
                                        + circuit.usersOf(p).get(0).label())
                                .collect(Collectors.joining(", ")))
                .figure("pins free for it", free)
                .source(blocked.stream()
                        .map(c -> circuit.board().source(c.source()))
                        .filter(Objects::nonNull)
                        .findFirst()
                        .orElse(null))
                .remedy("Nothing to do while no part wants that bus; move these lines before one does.")
                .add();
    }

    private static boolean serves(Pin pin, Controller controller) {
        return SIGNALS.get(controller.kind()).stream()
                .anyMatch(s -> pin.signalOf(controller.id(), s).isPresent());
    }
}
