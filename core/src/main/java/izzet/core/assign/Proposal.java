package izzet.core.assign;

import izzet.core.calc.PreferredValues;
import izzet.core.calc.SeriesResistor;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.Controller;
import izzet.core.catalog.Direction;
import izzet.core.catalog.DutyKind;
import izzet.core.catalog.Part;
import izzet.core.catalog.PartLine;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Rest;
import izzet.core.catalog.Role;
import izzet.core.circuit.BootLevel;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LegalPins;
import izzet.core.circuit.Reaches;
import izzet.core.circuit.SideEffects;
import izzet.core.circuit.Unit;
import izzet.core.circuit.Wire;
import izzet.core.plan.Bus;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * A first proposal for lines that are not connected: supplies, ties, bus lines, then the rest on free pins, cheapest first. What is
 * connected already stays. Immutable.
 *
 * @param edit connects everything that could be connected
 * @param left lines that no free pin can serve
 */
public record Proposal(PlanEdit edit, List<Wire> left) {

    /** Contrast by a fixed resistor to ground, until a potentiometer is fitted. Common practice. */
    private static final double CONTRAST_OHMS = 1000;

    private static final double PULL_OHMS = 10_000;

    private static final int I2C_HZ = 100_000;
    private static final int SPI_HZ = 4_000_000;

    private static final double PICTURES = 60;
    private static final double USUAL_PIXELS = 525 * 286;

    public Proposal {
        left = List.copyOf(left);
    }

    /** For all parts of a plan. */
    public static Proposal of(Plan plan, Catalog catalog) {
        return of(plan, catalog, u -> true);
    }

    /** For one part of a plan. */
    public static Proposal of(Plan plan, Catalog catalog, String partId) {
        return of(plan, catalog, u -> u.id().equals(partId));
    }

    /** Buses, supplies and ties of all parts, and no pins: what an assignment of pins starts from. */
    public static PlanEdit withoutPins(Plan plan, Catalog catalog) {
        Maker maker = new Maker(plan, catalog);
        maker.buses(u -> true);
        maker.pinless = true;
        maker.fixed(u -> true);
        return new PlanEdit.Together("connected supplies", maker.edits);
    }

    private static Proposal of(Plan plan, Catalog catalog, Predicate<Unit> which) {
        Maker maker = new Maker(plan, catalog);
        maker.buses(which);
        maker.fixed(which);
        List<Wire> left = maker.free(which);
        String names = new Circuit(plan, catalog)
                .units().stream().filter(which).map(Unit::name).collect(Collectors.joining(", "));
        return new Proposal(new PlanEdit.Together("connected " + names + " as proposed", maker.edits), left);
    }

    /** Collects edits and always looks at the plan as they leave it. Not thread-safe; one per proposal. */
    private static final class Maker {
        private final Catalog catalog;
        private final List<PlanEdit> edits = new ArrayList<>();
        private Plan plan;
        private boolean pinless;

        Maker(Plan plan, Catalog catalog) {
            this.plan = plan;
            this.catalog = catalog;
        }

        private void take(PlanEdit edit) {
            edits.add(edit);
            plan = edit.apply(plan);
        }

        private void connect(Wire wire, Target to) {
            take(new PlanEdit.Connect(wire.from(), to));
        }

        private Circuit circuit() {
            return new Circuit(plan, catalog);
        }

        private List<Wire> open(Predicate<Unit> which) {
            Circuit circuit = circuit();
            return circuit.wires().stream()
                    .filter(w -> which.test(w.unit()) && !w.connected())
                    .filter(w -> w.net().isEmpty())
                    .filter(w -> w.line().required()
                            || w.role() == Role.LAMP
                            || w.role() == Role.RETURN
                            || w.role() == Role.TERMINAL && w.rest() != null)
                    .toList();
        }

        void buses(Predicate<Unit> which) {
            for (Unit unit : circuit().units()) {
                BusKind kind = unit.variant().bus();
                if (kind == null || unit.placed().bus() != null || !which.test(unit)) {
                    continue;
                }
                Optional<Bus> present = plan.buses().stream()
                        .filter(b -> b.kind() == kind && mayJoin(unit, b))
                        .findFirst();
                Bus bus = present.orElseGet(() -> newBus(kind, unit));
                if (present.isEmpty()) {
                    take(new PlanEdit.PutBus(bus));
                }
                take(new PlanEdit.SetPartBus(unit.id(), bus.id()));
            }
        }

