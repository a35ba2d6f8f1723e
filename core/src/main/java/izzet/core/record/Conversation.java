package izzet.core.record;

import izzet.core.circuit.Circuit;
import izzet.core.circuit.Segment;
import izzet.core.circuit.Unit;
import izzet.core.decode.BusEvent;
import izzet.core.decode.CharacterTransfer;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.ParallelTransfer;
import izzet.core.decode.SerialByte;
import izzet.core.decode.SingleWireFrame;
import izzet.core.decode.SpiTransfer;
import izzet.core.display.Glass;
import izzet.core.display.Interpreters;
import izzet.core.display.Panel;
import izzet.core.display.Said;
import izzet.core.display.Session;
import izzet.core.quantity.Counts;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/**
 * A record read as a conversation: who spoke to whom, was it heard, what did it mean. A stream: transfers in, lines out, so that a long
 * record is never whole in memory. Not thread-safe; one per reading.
 */
public final class Conversation {

    /** Characters of one line; what is written beyond is left out. */
    private static final int MOST_JOINED = 2000;

    /**
     * One or more transfers that belong together.
     *
     * @param first index of its first transfer
     * @param count of transfers folded into it
     * @param behind the channel or gate of the plan that it went through, and whether that was shut; empty on the trunk
     * @param known whether the plan has a part at the address
     * @param heard whether the address and every byte were acknowledged, but for the last byte of a read
     */
    public record Line(
            int first,
            int count,
            long start,
            long end,
            int address,
            int addressBits,
            String partner,
            String behind,
            boolean known,
            boolean read,
            String text,
            boolean addressHeard,
            boolean heard,
            boolean repeatedStart,
            boolean cutOff) {

        Line saying(String words) {
            return new Line(
                    first,
                    count,
                    start,
                    end,
                    address,
                    addressBits,
                    partner,
                    behind,
                    known,
                    read,
                    words,
                    addressHeard,
                    heard,
                    repeatedStart,
                    cutOff);
        }

        Line extendedTo(long newEnd, boolean isCutOff) {
            return new Line(
                    first,
                    count + 1,
                    start,
                    newEnd,
                    address,
                    addressBits,
                    partner,
                    behind,
                    known,
                    read,
                    text,
                    addressHeard,
                    heard,
                    repeatedStart,
                    isCutOff);
        }
    }

    /** What was heard of one address. */
    public static final class Tally {
        private int asked;
        private int answered;
        private int refusedBytes;
        private int empty;
        private long first = -1;
        private long firstRefused = -1;

        /** Transfers of nothing but the address. */
        public int empty() {
            return empty;
        }

        /** Tick of the first of them. */
        public long first() {
            return first;
        }

        /** Tick of the first with a byte that was refused; -1 where there is none. */
        public long firstRefused() {
            return firstRefused;
        }

        /** Transfers to or from it. */
        public int asked() {
            return asked;
        }

        /** Transfers whose address was acknowledged. */
        public int answered() {
            return answered;
        }

        /** Bytes written to it that were not acknowledged. */
        public int refusedBytes() {
            return refusedBytes;
        }
    }

    /** Takes each event with who it was said to. */
    public interface Each {
        void event(BusEvent event, String partner, boolean known, boolean heard);
    }

    private final Circuit circuit;
    private final Unit selected;
    private Each each = (event, partner, known, heard) -> {};
    private final Map<Integer, List<Unit>> unitsAt = new HashMap<>();
    private final Map<String, Session> sessions = new HashMap<>();

    /** Value last written to each bus switch, by its id; none before the first. */
    private final Map<String, Integer> switches = new HashMap<>();

    private final Map<Integer, Unit> misaddressed = new HashMap<>();
    private final Map<Integer, Tally> tallies = new LinkedHashMap<>();
    private final Consumer<Line> out;
    private BusEvent previous;
    private Key previousKey;
    private int index;

    /** The line being put together; null before the first. */
    private Line open;

    /** Who is spoken to, and which way. */
    private record Key(int address, boolean read, List<Unit> units) {}

    private Said said;
    private String replaced;
    private int weight;
    private final StringBuilder joined = new StringBuilder();

