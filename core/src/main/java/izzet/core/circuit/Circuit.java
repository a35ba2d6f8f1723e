package izzet.core.circuit;

import izzet.core.catalog.Board;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.DutyKind;
import izzet.core.catalog.First;
import izzet.core.catalog.Part;
import izzet.core.catalog.PartLine;
import izzet.core.catalog.Pin;
import izzet.core.catalog.PinFunction;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.plan.Bus;
import izzet.core.plan.Connection;
import izzet.core.plan.Plan;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * What a plan means electrically: its nets, supplies, addresses and bus segments, derived once and shared by all rules. Immutable
 * after construction. Safe to share.
 */
public final class Circuit {

    /** Of a resistor in a supply's wire that does not change which supply it is. */
    private static final double SMALL_OHMS = 100;

    /** Share of a rail that a resistor may take without the levels of its part being other ones: as much as supplies stray; common practice. */
    private static final double SMALL_LOSS = 0.1;

    private final Plan plan;
    private final Catalog catalog;
    private final Board board;
    private final Map<String, Unit> units = new LinkedHashMap<>();
    private final List<Wire> wires = new ArrayList<>();
    private final Map<String, List<Wire>> wiresOf = new HashMap<>();
    private final Map<Target, Wire> wireAt = new LinkedHashMap<>();
    private final Nets nets;
    private final List<Connection> connections;
    private final List<Connection> small;
    private final List<Resistor> resistors;
    private final Map<Target, Optional<Rail>> railOf = new ConcurrentHashMap<>();
    private final Map<String, Optional<Double>> mainVoltsOf = new ConcurrentHashMap<>();
    private final Shifters shifters = new Shifters(this);
    private final Addresses addresses = new Addresses(this);
    private final Segments segments = new Segments(this);
    private final Reaches reaches = new Reaches(this);
    private final Gates gates = new Gates(this);
    private final Leads leads;
    private volatile DcModel dc;
    private volatile Levels levels;
    private volatile Supplies supplies;
    private volatile List<JoinedNet> joined;
    private volatile List<LampCurrents.Lit> lamps;

    /** @throws IllegalArgumentException when the plan refers to things that do not exist; see PlanChecks */
    public Circuit(Plan plan, Catalog catalog) {
        this(plan, catalog, Map.of());
    }

    /** @param gives voltages of supply outputs of parts that are not at their usual one */
    private Circuit(Plan plan, Catalog catalog, Map<Target, Double> gives) {
        this.plan = plan;
        this.catalog = catalog;
        Board shelved = catalog.board(plan.board(), plan.boardVersion())
                .orElseThrow(() -> new IllegalArgumentException("no board '" + plan.board() + "'"));
        this.board = plan.consoleFree() ? shelved.withoutConsole() : shelved;
        for (var placed : plan.parts()) {
            Part part = catalog.part(placed.part(), placed.partVersion())
                    .orElseThrow(() -> new IllegalArgumentException("no part '" + placed.part() + "'"));
            Unit unit = new Unit(placed, part);
            units.put(placed.id(), unit);
            for (PartLine line : part.linesOf(placed.interfaceId())) {
                Target end = Target.line(unit.id(), line.id());
                wireAt.put(end, new Wire(wireAt.size(), unit, line, null, gives.getOrDefault(end, line.givesVolts())));
            }
        }
        for (Connection c : plan.connections()) {
            if (!gone(c.from()) && !gone(c.to())) {
                wireAt.computeIfPresent(c.from(), (end, w) -> w.connected() ? w : w.with(c));
            }
        }
        wires.addAll(wireAt.values());
        units.keySet().forEach(id -> wiresOf.put(id, new ArrayList<>()));
        wires.forEach(w -> wiresOf.get(w.unit().id()).add(w));
        this.connections = plan.connections().stream()
                .filter(c -> !gone(c.from()) && !gone(c.to()))
                .toList();
        this.small = connections.stream()
                .filter(c -> c.seriesOhms() != null && c.seriesOhms() <= SMALL_OHMS)
                .toList();
        this.resistors = plan.resistors().stream()
                .filter(r -> !gone(r.from()) && !gone(r.to()))
                .toList();
        this.nets = new Nets(board, wireAt, connections, resistors);
        wires.forEach(w -> w.in(nets.netOf(w.number()), nets.node(w.number())));
        leads = new Leads(this, nets);
    }