        /** A serial part without a select wants a bus of its own. */
        private boolean mayJoin(Unit unit, Bus bus) {
            List<Unit> there = circuit().units().stream()
                    .filter(u -> bus.id().equals(u.placed().bus()))
                    .toList();
            return there.isEmpty() || !listensAlways(unit) && there.stream().noneMatch(Maker::listensAlways);
        }

        private static boolean listensAlways(Unit unit) {
            return unit.part().spi() != null && unit.part().spi().listensAlways();
        }

        private Bus newBus(BusKind kind, Unit unit) {
            Circuit circuit = circuit();
            Optional<Controller> controller = circuit.board().controllersOf(kind).stream()
                    .filter(c -> plan.buses().stream().noneMatch(b -> c.id().equals(b.controller())))
                    .filter(c -> circuit.board().pins().stream()
                            .anyMatch(p -> p.duty(DutyKind.RESERVED).isEmpty()
                                    && p.functions().stream().anyMatch(f -> c.id().equals(f.controller()))))
                    .findFirst();
            int most = Math.min(
                    limit(unit, kind), controller.map(Controller::maxHz).orElse(Integer.MAX_VALUE));
            return new Bus(
                    plan.freeId(kind.text()),
                    kind,
                    kind.busName(),
                    controller.map(Controller::id).orElse(null),
                    Math.min(most, usual(unit, kind)));
        }

        private static int usual(Unit unit, BusKind kind) {
            if (kind == BusKind.RGB) {
                return (int)
                        (unit.part().pixelBus() == null
                                ? USUAL_PIXELS * PICTURES
                                : unit.part().pixelBus().hertz(PICTURES));
            }
            return kind == BusKind.I2C ? I2C_HZ : SPI_HZ;
        }

        private static int limit(Unit unit, BusKind kind) {
            return switch (kind) {
                case I2C ->
                    unit.part().i2c() == null
                            ? Integer.MAX_VALUE
                            : unit.part().i2c().maxHz();
                case SPI ->
                    unit.part().spi() == null
                            ? Integer.MAX_VALUE
                            : unit.part().spi().maxWriteHz();
                default -> Integer.MAX_VALUE;
            };
        }

        /** Everything whose place follows from what it is. */
        void fixed(Predicate<Unit> which) {
            for (Wire wire : open(which)) {
                if (wire.role() == Role.SUPPLY) {
                    supplyRail(circuit(), wire).ifPresent(rail -> connect(wire, Target.rail(rail.id())));
                } else if (wire.role() == Role.GROUND || wire.role() == Role.RETURN) {
                    connect(wire, Target.rail(circuit().board().ground().id()));
                }
            }
            for (Wire wire : open(which)) {
                Circuit circuit = circuit();
                if (wire.role() == Role.CONTRAST) {
                    take(new PlanEdit.Connect(new Connection(
                            wire.from(), Target.rail(circuit.board().ground().id()), CONTRAST_OHMS, null)));
                } else if (wire.role() == Role.LAMP && !wire.line().required()) {
                    backlight(circuit, wire);
                } else if (wire.rest() != null) {
                    restRail(circuit, wire).ifPresent(rail -> connect(wire, Target.rail(rail.id())));
                } else if (wire.role().bus() && !pinless) {
                    busPin(circuit, wire).ifPresent(pin -> connect(wire, Target.pin(pin.id())));
                } else if (wire.role() == Role.GATE_CLOCK && !pinless) {
                    clockPin(circuit, wire).ifPresent(pin -> connect(wire, Target.pin(pin.id())));
                }
            }
        }

        private void backlight(Circuit circuit, Wire wire) {
            circuit.wire(wire.unit(), Role.SUPPLY)
                    .flatMap(s -> s.net())
                    .flatMap(n -> n.rail())
                    .filter(rail -> rail.volts() > wire.line().lamp().forwardVolts())
                    .ifPresent(rail -> take(new PlanEdit.Connect(new Connection(
                            wire.from(),
                            Target.rail(
                                    wire.unit().part().cathode(wire.line().id())
                                            ? circuit.board().ground().id()
                                            : rail.id()),
                            resistor(wire, rail.volts(), wire.line().lamp().typicalMilliamps()),
                            null))));
        }