    /**
     * @param selected the part that a select, or lines of its own, belong to; null on an I2C bus, or where nobody knows
     * @param out gets each line when it is whole, in the order of time
     */
    public Conversation(Circuit circuit, Unit selected, Consumer<Line> out) {
        this.circuit = circuit;
        this.selected = selected;
        this.out = out;
        for (Unit unit : circuit.units()) {
            circuit.addressOf(unit).ifPresent(a -> unitsAt.computeIfAbsent(a, k -> new ArrayList<>())
                    .add(unit));
        }
        for (Unit unit : circuit.units()) {
            Integer program = unit.placed().address();
            if (program != null && !circuit.addressOf(unit).equals(Optional.of(program))) {
                misaddressed.put(program, unit);
            }
        }
    }

    /** Tells of each event, too. */
    public void eachEvent(Each sink) {
        each = sink;
    }

    public void add(BusEvent event) {
        List<Unit> units = units(event);
        each.event(event, partner(event, units), !units.isEmpty(), heard(event));
        Said now = hear(event, units);
        if (event instanceof I2cTransfer t) {
            count(t);
            switched(t, units);
            if (!heard(t)) {
                now = Said.alone(now.text() + (t.ack() ? "; " + refused(t) : ""));
            }
        }
        Key key = key(event, units);
        if (previous != null && key.equals(previousKey) && joins(event, now)) {
            extend(event, now);
        } else {
            end();
            said = now;
            replaced = null;
            weight = now.weight();
            joined.setLength(0);
            joined.append(now.text());
            open = line(event, units);
        }
        previous = event;
        previousKey = key;
        index++;
    }

    private static Key key(BusEvent event, List<Unit> units) {
        return event instanceof I2cTransfer t
                ? new Key(t.address(), t.read(), units)
                : new Key(-1, reads(event), units);
    }

    private static boolean reads(BusEvent event) {
        return event instanceof CharacterTransfer c && c.read()
                || event instanceof ParallelTransfer p && p.read()
                || event instanceof SpiTransfer s && s.mosi() == null
                || event instanceof SingleWireFrame;
    }

    /** The parts that hear an event. Behind a bus switch only those of its open channels do; before it was set, nobody knows. */
    private List<Unit> units(BusEvent event) {
        if (!(event instanceof I2cTransfer t)) {
            return selected == null ? List.of() : List.of(selected);
        }
        if (t.addressBits() != 7) {
            return List.of();
        }
        List<Unit> all = unitsAt.getOrDefault(t.address(), List.of());
        if (all.size() < 2) {
            return all;
        }
        List<Unit> reached = all.stream().filter(this::reached).toList();
        return reached.isEmpty() ? all : reached;
    }

    private boolean reached(Unit unit) {
        return circuit.segmentOf(unit).stream().flatMap(s -> s.path().stream()).allMatch(hop -> {
            Integer open = switches.get(hop.through().id());
            return open == null || hop.through().part().busSwitch() == null || (open >> channel(hop) & 1) == 1;
        });
    }

    /** Empty where it is one of several places. */
    private String behind(List<Unit> units) {
        List<Segment> segments = units.stream()
                .flatMap(u -> circuit.segmentOf(u).stream())
                .distinct()
                .toList();
        if (segments.size() != 1 || segments.get(0).trunk()) {
            return "";
        }
        String label = segments.get(0).label();
        return units.stream().allMatch(this::reached) ? label : label + ", shut here";
    }

    private static int channel(Segment.Hop hop) {
        return hop.channel().matches("\\d+") ? Integer.parseInt(hop.channel()) : 0;
    }

    private void switched(I2cTransfer t, List<Unit> units) {
        for (Unit unit : units) {
            if (unit.part().busSwitch() != null && !t.read() && t.ack() && t.size() > 0) {
                switches.put(unit.id(), t.value(t.size() - 1));
            }
        }
    }

    private Said hear(BusEvent event, List<Unit> units) {
        Said first = null;
        for (Unit unit : units) {
            Optional<Session> session = session(unit);
            if (session.isPresent()) {
                Said one = session.get().hear(event);
                first = first == null ? one : first;
            }
        }
        return first == null ? unknown(event) : first;
    }

