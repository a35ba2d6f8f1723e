package izzet.core.circuit;

import izzet.core.calc.PullUps;
import izzet.core.catalog.First;
import izzet.core.catalog.LogicLevels;
import izzet.core.catalog.Pin;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Who puts which level on whose input, in volts, over resistors and dividers. Derived from a circuit; immutable. */
public final class Levels {

    /** What gives a level. */
    public enum Giver {
        BOARD,
        PART,
        /** The pull-ups of a 2-wire bus. */
        BUS,
        /** A supply that an input is tied to. */
        RAIL,
        /** Resistors, contacts and dials. */
        PASSIVE
    }

    /**
     * @param key id of the unit, of the bus or of the rail; {@code board}; of passive things the end that they lift
     * @param name for sentences
     */
    public record Driver(Giver giver, String key, String name, String source) {}

    /**
     * @param levels its figures over any supply
     * @param vih and vil already at the receiver's supply; null where its file has none, as for analog inputs
     */
    public record Receiver(
            String owner,
            String name,
            Target end,
            LogicLevels levels,
            Double vih,
            Double vil,
            double absMax,
            double supply,
            String source) {}

    /**
     * What one driver makes of one input.
     *
     * @param output of a part that gives it; null where another thing does
     * @param high lowest level when it says high; null where it never does on purpose
     * @param low highest level when it says low; null likewise
     * @param highest the most that comes there from it
     */
    public record Reading(
            String line, Driver driver, Target output, Receiver receiver, Double high, Double low, double highest) {

        /** Common practice: a high that misses by less than a tenth of the supply is commonly seen working. */
        private static final double SEEN_WORKING = 0.1;

        /** What rounding leaves. */
        private static final double HAIR_VOLTS = 1e-6;

        /** By how much the high is above what is read as one, in volts; below 0 when it misses; null where nothing was compared. */
        public Double highMargin() {
            return high == null || receiver.vih() == null ? null : (Double) (high - receiver.vih());
        }

        /** By how much the low is below what is read as one; likewise. */
        public Double lowMargin() {
            return low == null || receiver.vil() == null ? null : (Double) (receiver.vil() - low);
        }

        /** To what the input survives. */
        public double overMargin() {
            return receiver.absMax() - highest;
        }

        public boolean missesHigh() {
            return highMargin() != null && highMargin() < -HAIR_VOLTS;
        }

        public boolean missesLow() {
            return lowMargin() != null && lowMargin() < -HAIR_VOLTS;
        }

        public boolean tooHigh() {
            return overMargin() < -HAIR_VOLTS;
        }

        /** Whether the high misses by so little that it is commonly seen working. */
        public boolean nearlyHigh() {
            return missesHigh() && -highMargin() < SEEN_WORKING * receiver.supply();
        }
    }

    private final Circuit circuit;
    private final DcModel dc;
    private final List<Reading> readings = new ArrayList<>();
    private final Map<String, Wire> unsupplied = new LinkedHashMap<>();

    /** By node; null where nobody listens. */
    private final List<Wire>[] listening;

    private final List<Pin>[] pins;
    private final Map<Integer, List<Receiver>> receivers = new HashMap<>();

    @SuppressWarnings("unchecked")
    Levels(Circuit circuit) {
        this.circuit = circuit;
        this.dc = circuit.dc();
        this.listening = new List[dc.nodes()];
        this.pins = new List[dc.nodes()];
        for (Wire wire : circuit.wires()) {
            if (wire.line().direction().listens() && !wire.role().power()) {
                add(listening, wire.node(), wire);
            }
        }
        for (Pin pin : circuit.board().signalPins()) {
            add(pins, dc.node(Target.pin(pin.id())), pin);
        }
        circuit.joinedNets().forEach(this::openDrain);
        for (DcModel.Piece piece : dc.pieces()) {
            if (!twoWire(piece)) {
                piece.outputs().forEach(o -> driven(piece, o));
                lifted(piece);
            }
        }
        tied();
    }