        /** Lines that any suitable free pin can take. */
        List<Wire> free(Predicate<Unit> which) {
            Circuit circuit = circuit();
            List<Pin> pins = circuit.freePins();
            Map<Pin, Integer> index = new HashMap<>();
            pins.forEach(p -> index.put(p, index.size()));
            List<Wire> wishes = new ArrayList<>();
            List<Wire> followers = new ArrayList<>();
            Set<String> asked = new HashSet<>();
            for (Wire wire : open(which)) {
                if (LegalPins.wantsPin(wire)) {
                    // The same line of one bus has one pin, whoever hangs on it.
                    boolean first =
                            !wire.role().bus() || asked.add(wire.unit().placed().bus() + " " + wire.busSignal());
                    (first ? wishes : followers).add(wire);
                }
            }
            List<int[]> options = wishes.stream()
                    .map(wire -> LegalPins.of(circuit, wire).stream()
                            .filter(index::containsKey)
                            .filter(p -> !BootLevel.kills(circuit, wire, p))
                            .sorted(Comparator.comparing((Pin p) -> restless(circuit, wire, p))
                                    .thenComparingInt(p -> PinCost.of(wire, p)))
                            .mapToInt(index::get)
                            .toArray())
                    .toList();
            int[] given = Matching.of(options, pins.size());
            Set<String> channels = new HashSet<>();
            List<Wire> left = new ArrayList<>();
            for (int i = 0; i < given.length; i++) {
                Wire wire = wishes.get(i);
                boolean second = given[i] >= 0
                        && wire.capability().equals(PinFunction.PWM)
                        && SideEffects.pwmChannel(pins.get(given[i]))
                                .filter(c -> !channels.add(c))
                                .isPresent();
                if (given[i] < 0 || second) {
                    left.add(wire);
                } else {
                    Pin pin = pins.get(given[i]);
                    take(new PlanEdit.Connect(pinConnection(circuit, wire, pin)));
                    if (restless(circuit, wire, pin)) {
                        rest(circuit, wire, pin);
                    }
                }
            }
            for (Wire wire : followers) {
                Optional<Pin> pin = busPin(circuit(), wire);
                pin.ifPresent(p -> connect(wire, Target.pin(p.id())));
                if (pin.isEmpty()) {
                    left.add(wire);
                }
            }
            return left;
        }

        static Connection pinConnection(Circuit circuit, Wire wire, Pin pin) {
            PartLine.Lamp lamp = wire.line().lamp();
            Double series = null;
            if (lamp != null && circuit.board().logicVolts() > lamp.forwardVolts()) {
                double milliamps = Math.min(
                        lamp.typicalMilliamps(), circuit.board().current().perPinMilliamps());
                series = resistor(wire, circuit.board().logicVolts(), milliamps);
            }
            boolean has = contact(wire)
                    && circuit.board().pullOhms(pin, !closesToSupply(wire)).isPresent();
            String pull = !has ? null : closesToSupply(wire) ? Connection.INTERNAL_DOWN : Connection.INTERNAL_UP;
            return new Connection(wire.from(), Target.pin(pin.id()), series, pull);
        }

        /** A switch rests at a level only with a resistor; what is measured must have none that bends it. */
        private static boolean contact(Wire wire) {
            return wire.role() == Role.SIGNAL
                    && wire.line().direction() == Direction.PASSIVE
                    && !wire.capability().equals(PinFunction.ANALOG_IN);
        }

        private static boolean closesToSupply(Wire wire) {
            return wire.unit().variant().rests().containsValue(Rest.SUPPLY);
        }

        /** Whether a contact would rest at no level on a pin, because the chip has no resistor there. */
        private static boolean restless(Circuit circuit, Wire wire, Pin pin) {
            return contact(wire)
                    && !pin.can(PinFunction.BOARD_RESET)
                    && circuit.board().pullOhms(pin, !closesToSupply(wire)).isEmpty();
        }

