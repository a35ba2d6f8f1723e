package izzet.core.buses;

import izzet.core.calc.PullUps;
import izzet.core.catalog.Part;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.JoinedNet;
import izzet.core.circuit.Net;
import izzet.core.circuit.Segment;
import izzet.core.circuit.Unit;
import izzet.core.plan.Target;
import izzet.core.quantity.Listed;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A bus switch tried by hand, with some of its channels on.
 *
 * @param open numbers of the channels that are on
 * @param channels what hangs on each
 * @param clashes parts that would answer together, by address
 * @param sink that whoever holds the joined data line low must take, in amperes; {@code sinkLimit} what is promised
 */
public record SwitchBench(
        Unit unit,
        Set<Integer> open,
        List<Channel> channels,
        Map<Integer, List<Unit>> clashes,
        double sink,
        double sinkLimit) {

    /**
     * Its reset or one of its address pins.
     *
     * @param place that it is connected to, in words of the board; empty for nothing
     * @param high its level there; null where a pin of the board decides, or nothing does
     */
    public record Pin(String line, boolean reset, String place, Boolean high) {
        /** Whether it lies open, which is no level. */
        public boolean open() {
            return place.isEmpty();
        }
    }

    /** One bit a channel, as the kernel's driver for such switches writes it. */
    public static final String SOURCE =
            "Linux kernel 6.1, drivers/i2c/muxes/i2c-mux-pca954x.c: one bit for each channel of a switch";

    /** @param nested switches among the parts */
    public record Channel(int number, boolean on, List<Unit> units, List<Unit> nested) {}

    /** Switches on 2-wire buses, in the order of the plan. */
    public static List<Unit> switches(Circuit circuit) {
        return circuit.units().stream()
                .filter(u -> u.part().busSwitch() != null && u.placed().bus() != null)
                .toList();
    }

    public static SwitchBench of(Circuit circuit, Unit unit, Set<Integer> open) {
        Part.BusSwitch sw = unit.part().busSwitch();
        List<Channel> channels = new ArrayList<>();
        Segment own = circuit.segmentOf(unit).orElse(new Segment(unit.placed().bus(), List.of()));
        Map<Integer, Set<Unit>> byAddress = new LinkedHashMap<>();
        for (Unit other : circuit.units()) {
            circuit.segmentOf(other)
                    .filter(s -> s.hears(own) && s.path().size() <= own.path().size())
                    .ifPresent(s -> add(circuit, byAddress, other));
        }
        for (int i = 0; i < sw.channels().size(); i++) {
            int number = i;
            List<Unit> here = circuit.units().stream()
                    .filter(u -> circuit.segmentOf(u)
                            .filter(s -> s.path().size() == own.path().size() + 1 && leads(s, unit, number))
                            .isPresent())
                    .toList();
            channels.add(new Channel(
                    i,
                    open.contains(i),
                    here,
                    here.stream().filter(u -> u.part().busSwitch() != null).toList()));
            if (open.contains(i)) {
                here.forEach(u -> add(circuit, byAddress, u));
            }
        }
        Map<Integer, List<Unit>> clashes = new LinkedHashMap<>();
        byAddress.forEach((address, units) -> {
            if (units.size() > 1) {
                clashes.put(address, List.copyOf(units));
            }
        });
        return new SwitchBench(
                unit, Set.copyOf(open), channels, clashes, sink(circuit, unit, open), limit(circuit, unit));
    }

    /** Its reset and its address pins, in their order. */
    public List<Pin> pins(Circuit circuit) {
        return unit.part().lines().stream()
                .filter(l -> l.role() == Role.RESET || l.role() == Role.ADDRESS)
                .map(l -> pin(circuit, l.id(), l.role() == Role.RESET))
                .toList();
    }

    private Pin pin(Circuit circuit, String line, boolean reset) {
        Target end = Target.line(unit.id(), line);
        Optional<Rail> rail = circuit.rail(end);
        Optional<String> pin = circuit.netOf(end).stream()
                .flatMap(n -> n.pins().stream())
                .map(p -> "pin " + p.label())
                .findFirst();
        String other = circuit.netOf(end).isPresent() ? "another part" : "";
        return new Pin(
                line,
                reset,
                rail.map(r -> r.label()).or(() -> pin).orElse(other),
                rail.map(r -> !r.ground()).orElse(null));
    }

    private static boolean leads(Segment segment, Unit unit, int channel) {
        Segment.Hop last = segment.path().get(segment.path().size() - 1);
        return last.through().id().equals(unit.id()) && last.channel().equals(String.valueOf(channel));
    }

    private static void add(Circuit circuit, Map<Integer, Set<Unit>> byAddress, Unit unit) {
        circuit.addressOf(unit)
                .ifPresent(a ->
                        byAddress.computeIfAbsent(a, x -> new LinkedHashSet<>()).add(unit));
    }

    /** Of the data line: the pull-ups of the trunk and of all channels that are on act together. */
    private static double sink(Circuit circuit, Unit unit, Set<Integer> open) {
        Set<Net> nets = new LinkedHashSet<>();
        circuit.wire(unit, Role.I2C_SDA).flatMap(w -> w.net()).ifPresent(nets::add);
        List<Part.BusSwitch.Channel> channels = unit.part().busSwitch().channels();
        for (int i : open) {
            if (i >= 0 && i < channels.size()) {
                circuit.netOf(Target.line(unit.id(), channels.get(i).sda())).ifPresent(nets::add);
            }
        }
        PullUps all = JoinedNet.pullUpsOn(circuit, List.copyOf(nets));
        return all.sinkAmperes();
    }

    private static double limit(Circuit circuit, Unit unit) {
        return circuit.joinedNets().stream()
                .filter(n -> n.bus().id().equals(unit.placed().bus()))
                .mapToDouble(n -> n.sinkLimit(circuit))
                .min()
                .orElse(Double.MAX_VALUE);
    }

    /** The byte to write to it for these channels. */
    public int value() {
        return open.stream().mapToInt(i -> 1 << i).sum();
    }

    public boolean tooStrong() {
        return sink > sinkLimit;
    }

    /** "Platform 1 sign and Platform 2 sign". */
    public static String names(List<Unit> units) {
        return units.stream().map(Unit::name).collect(Listed.and());
    }
}
