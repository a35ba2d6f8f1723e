package izzet.core.circuit;

import izzet.core.catalog.Part;
import izzet.core.catalog.PartLine;
import izzet.core.catalog.PinFunction;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Rest;
import izzet.core.catalog.Role;
import izzet.core.plan.Connection;
import izzet.core.plan.Target;
import java.util.Objects;
import java.util.Optional;

/** A line of a placed part with its wire. Immutable; two are equal where they are the same line with the same wire. */
public final class Wire {

    private final Unit unit;
    private final PartLine line;
    private final Connection connection;
    private final Target from;
    private final Double gives;
    private final Optional<Rail> source;

    /** Its place among all lines of the circuit that it belongs to. */
    private final int number;

    /** Set once, by that circuit. */
    private Optional<Net> net = Optional.empty();

    private int node = -1;

    /**
     * @param connection null while the line is not connected
     * @param gives of a supply output: its voltage now, as of cells that are fresh; null for other lines
     */
    Wire(int number, Unit unit, PartLine line, Connection connection, Double gives) {
        this.number = number;
        this.unit = unit;
        this.line = line;
        this.connection = connection;
        this.from = Target.line(unit.id(), line.id());
        this.gives = gives;
        this.source = Optional.ofNullable(gives).map(this::railOf);
    }

    void in(Optional<Net> foundNet, int foundNode) {
        net = foundNet;
        node = foundNode;
    }

    int number() {
        return number;
    }

    /** Its conductor in the {@link DcModel}. */
    public int node() {
        return node;
    }

    /** The net that it is in; empty while nothing is connected to it. */
    public Optional<Net> net() {
        return net;
    }

    /** The same line with a wire. */
    Wire with(Connection wire) {
        return new Wire(number, unit, line, wire, gives);
    }

    public Unit unit() {
        return unit;
    }

    public PartLine line() {
        return line;
    }

    /** Null while the line is not connected. */
    public Connection connection() {
        return connection;
    }

    public Target from() {
        return from;
    }

    public boolean connected() {
        return connection != null;
    }

    /** The board's pin or rail, or the other part's line, that the wire leads to. */
    public Optional<Target> to() {
        return Optional.ofNullable(connection).map(Connection::to);
    }

    /** The least supply that the line takes, its own figure or its part's; null where none is told. */
    public Double leastVolts() {
        return line.minVolts() != null || unit.part().supply() == null
                ? line.minVolts()
                : (Double) unit.part().supply().minVolts();
    }

    /** The highest, likewise. */
    public Double mostVolts() {
        return line.maxVolts() != null || unit.part().supply() == null
                ? line.maxVolts()
                : (Double) unit.part().supply().maxVolts();
    }

    public Role role() {
        return line.role();
    }

    /** "Platform 1 sign SDA". */
    public String label() {
        return unit.name() + " " + line.id();
    }

    /** The capability a pin needs to serve this line, apart from a bus controller's signal. */
    public String capability() {
        String wanted = unit.variant().wants().get(line.id());
        if (wanted != null) {
            return wanted;
        }
        boolean toBoard = role() == Role.SIGNAL || role() == Role.SPI_MISO;
        return toBoard ? PinFunction.DIGITAL_IN : PinFunction.DIGITAL_OUT;
    }

    /** Where the line is tied when it has no pin, in the interface in use: null where nowhere. */
    public Rest rest() {
        return unit.variant().rests().getOrDefault(line.id(), line.rest());
    }

    /** A supply output is a rail for those that hang on it. */
    public Optional<Rail> source() {
        return source;
    }

    private Rail railOf(double volts) {
        Part part = unit.part();
        return new Rail(
                from().toString(),
                label(),
                volts,
                "out",
                Boolean.TRUE.equals(line.blocksBack()) ? "diode" : null,
                null,
                null,
                line.givesMilliamps(),
                part.supply() == null ? null : part.source(part.supply().source()));
    }

    /** The name a controller gives to the signal of a bus line. */
    public Optional<String> busSignal() {
        return role() == Role.RGB ? Optional.of(line.signal()) : role().signal();
    }

    @Override
    public boolean equals(Object other) {
        return this == other
                || other instanceof Wire w
                        && from.equals(w.from)
                        && Objects.equals(connection, w.connection)
                        && line.equals(w.line)
                        && unit.equals(w.unit);
    }

    @Override
    public int hashCode() {
        return from.hashCode();
    }

    @Override
    public String toString() {
        return label();
    }
}