        /** A resistor of the plan where the chip has none. */
        private void rest(Circuit circuit, Wire wire, Pin pin) {
            Optional<Rail> rail = closesToSupply(wire)
                    ? Optional.of(circuit.board().ground())
                    : circuit.board().rails().stream()
                            .filter(r ->
                                    r.gives() && r.volts() == circuit.board().logicVolts())
                            .findFirst();
            rail.ifPresent(r -> take(new PlanEdit.AddResistor(
                    new Resistor(plan.freeId("r"), Target.pin(pin.id()), Target.rail(r.id()), PULL_OHMS))));
        }

        private static Double resistor(Wire wire, double volts, double milliamps) {
            return SeriesResistor.forLamp(
                            volts,
                            wire.line().lamp().forwardVolts(),
                            wire.line().lamp().typicalMilliamps() / 1000,
                            milliamps / 1000,
                            PreferredValues.E12)
                    .ohms();
        }
    }

    /** The wire of a line to a pin, with what it needs on the way: a lamp's resistor, the board's pull-up for a button. */
    static Connection pinConnection(Circuit circuit, Wire wire, Pin pin) {
        return Maker.pinConnection(circuit, wire, pin);
    }

    /** The rail that suits a supply line best: the board's logic voltage where it may, else the nearest that may. */
    public static Optional<Rail> supplyRail(Circuit circuit, Wire wire) {
        Part.Supply supply = wire.unit().part().supply();
        PartLine line = wire.line();
        if (line.minVolts() != null) {
            return suitable(circuit, line.minVolts(), line.maxVolts()).max(Comparator.comparingDouble(Rail::volts));
        }
        if (supply == null) {
            return Optional.empty();
        }
        double logic = circuit.board().logicVolts();
        return suitable(circuit, supply.minVolts(), supply.maxVolts())
                .min(Comparator.comparingDouble(r -> Math.abs(r.volts() - logic)));
    }

    private static java.util.stream.Stream<Rail> suitable(Circuit circuit, double min, double max) {
        return circuit.board().rails().stream()
                .filter(r -> r.gives() && !r.ground() && r.volts() >= min && r.volts() <= max);
    }

    /** Where a line that must not float rests: ground, or the rail that feeds its part. */
    public static Optional<Rail> restRail(Circuit circuit, Wire wire) {
        if (wire.rest() == Rest.SUPPLY) {
            return circuit.wire(wire.unit(), Role.SUPPLY).isPresent()
                    ? circuit.wire(wire.unit(), Role.SUPPLY).flatMap(s -> circuit.rail(s.from()))
                    : circuit.board().rails().stream()
                            .filter(r ->
                                    r.gives() && r.volts() == circuit.board().logicVolts())
                            .findFirst();
        }
        return Optional.of(circuit.board().ground());
    }

    /** The pin of a bus line: where the bus has it already, else the controller's, else none. */
    public static Optional<Pin> busPin(Circuit circuit, Wire wire) {
        String busId = wire.unit().placed().bus();
        Optional<Pin> present = circuit.wires().stream()
                .filter(w -> w.connected() && w.busSignal().equals(wire.busSignal()) && busId != null)
                .filter(w -> busId.equals(w.unit().placed().bus()))
                .flatMap(w -> circuit.reach(w.from()).stream())
                .map(Reaches.Reach::pin)
                .findFirst();
        Optional<Bus> bus = circuit.busOf(wire.unit());
        if (present.isPresent() || bus.isEmpty() || bus.get().bitBanged()) {
            return present;
        }
        return LegalPins.of(circuit, wire).stream()
                .filter(p -> circuit.usersOf(p).isEmpty())
                .findFirst();
    }

    private static Optional<Pin> clockPin(Circuit circuit, Wire wire) {
        String busId = wire.unit().placed().bus();
        return circuit.wires().stream()
                .filter(w -> w.role() == Role.I2C_SCL && busId != null)
                .filter(w -> busId.equals(w.unit().placed().bus()))
                .flatMap(w -> circuit.reach(w.from()).stream())
                .map(Reaches.Reach::pin)
                .findFirst();
    }
}