    private Optional<Session> session(Unit unit) {
        Session known = sessions.get(unit.id());
        if (known != null) {
            return Optional.of(known);
        }
        Optional<Session> begun = Interpreters.of(Panel.family(unit.part())).map(i -> i.begin(Panel.of(unit.part())));
        begun.ifPresent(s -> sessions.put(unit.id(), s));
        return begun;
    }

    /** Whether its bus has addresses, so that the plan can be held against it. */
    public boolean addresses() {
        return previous == null ? selected == null : previous instanceof I2cTransfer;
    }

    /** Name of a part of the plan. */
    public String nameOf(String id) {
        return circuit.unit(id).map(Unit::name).orElse(id);
    }

    /** What each part shows that was spoken to and has a glass, by its id; as it stands now. */
    public Map<String, Glass> glasses() {
        Map<String, Glass> glasses = new LinkedHashMap<>();
        circuit.units().forEach(u -> Optional.ofNullable(sessions.get(u.id()))
                .flatMap(Session::glass)
                .ifPresent(g -> glasses.put(u.id(), g)));
        return glasses;
    }

    /** Hands out the last line; to be called after the last transfer. */
    public void end() {
        if (open != null) {
            out.accept(open.saying(text(open.count())));
            open = null;
        }
    }

    private boolean joins(BusEvent event, Said now) {
        return switch (now.manner()) {
            case QUIET, REPLACES -> !(previous instanceof I2cTransfer t) || heard(t);
            case COUNTED, JOINED -> now.manner() == said.manner() && now.unit().equals(said.unit());
            case ALONE ->
                event instanceof I2cTransfer t
                        && previous instanceof I2cTransfer p
                        && p.sameWords(t)
                        && heard(t)
                        && now.equals(said);
        };
    }

    private void extend(BusEvent event, Said now) {
        if (now.manner() == Said.Manner.REPLACES) {
            replaced = now.text();
        } else if (now.manner() != Said.Manner.QUIET) {
            weight += now.weight();
            if (joined.length() < MOST_JOINED) {
                joined.append(now.text());
            }
        }
        open = open.extendedTo(event.end(), cutOff(event));
    }

    private static boolean cutOff(BusEvent event) {
        return event instanceof I2cTransfer t && t.ending() == I2cTransfer.End.CUT_OFF;
    }

    private String text(int transfers) {
        return switch (said.manner()) {
            case ALONE, QUIET, REPLACES -> replaced == null ? said.text() : replaced;
            case COUNTED ->
                said.text() + ", " + weight + " " + said.unit()
                        + (transfers > 1 && transfers != weight ? " in " + transfers + " transfers" : "");
            case JOINED -> said.unit() + " “" + joined + (joined.length() < MOST_JOINED ? "”" : "… ”");
        };
    }

    private Line line(BusEvent event, List<Unit> units) {
        I2cTransfer t = event instanceof I2cTransfer i ? i : null;
        String partner = partner(event, units);
        return new Line(
                index,
                1,
                event.start(),
                event.end(),
                t == null ? -1 : t.address(),
                t == null ? 0 : t.addressBits(),
                partner,
                t == null ? "" : behind(units),
                !units.isEmpty(),
                reads(event) || t != null && t.read(),
                "",
                t == null || t.ack(),
                heard(event),
                t != null && t.begin() == I2cTransfer.Begin.REPEATED_START,
                cutOff(event));
    }

    private String partner(BusEvent event, List<Unit> units) {
        if (!units.isEmpty()) {
            return units.stream().map(Unit::name).collect(Collectors.joining(" or "));
        }
        return event instanceof I2cTransfer t ? Hex.of(t.address()) + ", " + stranger(t) : "the part on these lines";
    }

    private String stranger(I2cTransfer t) {
        if (t.addressBits() != 7) {
            return "nobody in the plan";
        }
        Unit meant = misaddressed.get(t.address());
        return t.address() == 0 ? "everybody" : meant == null ? "nobody in the plan" : "meant for " + meant.name();
    }

