package izzet.core.plan;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import izzet.core.catalog.First;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * What connects to what. Immutable; changed only by a {@link PlanEdit}. {@link PlanDocument} reads and writes the open format.
 *
 * @param board id in the catalogue
 * @param boardVersion of the catalogue item that the plan was made with; null for the one on the shelf
 * @param wireCentimetres length of the bus wires; null when not known, then 30 cm are assumed
 * @param cable what these wires are; null for loose ones
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
    "cable",
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
        Cable cable,
        Boolean consoleOff,
        List<PlacedPart> parts,
        List<Bus> buses,
        List<Connection> connections,
        List<Resistor> resistors) {

    public static final String FORMAT = "izzet-plan";
    public static final int VERSION = 1;

    /** Assumed when the plan does not tell the length. */
    public static final double ASSUMED_CENTIMETRES = 30;

    public Plan {
        parts = List.copyOf(parts);
        buses = List.copyOf(buses);
        connections = List.copyOf(connections);
        resistors = resistors == null ? List.of() : List.copyOf(resistors);
    }

    public static Plan empty(String name, String board) {
        return new Plan(
                FORMAT, VERSION, name, board, null, null, null, null, List.of(), List.of(), List.of(), List.of());
    }

    @JsonIgnore
    public boolean consoleFree() {
        return Boolean.TRUE.equals(consoleOff);
    }

    /** What the wires are: loose ones where it is not told. */
    @JsonIgnore
    public Cable wires() {
        return cable == null ? Cable.LOOSE : cable;
    }

    /** Length of the wires, the assumed one where it is not told. */
    @JsonIgnore
    public double wireLength() {
        return wireCentimetres == null ? ASSUMED_CENTIMETRES : wireCentimetres;
    }

    public Optional<PlacedPart> part(String id) {
        return First.of(parts, p -> p.id().equals(id));
    }

    public Optional<Bus> bus(String id) {
        return First.of(buses, b -> b.id().equals(id));
    }

    public Optional<Connection> connection(Target from) {
        return First.of(connections, c -> c.from().equals(from));
    }

    /** The same with something changed; the one place that names every field. */
    private Plan with(Consumer<Draft> change) {
        Draft draft = new Draft();
        draft.name = name;
        draft.board = board;
        draft.boardVersion = boardVersion;
        draft.wireCentimetres = wireCentimetres;
        draft.cable = cable;
        draft.consoleOff = consoleOff;
        draft.parts = parts;
        draft.buses = buses;
        draft.connections = connections;
        draft.resistors = resistors;
        change.accept(draft);
        return new Plan(
                format,
                version,
                draft.name,
                draft.board,
                draft.boardVersion,
                draft.wireCentimetres,
                draft.cable,
                draft.consoleOff,
                draft.parts,
                draft.buses,
                draft.connections,
                draft.resistors);
    }

    private static final class Draft {
        private String name;
        private String board;
        private Integer boardVersion;
        private Double wireCentimetres;
        private Cable cable;
        private Boolean consoleOff;
        private List<PlacedPart> parts;
        private List<Bus> buses;
        private List<Connection> connections;
        private List<Resistor> resistors;
    }

    Plan withName(String newName) {
        return with(d -> d.name = newName);
    }

    Plan withBoard(String newBoard, List<Bus> newBuses, List<Connection> kept, List<Resistor> keptResistors) {
        return with(d -> {
            d.board = newBoard;
            d.boardVersion = null;
            d.consoleOff = null;
            d.buses = newBuses;
            d.connections = kept;
            d.resistors = keptResistors;
        });
    }

    /** Says which version of the board it is made with. */
    public Plan withBoardVersion(Integer newVersion) {
        return with(d -> d.boardVersion = newVersion);
    }

    Plan withWire(Double centimetres, Cable newCable) {
        return with(d -> {
            d.wireCentimetres = centimetres;
            d.cable = newCable == Cable.LOOSE ? null : newCable;
        });
    }

    Plan withConsoleOff(Boolean off) {
        return with(d -> d.consoleOff = off);
    }

    public Plan withParts(List<PlacedPart> newParts) {
        return with(d -> d.parts = newParts);
    }

    public Plan withBuses(List<Bus> newBuses) {
        return with(d -> d.buses = newBuses);
    }

    public Plan withConnections(List<Connection> newConnections) {
        return with(d -> d.connections = newConnections);
    }

    public Plan withResistors(List<Resistor> newResistors) {
        return with(d -> d.resistors = newResistors);
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
