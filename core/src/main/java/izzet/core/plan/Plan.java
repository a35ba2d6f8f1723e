package izzet.core.plan;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * What connects to what. Immutable; changed only by a {@link PlanEdit}. {@link PlanDocument} reads and writes the open format.
 *
 * @param board id in the catalogue
 * @param boardVersion of the catalogue item that the plan was made with; null for the one on the shelf
 * @param wireCentimetres length of the bus wires; null when not known, then 30 cm are assumed
 * @param consoleOff whether the board's serial console is declared off, so that its pins are free; null for no
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
@JsonPropertyOrder({
    "format",
    "version",
    "name",
    "board",
    "boardVersion",
    "wireCentimetres",
    "consoleOff",
    "parts",
    "buses",
    "connections",
    "resistors"
})
public record Plan(
        String format,
        int version,
        String name,
        String board,
        Integer boardVersion,
        Double wireCentimetres,
        Boolean consoleOff,
        List<PlacedPart> parts,
        List<Bus> buses,
        List<Connection> connections,
        List<Resistor> resistors) {

    public static final String FORMAT = "izzet-plan";
    public static final int VERSION = 1;

    public Plan {
        parts = List.copyOf(parts);
        buses = List.copyOf(buses);
        connections = List.copyOf(connections);
        resistors = resistors == null ? List.of() : List.copyOf(resistors);
    }

    public static Plan empty(String name, String board) {
        return new Plan(FORMAT, VERSION, name, board, null, null, null, List.of(), List.of(), List.of(), List.of());
    }

    @JsonIgnore
    public boolean consoleFree() {
        return Boolean.TRUE.equals(consoleOff);
    }

    public Optional<PlacedPart> part(String id) {
        return parts.stream().filter(p -> p.id().equals(id)).findFirst();
    }

    public Optional<Bus> bus(String id) {
        return buses.stream().filter(b -> b.id().equals(id)).findFirst();
    }

    public Optional<Connection> connection(Target from) {
        return connections.stream().filter(c -> c.from().equals(from)).findFirst();
    }

    Plan withName(String newName) {
        return new Plan(
                format,
                version,
                newName,
                board,
                boardVersion,
                wireCentimetres,
                consoleOff,
                parts,
                buses,
                connections,
                resistors);
    }

    Plan withBoard(String newBoard, List<Bus> newBuses, List<Connection> kept, List<Resistor> keptResistors) {
        return new Plan(
                format, version, name, newBoard, null, wireCentimetres, null, parts, newBuses, kept, keptResistors);
    }

    /** Says which version of the board it is made with. */
    public Plan withBoardVersion(Integer newVersion) {
        return new Plan(
                format,
                version,
                name,
                board,
                newVersion,
                wireCentimetres,
                consoleOff,
                parts,
                buses,
                connections,
                resistors);
    }

    Plan withWire(Double centimetres) {
        return new Plan(
                format,
                version,
                name,
                board,
                boardVersion,
                centimetres,
                consoleOff,
                parts,
                buses,
                connections,
                resistors);
    }

    Plan withConsoleOff(Boolean off) {
        return new Plan(
                format, version, name, board, boardVersion, wireCentimetres, off, parts, buses, connections, resistors);
    }

    Plan withParts(List<PlacedPart> newParts) {
        return new Plan(
                format,
                version,
                name,
                board,
                boardVersion,
                wireCentimetres,
                consoleOff,
                newParts,
                buses,
                connections,
                resistors);
    }

    Plan withBuses(List<Bus> newBuses) {
        return new Plan(
                format,
                version,
                name,
                board,
                boardVersion,
                wireCentimetres,
                consoleOff,
                parts,
                newBuses,
                connections,
                resistors);
    }

    Plan withConnections(List<Connection> newConnections) {
        return new Plan(
                format,
                version,
                name,
                board,
                boardVersion,
                wireCentimetres,
                consoleOff,
                parts,
                buses,
                newConnections,
                resistors);
    }

    Plan withResistors(List<Resistor> newResistors) {
        return new Plan(
                format,
                version,
                name,
                board,
                boardVersion,
                wireCentimetres,
                consoleOff,
                parts,
                buses,
                connections,
                newResistors);
    }

    /** An id that no part, bus or resistor has: the stem itself, or the stem with the first free number from 2. */
    public String freeId(String stem) {
        return Stream.concat(Stream.of(stem), IntStream.iterate(2, i -> i + 1).mapToObj(i -> stem + "-" + i))
                .filter(id -> !id.equals(Target.BOARD) && !id.equals(Target.RAIL))
                .filter(id -> part(id).isEmpty()
                        && bus(id).isEmpty()
                        && resistors.stream().noneMatch(r -> r.id().equals(id)))
                .findFirst()
                .orElseThrow();
    }
}
