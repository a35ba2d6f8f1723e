package izzet.core.buses;

import izzet.core.catalog.BusKind;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Reachable;
import izzet.core.circuit.Segment;
import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * The addresses of one segment of a 2-wire bus, each a house.
 *
 * @param houses those that somebody lives in or could move to, by address
 * @param undecided parts here whose address is not known yet
 */
public record Street(Bus bus, Segment segment, Map<Integer, House> houses, List<Unit> undecided) {

    /** The usable ones; those below and above are reserved. UM10204, section 3.1.12; from memory. */
    public static final int FIRST = 0x08;

    public static final int LAST = 0x77;

    /**
     * One address.
     *
     * @param dwellers who answer here on this very segment
     * @param guests who answer here, too, from the way to it: the trunk is heard on every channel
     * @param doors parts of this segment that their pads could bring here
     */
    public record House(int address, List<Unit> dwellers, List<Unit> guests, List<Unit> doors) {

        public boolean clash() {
            return dwellers.size() + guests.size() > 1 && !dwellers.isEmpty();
        }

        public boolean reserved() {
            return address < FIRST || address > LAST;
        }

        public boolean empty() {
            return dwellers.isEmpty() && guests.isEmpty();
        }
    }

    /** All streets of a plan: of each bus its trunk, then what is behind switches and gates, in the order of the parts. */
    public static List<Street> of(Circuit circuit) {
        List<Street> streets = new ArrayList<>();
        for (Bus bus : circuit.plan().buses()) {
            if (bus.kind() == BusKind.I2C) {
                Set<Segment> segments = new LinkedHashSet<>();
                segments.add(new Segment(bus.id(), List.of()));
                circuit.units().forEach(u -> circuit.segmentOf(u)
                        .filter(s -> s.bus().equals(bus.id()))
                        .ifPresent(segments::add));
                segments.forEach(s -> streets.add(street(circuit, bus, s)));
            }
        }
        return streets;
    }

    private static Street street(Circuit circuit, Bus bus, Segment segment) {
        Map<Integer, House> houses = new TreeMap<>();
        List<Unit> undecided = new ArrayList<>();
        for (Unit unit : circuit.units()) {
            Segment at = circuit.segmentOf(unit).orElse(null);
            if (at == null
                    || !at.hears(segment)
                    || at.path().size() > segment.path().size()) {
                continue;
            }
            boolean here = at.equals(segment);
            circuit.addressOf(unit)
                    .ifPresentOrElse(
                            address -> {
                                House house = house(houses, address);
                                (here ? house.dwellers() : house.guests()).add(unit);
                            },
                            () -> {
                                if (here) {
                                    undecided.add(unit);
                                }
                            });
            unit.part().i2c().alsoAt().forEach(address -> {
                House house = house(houses, address);
                (here ? house.dwellers() : house.guests()).add(unit);
            });
            if (here) {
                Reachable.of(circuit, unit).keySet().stream()
                        .filter(a -> !circuit.addressOf(unit).equals(Optional.of(a)))
                        .forEach(a -> house(houses, a).doors().add(unit));
            }
        }
        return new Street(bus, segment, houses, undecided);
    }

    private static House house(Map<Integer, House> houses, int address) {
        return houses.computeIfAbsent(
                address, a -> new House(a, new ArrayList<>(), new ArrayList<>(), new ArrayList<>()));
    }

    public House at(int address) {
        return houses.getOrDefault(address, new House(address, List.of(), List.of(), List.of()));
    }

    /** "trunk", "channel 2 of Sign switch". */
    public String label() {
        return segment.label();
    }
}