    private static <T> void add(List<T>[] at, int node, T one) {
        if (node >= 0) {
            at[node] = at[node] == null ? new ArrayList<>(2) : at[node];
            at[node].add(one);
        }
    }

    private List<Wire> listening(int node) {
        return listening[node] == null ? List.of() : listening[node];
    }

    public List<Reading> readings() {
        return readings;
    }

    /** One line of each part whose levels are not known because it has no supply. */
    public List<Wire> unsupplied() {
        return List.copyOf(unsupplied.values());
    }

    private void openDrain(JoinedNet joined) {
        for (List<Net> side : joined.sides()) {
            Optional<Double> lifted = joined.idleVolts(circuit, side);
            if (lifted.isEmpty()) {
                continue;
            }
            double idle = lifted.get();
            Driver driver =
                    new Driver(Giver.BUS, joined.bus().id(), joined.bus().name(), null);
            String function = joined.bus().bitBanged() ? "port" : "i2c";
            for (Net net : side) {
                net.pins()
                        .forEach(pin -> readings.add(new Reading(
                                joined.label(), driver, null, receiver(pin, function), idle, PullUps.VOL_MAX, idle)));
                net.wires().stream()
                        .filter(w -> w.line().direction().listens() || w.role() == Role.SHIFT)
                        .flatMap(w -> receiver(w).stream())
                        .forEach(r -> readings.add(
                                new Reading(joined.label(), driver, null, r, idle, PullUps.VOL_MAX, idle)));
            }
        }
    }

    /** Lines of a 2-wire bus are read with their pull-ups; only a gated clock is driven. */
    private boolean twoWire(DcModel.Piece piece) {
        boolean bus = false;
        for (int node : piece.nodes()) {
            for (Wire wire : listening(node)) {
                bus |= wire.role().i2c() || wire.role() == Role.CHANNEL_SDA || wire.role() == Role.CHANNEL_SCL;
            }
        }
        return bus
                && piece.outputs().stream().noneMatch(o -> circuit.wire(o.end())
                        .filter(w -> w.role() == Role.GATE_OUTPUT)
                        .isPresent());
    }

    private void driven(DcModel.Piece piece, DcModel.Output output) {
        boolean board = output.owner().equals(Target.BOARD);
        boolean heard = piece.nodes().stream()
                .anyMatch(
                        n -> listening(n).stream().anyMatch(w -> !w.unit().id().equals(output.owner()))
                                || !board && pins[n] != null);
        if (!heard) {
            return;
        }
        // Nothing but weak inputs: they take so little that the output stands where it stands without load.
        boolean free = piece.unloaded();
        DcModel.Point high = free ? null : dc.at(piece, new DcModel.State().drive(output, true));
        DcModel.Point low = free ? null : dc.at(piece, new DcModel.State().drive(output, false));
        Driver driver = new Driver(board ? Giver.BOARD : Giver.PART, output.owner(), output.name(), output.source());
        String line = board
                ? "pin "
                        + circuit.board()
                                .pin(output.end().name())
                                .map(Pin::label)
                                .orElse(output.end().name())
                : circuit.wire(output.end())
                        .map(Wire::label)
                        .orElse(output.end().toString());
        for (int node : piece.nodes()) {
            for (Receiver r : receivers(node, !board)) {
                if (!r.owner().equals(output.owner())) {
                    double most = free ? output.high() : high.volts(node);
                    double least = free ? output.low() : low.volts(node);
                    readings.add(new Reading(
                            line,
                            driver,
                            board ? null : output.end(),
                            r,
                            most,
                            least,
                            Math.max(most, free ? output.supply() : most)));
                }
            }
        }
    }

