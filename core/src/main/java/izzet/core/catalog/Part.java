package izzet.core.catalog;

import com.fasterxml.jackson.annotation.JsonAlias;
import com.fasterxml.jackson.annotation.JsonFormat;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A display or helper as its file describes it. Immutable.
 *
 * @param kind {@code display}, {@code helper}, {@code input}, {@code lamp}
 * @param supply null for parts without a supply, such as a push button
 * @param logicVolts supply of the logic levels when the module makes its own; null when it is the supply line's
 * @param bareChip whether it is a chip without a module round it; null for no
 * @param levels by key; a line names its key
 * @param pullUps fitted on the module
 * @param elements resistors, contacts, potentiometers and lamps between its lines
 * @param interfaces the ways it can be connected; at least one
 * @param straps settings made on the module itself
 * @param kin other parts by relation: {@code serial}, {@code shifted}, {@code two-wire}
 * @param purchase what has to be bought, in words; null for displays, which the user has
 * @param tells answers to the questions that tell look-alikes apart, by question
 * @param sources the texts that {@code source} keys stand for
 */
public record Part(
        String id,
        int version,
        PartKind kind,
        String name,
        String shortName,
        String summary,
        Supply supply,
        Double logicVolts,
        Boolean bareChip,
        Map<String, LogicLevels> levels,
        List<FittedPullUp> pullUps,
        I2c i2c,
        Spi spi,
        Glass glass,
        BusSwitch busSwitch,
        @JsonAlias("clockGate") @JsonFormat(with = JsonFormat.Feature.ACCEPT_SINGLE_VALUE_AS_ARRAY)
                List<ClockGate> clockGates,
        PixelBus pixelBus,
        List<Shift> shifts,
        List<Element> elements,
        List<Interface> interfaces,
        List<Strap> straps,
        List<PartLine> lines,
        Map<String, String> kin,
        Map<String, String> tells,
        String purchase,
        List<Trap> traps,
        Map<String, String> sources)
        implements CatalogItem {

    /**
     * @param typicalMilliamps that the part itself draws, not what its outputs give
     * @param carriesMilliamps what its supply pins may carry for its outputs, at most; null where not known
     */
    public record Supply(
            double minVolts,
            double maxVolts,
            Double typicalMilliamps,
            Double maxMilliamps,
            Double carriesMilliamps,
            String source) {}

    /** Ten bits of them. */
    private static final int ADDRESSES = 0x400;

    /** @param to {@code logic} (the module's own logic supply) or the id of a supply line */
    public record FittedPullUp(List<String> lines, double ohms, String to, String source) {
        public FittedPullUp {
            lines = List.copyOf(lines);
        }
    }

    /**
     * @param baseAddress with every strap and address pin adding nothing; above 0x7F it has ten bits
     * @param expander bit by line of the character display behind an expander; null for the usual ones
     * @param generalCall whether it obeys what is sent to address 0; null for no
     * @param capacitancePicofarads of its two bus pins, each
     * @param sinkMilliamps what its data output can sink at 0.4 V
     * @param alsoAt addresses of other chips on the module; mostly none
     * @param speaks name of the command set it takes, for reading records; null when bytes have no named meaning
     */
    public record I2c(
            int baseAddress,
            int maxHz,
            boolean stretchesClock,
            double capacitancePicofarads,
            double sinkMilliamps,
            List<Integer> alsoAt,
            String speaks,
            Map<String, Integer> expander,
            Boolean generalCall,
            String source) {

        private static final int SEVEN_BITS = 0x7F;

        public I2c {
            alsoAt = orEmpty(alsoAt);
        }

        public boolean obeysGeneralCall() {
            return Boolean.TRUE.equals(generalCall);
        }

        public boolean tenBits() {
            return baseAddress > SEVEN_BITS;
        }
    }

    /**
     * @param maxReadHz fastest clock for reading; null where it is that for writing, or nothing is read
     * @param wordBits of a transfer; null for 8
     * @param bitOrder null for the highest bit first, as nearly all do
     * @param alwaysSelected whether it listens to every transfer because it has no select; null for no
     * @param releasesMiso whether it lets go of its data output when not selected; null where it has none
     * @param speaks name of the command set it takes where its glass does not tell; null when bytes have no named meaning
     */
    public record Spi(
            List<Integer> modes,
            int maxWriteHz,
            Integer maxReadHz,
            Integer wordBits,
            BitOrder bitOrder,
            Boolean alwaysSelected,
            Boolean releasesMiso,
            String speaks,
            String source) {
        public Spi {
            modes = List.copyOf(modes);
        }

        /** Which bit of a word goes first. */
        public BitOrder firstBit() {
            return bitOrder == null ? BitOrder.MSB : bitOrder;
        }

        public boolean listensAlways() {
            return Boolean.TRUE.equals(alwaysSelected);
        }
    }

    /**
     * What is shown on: pixels, or characters in columns and rows.
     *
     * @param colours for people, such as "white" or "65 536 colours"
     * @param inches of the diagonal; null when it comes in several sizes
     * @param bitsPerPixel on the wire; null for characters
     * @param family of commands that it takes
     * @param memoryColumns of the controller, where they are more than the glass shows
     * @param offsetColumns between the controller's first column and the glass's first
     * @param order of the colours on the wire; null for one colour
     * @param resetMillis to wait after a reset, wakeMillis after waking; null where not known
     * @param refreshMillis that the glass takes to show a picture; null where it shows at once
     * @param ownMemory whether it keeps the picture itself; null for no
     * @param memoryBytes that a program needs to hold the whole picture; null for characters
     */
    public record Glass(
            String shows,
            int columns,
            int rows,
            String colours,
            Double inches,
            Integer bitsPerPixel,
            Integer memoryBytes,
            String family,
            Integer memoryColumns,
            Integer memoryRows,
            Integer offsetColumns,
            Integer offsetRows,
            String order,
            Integer resetMillis,
            Integer wakeMillis,
            Integer refreshMillis,
            Boolean ownMemory,
            String source) {

        private static final double MILLIMETRES = 25.4;

        /** Such as "0.96 inch" or "24 mm"; empty when it comes in several sizes. */
        public String diagonal(boolean millimetres) {
            return inches == null ? "" : millimetres ? Math.round(inches * MILLIMETRES) + " mm" : inches + " inch";
        }
    }

    public record BusSwitch(String sda, String scl, List<Channel> channels, String source) {
        public record Channel(String sda, String scl) {}

        public BusSwitch {
            channels = List.copyOf(channels);
        }
    }

    /**
     * One-way gating of a clock: the chosen output follows the clock, the others idle high. A chip with two halves is two of them.
     *
     * @param enables that let nothing through while one is not at its active level
     * @param selects in the order of their bits
     * @param outputs by the number that the selects say
     * @param inverted outputs that carry the clock upside down
     */
    public record ClockGate(
            String clock,
            List<String> enables,
            List<String> selects,
            List<String> outputs,
            List<String> inverted,
            String source) {
        public ClockGate {
            enables = enables == null ? List.of() : List.copyOf(enables);
            selects = List.copyOf(selects);
            outputs = List.copyOf(outputs);
            inverted = inverted == null ? List.of() : List.copyOf(inverted);
        }

        /** Every line of it, its clock first. */
        public List<String> all() {
            return Stream.of(List.of(clock), enables, selects, outputs, inverted)
                    .flatMap(List::stream)
                    .toList();
        }
    }

    /** The gate that one of the part's lines is an output of; empty for other lines. */
    public Optional<ClockGate> gateOf(String output) {
        return First.of(
                clockGates, g -> g.outputs().contains(output) || g.inverted().contains(output));
    }

    /**
     * Columns and rows with their blanking, and the fastest pixel clock, of a panel without memory.
     *
     * @param frontColumns of the blanking before the sync pulse of a row; null where its parts are not told
     * @param syncColumns of the pulse itself; what is left of the blanking comes behind it
     * @param frontRows of the blanking before the sync pulse of a picture
     * @param syncRows of the pulse itself
     */
    public record PixelBus(
            int totalColumns,
            int totalRows,
            int maxHz,
            Integer frontColumns,
            Integer syncColumns,
            Integer frontRows,
            Integer syncRows,
            String source) {

        /** Whether the parts of the blanking are told, which programs and settings need. */
        public boolean timed() {
            return frontColumns != null && syncColumns != null && frontRows != null && syncRows != null;
        }

        /** Of the blanking behind the sync pulse of a row. */
        public int backColumns(Glass glass) {
            return totalColumns - glass.columns() - frontColumns - syncColumns;
        }

        /** Of the blanking behind the sync pulse of a picture. */
        public int backRows(Glass glass) {
            return totalRows - glass.rows() - frontRows - syncRows;
        }

        /** Pixel clock for so many pictures a second. */
        public double hertz(double pictures) {
            return totalColumns * (double) totalRows * pictures;
        }
    }

    /**
     * What lies between two lines inside the part.
     *
     * @param a anode of a lamp
     * @param b cathode of a lamp
     * @param wiper of a potentiometer; null elsewhere
     * @param ohms of a resistor or potentiometer; null elsewhere
     * @param lamp of a lamp; null elsewhere
     */
    public record Element(
            ElementKind kind, String a, String b, String wiper, Double ohms, PartLine.Lamp lamp, String source) {}

    /** Two lines of a shifter: of a two-way one the low-supply side first, of a one-way buffer the input. */
    public record Shift(String low, String high) {}

    /** Whether a line is the end of a lamp that lights when the line is low. */
    public boolean cathode(String line) {
        return elements.stream().anyMatch(e -> e.kind() == ElementKind.LAMP && e.b().equals(line));
    }

    /** Whether a shifter's lines carry both ways. */
    public boolean twoWay(Shift shift) {
        return line(shift.low())
                .filter(l -> l.direction() == Direction.OPEN_DRAIN)
                .isPresent();
    }

    /**
     * @param bus null where its lines are no bus
     * @param bits that go over the data lines in one write cycle, where there is no bus; null elsewhere
     * @param cycleNanos shortest write cycle there
     * @param wants by line, a capability its pin must have besides plain digital in or out, such as {@code pwm}
     * @param rests by line, where it is tied in this variant
     */
    public record Interface(
            String id,
            String name,
            BusKind bus,
            Map<String, String> wants,
            Map<String, Rest> rests,
            Integer bits,
            Integer cycleNanos,
            String note) {
        public Interface {
            wants = wants == null ? Map.of() : Map.copyOf(wants);
            rests = rests == null ? Map.of() : Map.copyOf(rests);
        }
    }

    /** A pad, jumper or resistor on the module. The first setting is the one it is delivered with. */
    public record Strap(String id, String name, List<Setting> settings) {
        /**
         * @param removesPullUps whether the pull-ups of the module are off with it
         * @param interfaceId that it chooses; null for settings that have no say in it
         */
        public record Setting(
                String id,
                String name,
                int addsToAddress,
                Boolean removesPullUps,
                @JsonProperty("interface") String interfaceId) {
            public Setting {
                removesPullUps = Boolean.TRUE.equals(removesPullUps);
            }
        }

        public Strap {
            settings = List.copyOf(settings);
        }

        /** Whether it has a say in the address. */
        public boolean addresses() {
            return First.any(settings, s -> s.addsToAddress() != 0);
        }

        public Optional<Setting> setting(String settingId) {
            return First.of(settings, s -> s.id().equals(settingId));
        }
    }

    /** Something that makers trip over with this part. */
    public record Trap(String text, String source) {}

    public Part {
        levels = levels == null ? Map.of() : Map.copyOf(levels);
        pullUps = orEmpty(pullUps);
        clockGates = orEmpty(clockGates);
        shifts = orEmpty(shifts);
        elements = orEmpty(elements);
        interfaces = List.copyOf(interfaces);
        straps = orEmpty(straps);
        lines = List.copyOf(lines);
        kin = kin == null ? Map.of() : Map.copyOf(kin);
        tells = tells == null ? Map.of() : Map.copyOf(tells);
        traps = orEmpty(traps);
        sources = sources == null ? Map.of() : Map.copyOf(sources);
    }

    private static <T> List<T> orEmpty(List<T> list) {
        return list == null ? List.of() : List.copyOf(list);
    }

    /** Whether it takes a memory card, alone or beside a display. */
    public boolean hasCard() {
        return levels.containsKey("card");
    }

    public Optional<PartLine> line(String lineId) {
        return First.of(lines, l -> l.id().equals(lineId));
    }

    public Optional<Interface> interfaceOf(String interfaceId) {
        return First.of(interfaces, i -> i.id().equals(interfaceId));
    }

    public Optional<Strap> strap(String strapId) {
        return First.of(straps, s -> s.id().equals(strapId));
    }

    /** The lines that exist in an interface variant, in the order of the file. */
    public List<PartLine> linesOf(String interfaceId) {
        List<PartLine> found = new ArrayList<>();
        for (PartLine line : lines) {
            if (line.in(interfaceId)) {
                found.add(line);
            }
        }
        return Collections.unmodifiableList(found);
    }

    /** The lines that stand on its header, in the order of their places. */
    public List<PartLine> headerLines() {
        return lines.stream()
                .filter(l -> l.header() != null)
                .sorted(Comparator.comparing(PartLine::header))
                .toList();
    }

    /** The labels of its header in their order, such as {@code GND VCC SCL SDA}. */
    public String headerLabels() {
        return headerLines().stream().map(PartLine::id).collect(Collectors.joining(" "));
    }

    /** The addresses that its straps and address lines can give, without those beyond ten bits; none for a part without. */
    public SortedSet<Integer> addresses() {
        if (i2c == null) {
            return new TreeSet<>();
        }
        SortedSet<Integer> reach = new TreeSet<>(Set.of(i2c.baseAddress()));
        for (Strap strap : straps) {
            reach = added(
                    reach,
                    strap.settings().stream().map(Strap.Setting::addsToAddress).toList());
        }
        for (PartLine line : lines) {
            if (line.addressBit() != null) {
                reach = added(reach, List.of(0, line.addressBit()));
            }
        }
        return reach;
    }

    private static SortedSet<Integer> added(SortedSet<Integer> reach, List<Integer> adds) {
        return reach.stream()
                .flatMap(a -> adds.stream().map(add -> a + add))
                .filter(a -> a >= 0 && a < ADDRESSES)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    public Optional<PartLine> firstLine(Role role) {
        for (PartLine line : lines) {
            if (line.role() == role) {
                return Optional.of(line);
            }
        }
        return Optional.empty();
    }

    public String source(String key) {
        return key == null ? null : sources.getOrDefault(key, key);
    }
}
