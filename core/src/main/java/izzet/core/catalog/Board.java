package izzet.core.catalog;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A board with its pins, rails and controllers, as its file describes it. Immutable.
 *
 * @param logicVolts supply of its logic levels
 * @param internalPulls values of the resistors inside the chip; null where not known
 * @param ramBytes what programs have for their variables; null where there is plenty
 * @param flashBytes that hold programs and their constants; null where not known, or where there is plenty
 * @param writeNanos that a program takes for one write to a port; null where not known
 * @param pinAssignment how pins come to a controller: {@code fixed}, {@code any-pin}, {@code settings}, {@code overlay} or
 *     {@code none}
 * @param levels by function: {@code port}, and {@code i2c} where the bus lines differ
 * @param layout how it lies in front of you; null when its strips stand left and right in turn
 * @param sources the texts that {@code source} keys stand for
 */
public record Board(
        String id,
        int version,
        String kind,
        String name,
        String summary,
        double logicVolts,
        boolean internalPullUps,
        InternalPulls internalPulls,
        Long ramBytes,
        Long flashBytes,
        Integer writeNanos,
        String pinAssignment,
        Numbering numbering,
        PinCurrent current,
        List<Rail> rails,
        List<Controller> controllers,
        Map<String, LogicLevels> levels,
        Layout layout,
        List<Pin> pins,
        Map<String, String> sources)
        implements CatalogItem {

    /** Of a resistor inside a chip whose sheet was not read. Common practice. */
    public static final double WEAK_PULL_OHMS = 50_000;

    /** Strips, or pins by id, along its edges from the top; {@code upwards} names strips that run the other way. */
    public record Layout(List<String> left, List<String> right, List<String> upwards) {
        public Layout {
            left = left == null ? List.of() : List.copyOf(left);
            right = right == null ? List.of() : List.copyOf(right);
            upwards = upwards == null ? List.of() : List.copyOf(upwards);
        }
    }

    /**
     * The resistors inside the chip that a program can switch on, at their weakest.
     *
     * @param downOhms null where there are none
     */
    public record InternalPulls(double upOhms, Double downOhms, String source) {}

    /** The resistor inside the chip that pulls a pin up or down when the program switches it on; empty where it has none. */
    public Optional<Double> pullOhms(Pin pin, boolean up) {
        boolean has = pin.pulls() == null
                ? up ? internalPullUps : internalPulls != null
                : pin.pulls().contains(up ? "up" : "down");
        if (!has || !pin.can(PinFunction.DIGITAL_IN)) {
            return Optional.empty();
        }
        return internalPulls == null
                ? Optional.of(WEAK_PULL_OHMS)
                : Optional.ofNullable(up ? (Double) internalPulls.upOhms() : internalPulls.downOhms());
    }

    /** What the board calls its three numberings, for column heads. */
    public record Numbering(String position, String label, String chip) {}

    /**
     * @param perPinMilliamps recommended at most
     * @param totalMilliamps of all pins together
     * @param totalSourceMilliamps of all pins together, sourcing; null where it is the same
     * @param groups pins that have a limit in common; may be empty
     */
    public record PinCurrent(
            double perPinMilliamps,
            double totalMilliamps,
            Double totalSourceMilliamps,
            List<Group> groups,
            String source) {

        /** @param way {@code sink}, {@code source}, or null for both */
        public record Group(String name, List<String> pins, String way, double milliamps) {
            public Group {
                pins = List.copyOf(pins);
            }
        }

        public PinCurrent {
            groups = groups == null ? List.of() : List.copyOf(groups);
        }
    }

    public Board {
        rails = List.copyOf(rails);
        controllers = controllers == null ? List.of() : List.copyOf(controllers);
        levels = Map.copyOf(levels);
        pins = List.copyOf(pins);
        sources = Map.copyOf(sources);
    }

    /** Whether an operating system drives its controllers and gives their pins. */
    public boolean runsSystem() {
        return pinAssignment.equals("settings") || pinAssignment.equals("overlay");
    }

    public Optional<Pin> pin(String pinId) {
        return First.of(pins, p -> p.id().equals(pinId));
    }

    public boolean hasConsole() {
        return First.any(pins, p -> p.duty(DutyKind.CONSOLE).isPresent());
    }

    /** The same with its serial console off: the pins of the console have no such duty. */
    public Board withoutConsole() {
        return with(logicVolts, rails, pins.stream().map(Pin::withoutConsole).toList());
    }

    /** The same with one rail at another voltage, and its logic where that rail feeds it. */
    public Board withRailAt(String railId, double volts) {
        boolean logic = rail(railId).filter(r -> r.volts() == logicVolts).isPresent();
        return with(
                logic ? volts : logicVolts,
                rails.stream().map(r -> r.id().equals(railId) ? r.at(volts) : r).toList(),
                pins);
    }

    private Board with(double otherLogicVolts, List<Rail> otherRails, List<Pin> otherPins) {
        return new Board(
                id,
                version,
                kind,
                name,
                summary,
                otherLogicVolts,
                internalPullUps,
                internalPulls,
                ramBytes,
                flashBytes,
                writeNanos,
                pinAssignment,
                numbering,
                current,
                otherRails,
                controllers,
                levels,
                layout,
                otherPins,
                sources);
    }

    public Optional<Rail> rail(String railId) {
        return First.of(rails, r -> r.id().equals(railId));
    }

    public Optional<Controller> controller(String controllerId) {
        return First.of(controllers, c -> c.id().equals(controllerId));
    }

    public List<Controller> controllersOf(BusKind kind) {
        return controllers.stream().filter(c -> c.kind() == kind).toList();
    }

    public List<Pin> signalPins() {
        List<Pin> signals = new ArrayList<>(pins.size());
        for (Pin pin : pins) {
            if (pin.signal()) {
                signals.add(pin);
            }
        }
        return signals;
    }

    public Rail ground() {
        return First.of(rails, Rail::ground).orElseThrow();
    }

    /** The levels of a function, or those of a plain port where the function has none of its own. */
    public LogicLevels levelsOf(String function) {
        return levels.getOrDefault(function, levels.get("port"));
    }

    /** The text behind a source key; the key itself when the file has none, so that nothing is shown without origin. */
    public String source(String key) {
        return key == null ? null : sources.getOrDefault(key, key);
    }
}