    /** What resistors, contacts and dials can lift an input to while nothing drives it. */
    private void lifted(DcModel.Piece piece) {
        if (piece.unloaded()
                || piece.nodes().stream().allMatch(n -> receivers(n, true).isEmpty())) {
            return;
        }
        List<DcModel.State> states = new ArrayList<>();
        List<DcModel.Dial> dials = piece.of(DcModel.Dial.class);
        List<DcModel.Contact> contacts = piece.of(DcModel.Contact.class);
        states.add(new DcModel.State().withoutWeak());
        for (DcModel.Contact c : contacts) {
            states.add(new DcModel.State().withoutWeak().close(c, true));
        }
        for (double share : dials.isEmpty() ? new double[0] : new double[] {0, 1}) {
            DcModel.State turned = new DcModel.State().withoutWeak();
            dials.forEach(d -> turned.turn(d, share));
            states.add(turned);
        }
        Map<Integer, Double> most = new LinkedHashMap<>();
        for (DcModel.State state : states) {
            DcModel.Point point = dc.at(piece, state);
            piece.nodes().forEach(n -> most.merge(n, point.holds(n) ? point.volts(n) : 0.0, Math::max));
        }
        String name = !dials.isEmpty()
                ? dials.get(0).unit().name()
                : !contacts.isEmpty() ? contacts.get(0).unit().name() + " or its resistor" : "a resistor";
        most.forEach((node, volts) -> receivers(node, true)
                .forEach(r -> readings.add(new Reading(
                        r.end().name(),
                        new Driver(Giver.PASSIVE, r.end().toString(), name, null),
                        null,
                        r,
                        null,
                        null,
                        volts))));
    }

    private void tied() {
        for (int node = 0; node < listening.length; node++) {
            Optional<Double> volts = listening[node] == null ? Optional.empty() : dc.held(node);
            if (volts.isPresent()) {
                tied(node, volts.get());
            }
        }
    }

    private void tied(int node, double volts) {
        Rail rail = First.of(dc.railsAt(node), Rail::gives).orElse(null);
        if (rail == null || rail.ground()) {
            return;
        }
        Driver driver = new Driver(
                Giver.RAIL,
                rail.id(),
                "the " + rail.label() + " rail",
                circuit.board().source(rail.source()));
        for (Wire wire : listening[node]) {
            receiver(wire).ifPresent(r -> readings.add(new Reading(rail.label(), driver, null, r, volts, null, volts)));
        }
    }

    private List<Receiver> receivers(int node, boolean boardListens) {
        return receivers.computeIfAbsent(boardListens ? node : ~node, key -> {
            List<Receiver> found = new ArrayList<>();
            listening(node).forEach(w -> receiver(w).ifPresent(found::add));
            if (boardListens && pins[node] != null) {
                pins[node].forEach(p -> found.add(receiver(p, "port")));
            }
            return found;
        });
    }

    private Receiver receiver(Pin pin, String function) {
        LogicLevels levels = circuit.board().levelsOf(function);
        double supply = circuit.board().logicVolts();
        return new Receiver(
                Target.BOARD,
                "the board",
                Target.pin(pin.id()),
                levels,
                levels.vih().at(supply),
                levels.vil().at(supply),
                levels.absMax().at(supply),
                supply,
                circuit.board().source(levels.source()));
    }

    private Optional<Receiver> receiver(Wire wire) {
        LogicLevels levels = wire.unit().part().levels().get(wire.line().levels());
        Optional<Double> supply = supply(wire);
        if (supply.isEmpty() || levels == null) {
            return Optional.empty();
        }
        double volts = supply.get();
        return Optional.of(new Receiver(
                wire.unit().id(),
                wire.unit().name(),
                wire.from(),
                levels,
                levels.vih() == null ? null : levels.vih().at(volts),
                levels.vil() == null ? null : levels.vil().at(volts),
                levels.absMax().at(volts),
                volts,
                wire.unit().part().source(levels.source())));
    }

    private Optional<Double> supply(Wire wire) {
        Optional<Double> supply = circuit.logicVolts(wire.unit(), wire.line()).filter(v -> v > 0);
        if (supply.isEmpty()) {
            unsupplied.putIfAbsent(wire.unit().id(), wire);
        }
        return supply;
    }
}