    /** The same circuit while a supply output of a part gives another voltage, as cells do that are fresh or nearly empty. */
    public Circuit giving(Target output, double volts) {
        return new Circuit(plan, catalog, Map.of(output, volts));
    }

    /** A line that the part does not have in its interface of now. */
    private boolean gone(Target end) {
        return end.isLine() && !wireAt.containsKey(end);
    }

    /** The board's rails, then the outputs of parts that give a supply. */
    public List<Rail> rails() {
        List<Rail> all = new ArrayList<>(board.rails());
        wires.forEach(w -> w.source().ifPresent(all::add));
        return all;
    }

    public Plan plan() {
        return plan;
    }

    public Catalog catalog() {
        return catalog;
    }

    public Board board() {
        return board;
    }

    /** In the order of the plan. */
    public Collection<Unit> units() {
        return units.values();
    }

    public Optional<Unit> unit(String id) {
        return Optional.ofNullable(units.get(id));
    }

    /** Every line of every part in its interface variant, in the order of the plan. */
    public List<Wire> wires() {
        return wires;
    }

    public List<Wire> wiresOf(Unit unit) {
        return wiresOf.get(unit.id());
    }

    public Optional<Wire> wire(Target from) {
        return Optional.ofNullable(wireAt.get(from));
    }

    public Optional<Wire> wire(Unit unit, Role role) {
        for (Wire wire : wiresOf.get(unit.id())) {
            if (wire.role() == role) {
                return Optional.of(wire);
            }
        }
        return Optional.empty();
    }

    /** Those of the plan whose both ends exist. */
    public List<Resistor> resistors() {
        return resistors;
    }

    public List<Net> nets() {
        return nets.nets();
    }

    Nets conductors() {
        return nets;
    }

    /** Wires of the plan whose both ends exist. */
    public List<Connection> connections() {
        return connections;
    }

    /** Empty for a line, pin or rail that nothing is connected to. */
    public Optional<Net> netOf(Target end) {
        return nets.netOf(end);
    }

    public Optional<Net> netOf(Pin pin) {
        return netOf(Target.pin(pin.id()));
    }

    /** Lines joined to a pin by wires alone. */
    public List<Wire> usersOf(Pin pin) {
        return netOf(pin).map(Net::wires).orElse(List.of());
    }

    /** Lines joined to a pin by wires and level shifters. */
    public List<Wire> linesOn(Pin pin) {
        return shifters.linesOn(pin);
    }

    /** The pins that a line is joined to by wires and level shifters. */
    public List<Pin> pinsUnder(Wire wire) {
        return shifters.pinsUnder(wire);
    }

    /**
     * The lines that a wire speaks for: itself, or for a shifter's line towards the board those on its far side. Empty for a shifter's line
     * with nothing there, and for one whose other side is nearer to the board.
     */
    public List<Wire> standsFor(Wire wire) {
        return shifters.standsFor(wire);
    }

    /** The line that says what a wire's place must be able to do; the wire itself where nothing hangs behind it. */
    public Wire need(Wire wire) {
        return standsFor(wire).stream().findFirst().orElse(wire);
    }

    public List<Pin> freePins() {
        return board.signalPins().stream()
                .filter(p -> usersOf(p).isEmpty() && p.duty(DutyKind.RESERVED).isEmpty())
                .toList();
    }

    /** At which a part is spoken to: its own on a serial bus where the plan gives it one, else that of its bus; in hertz. */
    public int clockOf(Unit unit, Bus bus) {
        Integer own = unit.placed().clockHz();
        return own != null && bus.kind() == BusKind.SPI ? own : bus.clockHz();
    }