    /** Bytes of which nobody knows the meaning, as they are. */
    private static Said unknown(BusEvent event) {
        if (event instanceof I2cTransfer t) {
            return t.size() == 0
                    ? Said.alone("nothing but its address")
                    : Said.alone(t.size() + (t.size() == 1 ? " byte" : " bytes") + (t.read() ? " read" : " written"));
        }
        if (event instanceof SpiTransfer t) {
            return Said.alone(Counts.of(t.size(), "word")
                    + (t.miso() != null && t.mosi() != null ? " both ways" : t.mosi() == null ? " read" : " written"));
        }
        if (event instanceof SerialByte b) {
            boolean plain = b.value() >= ' ' && b.value() < 0x7F;
            return b.framed() && b.parityRight()
                    ? new Said(plain ? String.valueOf((char) b.value()) : "·", Said.Manner.JOINED, 0, "says")
                    : Said.alone(
                            b.framed()
                                    ? "a byte whose parity is wrong"
                                    : "a byte without its stop bit: another speed?");
        }
        if (event instanceof SingleWireFrame f) {
            return Said.alone(frame(f));
        }
        if (event instanceof CharacterTransfer c) {
            return Said.counted(c.data() ? "data" : "commands", 1, c.data() ? "bytes" : "of them");
        }
        return Said.counted("words", 1, "of them");
    }

    private static String frame(SingleWireFrame f) {
        if (f.bytes().length < 5) {
            return f.bits() == 0 ? "no answer" : "an answer of " + f.bits() + " bits, where 40 are whole";
        }
        int[] b = new int[5];
        for (int i = 0; i < b.length; i++) {
            b[i] = f.bytes()[i] & 0xFF;
        }
        String bytes = Hex.of(b[0]) + " " + Hex.of(b[1]) + " " + Hex.of(b[2]) + " " + Hex.of(b[3]);
        return f.sumRight()
                ? String.format(
                        java.util.Locale.ROOT,
                        "humidity %.1f %%, temperature %.1f °C",
                        (b[0] << 8 | b[1]) / 10.0,
                        ((b[2] & 0x7F) << 8 | b[3]) / (b[2] > 0x7F ? -10.0 : 10.0))
                : bytes + ", and the sum is wrong";
    }

    private static boolean heard(BusEvent event) {
        return event instanceof I2cTransfer t
                ? heard(t)
                : event instanceof SerialByte b
                        ? b.framed() && b.parityRight()
                        : !(event instanceof SingleWireFrame f) || f.sumRight();
    }

    private static String refused(I2cTransfer t) {
        for (int i = 0; i < t.size(); i++) {
            if (!t.acks()[i]) {
                return "byte " + (i + 1) + " was refused";
            }
        }
        return "";
    }

    /** The reader ends a read by not acknowledging its last byte; everything else should be acknowledged. */
    private static boolean heard(I2cTransfer t) {
        if (!t.ack()) {
            return false;
        }
        int checked = t.read() ? t.size() - 1 : t.size();
        for (int i = 0; i < checked; i++) {
            if (!t.acks()[i]) {
                return false;
            }
        }
        return true;
    }

    private void count(I2cTransfer t) {
        Tally tally =
                tallies.computeIfAbsent(t.addressBits() == 7 ? t.address() : t.address() | 1 << 12, a -> new Tally());
        tally.asked++;
        tally.empty += t.size() == 0 ? 1 : 0;
        tally.first = tally.first < 0 ? t.start() : tally.first;
        if (t.ack()) {
            tally.answered++;
            if (!t.read()) {
                for (boolean ack : t.acks()) {
                    tally.refusedBytes += ack ? 0 : 1;
                    tally.firstRefused = ack || tally.firstRefused >= 0 ? tally.firstRefused : t.start();
                }
            }
        }
    }

    /** By address, in the order first heard; 10-bit addresses have bit 12 set. */
    public Map<Integer, Tally> tallies() {
        return tallies;
    }

    /** Parts of the plan by address. */
    public Map<Integer, List<Unit>> planned() {
        return unitsAt;
    }

    /** Parts that the program speaks to at an address which their straps do not give, by that address. */
    public Map<Integer, Unit> misaddressed() {
        return misaddressed;
    }
}