    /** The fastest that runs on the wires of a bus: of its parts, or of the bus where it has none. */
    public int fastestOn(Bus bus) {
        return units.values().stream()
                .filter(u -> bus.id().equals(u.placed().bus()) && u.variant().bus() == bus.kind())
                .mapToInt(u -> clockOf(u, bus))
                .max()
                .orElse(bus.clockHz());
    }

    public Optional<Bus> busOf(Unit unit) {
        return Optional.ofNullable(unit.placed().bus()).flatMap(plan::bus);
    }

    /** The voltage of the rail that a line hangs on, by wires or a small resistor; empty when it hangs on none. */
    public Optional<Double> railVolts(Target end) {
        return rail(end).map(Rail::volts);
    }

    /** The rail that a line hangs on, by wires or a small resistor; a supply or ground line also by contacts, as while they are closed. */
    public Optional<Rail> rail(Target end) {
        return small.isEmpty() && !leads.anyContact()
                ? netOf(end).flatMap(Net::rail)
                : railOf.computeIfAbsent(end, this::findRail);
    }

    /** How a supply or ground line reaches its rail where wires alone do not lead to one. */
    public Optional<Lead> lead(Wire wire) {
        return leads.of(wire);
    }

    /** What resistors in a supply or ground line take away; empty without one, and where a figure is not known. */
    public Optional<SupplyLoss> supplyLoss(Wire wire) {
        return lead(wire).filter(l -> l.ohms() > 0).flatMap(l -> SupplyLoss.of(this, wire, l));
    }

    /** The pin that a supply or a ground line hangs on; empty where it is on a rail, or on nothing. */
    public Optional<Pin> feedingPin(Wire wire) {
        return rail(wire.from()).isPresent()
                ? Optional.empty()
                : wire.net().flatMap(net -> net.pins().stream()
                        .filter(p -> p.can(PinFunction.DIGITAL_OUT))
                        .findFirst());
    }

    private Optional<Rail> findRail(Target end) {
        return netOf(end)
                .flatMap(Net::rail)
                .or(() -> small.stream()
                        .filter(c -> c.from().equals(end) || c.to().equals(end))
                        .flatMap(c -> netOf(c.from().equals(end) ? c.to() : c.from()).flatMap(Net::rail).stream())
                        .findFirst())
                .or(() -> wire(end)
                        .filter(w -> w.role().power())
                        .flatMap(leads::of)
                        .filter(l -> l.ohms() <= SMALL_OHMS)
                        .map(Lead::rail));
    }

    /** Whether a part puts levels on a line by itself: an output that nothing silences. */
    public boolean drives(Wire wire) {
        if (!wire.line().direction().drives()) {
            return false;
        }
        String silencer = wire.line().silencedBy();
        return silencer == null
                || netOf(Target.line(wire.unit().id(), silencer))
                        .filter(Net::grounded)
                        .isEmpty();
    }

    /** The circuit at rest, built at the first use. */
    public DcModel dc() {
        DcModel model = dc;
        if (model == null) {
            model = new DcModel(this);
            dc = model;
        }
        return model;
    }

    /** The lines of 2-wire buses over switches and shifters, built at the first use. */
    public List<JoinedNet> joinedNets() {
        List<JoinedNet> made = joined;
        if (made == null) {
            made = List.copyOf(JoinedNet.of(this));
            joined = made;
        }
        return made;
    }

    /** What flows through lamps, built at the first use. */
    public List<LampCurrents.Lit> lamps() {
        List<LampCurrents.Lit> made = lamps;
        if (made == null) {
            made = List.copyOf(LampCurrents.of(this));
            lamps = made;
        }
        return made;
    }

    /** What rails feed and carry, built at the first use. */
    public Supplies supplies() {
        Supplies made = supplies;
        if (made == null) {
            made = new Supplies(this);
            supplies = made;
        }
        return made;
    }

    /** Who drives and who listens, built at the first use. */
    public Levels levels() {
        Levels made = levels;
        if (made == null) {
            made = new Levels(this);
            levels = made;
        }
        return made;
    }

    /** The supply that a part's levels are made from, for one of its lines; empty while it has no supply. */
    public Optional<Double> logicVolts(Unit unit, PartLine line) {
        if (unit.part().logicVolts() == null) {
            String own = supplyOf(unit, line);
            if (own != null) {
                return supplied(Target.line(unit.id(), own));
            }
        }
        return mainVoltsOf.computeIfAbsent(unit.id(), id -> mainVolts(unit));
    }

    /** A part with two supplies, such as a level shifter, says by its pull-ups which supply a line belongs to; null for others. */
    private static String supplyOf(Unit unit, PartLine line) {
        for (Part.FittedPullUp p : unit.part().pullUps()) {
            if (!p.to().equals("logic") && p.lines().contains(line.id())) {
                return p.to();
            }
        }
        return null;
    }

    /** The rail that those levels are made from; empty where a regulator on the module makes them, and while it has no supply. */
    public Optional<Rail> logicRail(Unit unit, PartLine line) {
        if (unit.part().logicVolts() != null) {
            return Optional.empty();
        }
        return Optional.ofNullable(supplyOf(unit, line))
                .or(() -> unit.part().firstLine(Role.SUPPLY).map(PartLine::id))
                .flatMap(supply -> rail(Target.line(unit.id(), supply)));
    }

    private Optional<Double> mainVolts(Unit unit) {
        return Optional.ofNullable(unit.part().logicVolts())
                .or(() -> wire(unit, Role.SUPPLY).flatMap(supply -> supplied(supply.from())
                        // A pin that feeds a part gives what the board's logic has, while it is high.
                        .or(() -> feedingPin(supply).map(pin -> board.logicVolts()))));
    }

    /** What a supply line of a part has: its rail's volts, also behind a resistor that takes next to nothing. */
    private Optional<Double> supplied(Target line) {
        return railVolts(line).or(() -> wire(line)
                .flatMap(this::supplyLoss)
                .filter(loss -> loss.most() <= SMALL_LOSS * loss.railVolts())
                .map(SupplyLoss::railVolts));
    }

    /** The pull-ups on a module, unless a strap says that they were taken off. */
    public List<Part.FittedPullUp> pullUpsOf(Unit unit) {
        List<Part.FittedPullUp> fitted = unit.part().pullUps();
        return !fitted.isEmpty()
                        && First.any(unit.part().straps(), strap -> settingOf(unit, strap)
                                .removesPullUps())
                ? List.of()
                : fitted;
    }

    /** What a strap of a part is set to; as delivered where the plan says nothing. */
    public Part.Strap.Setting settingOf(Unit unit, Part.Strap strap) {
        String chosen = unit.placed().straps().get(strap.id());
        return strap.setting(chosen == null ? strap.settings().get(0).id() : chosen)
                .orElseThrow();
    }

    /** The voltage that a fitted pull-up goes to; empty while its supply is not connected. */
    public Optional<Double> pullUpVolts(Unit unit, Part.FittedPullUp pullUp) {
        return pullUp.to().equals("logic")
                ? logicVolts(unit, unit.part().lines().get(0))
                : supplied(Target.line(unit.id(), pullUp.to()));
    }

    /**
     * The address a part answers at, from its straps and address pins.
     *
     * @return empty for parts not on a 2-wire bus, and while an address pin is neither high nor low
     */
    public Optional<Integer> addressOf(Unit unit) {
        return addresses.of(unit);
    }

    /** Where a part on a 2-wire bus can be heard; the trunk of its bus while its clock is not connected. */
    public Optional<Segment> segmentOf(Unit unit) {
        return segments.of(unit);
    }

    /** Which gated clocks run while others rest. */
    public Gates gates() {
        return gates;
    }

    /** Empty when the wire is not a helper's downstream line. */
    public Optional<Segments.Upstream> upstream(Wire wire) {
        return segments.upstream(wire);
    }

    /** The board's pin that a line ends at, through helpers where there are any; empty when no pin is reached. */
    public Optional<Reaches.Reach> reach(Target end) {
        return reaches.of(end);
    }
}
