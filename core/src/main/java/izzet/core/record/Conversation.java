package izzet.core.record;

import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.decode.I2cTransfer;
import izzet.core.discovery.Discovery;
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

    private final Map<Integer, List<Unit>> unitsAt = new HashMap<>();
    private final Map<Integer, Meaning> meanings = new HashMap<>();
    private final Map<Integer, Unit> misaddressed = new HashMap<>();
    private final Map<Integer, Tally> tallies = new LinkedHashMap<>();
    private final Consumer<Line> out;
    private I2cTransfer previous;
    private int index;

    /** The line being put together; null before the first. */
    private Line open;

    private Meaning.Said said;
    private int weight;
    private final StringBuilder joined = new StringBuilder();

    /** @param out gets each line when it is whole, in the order of time */
    public Conversation(Circuit circuit, Consumer<Line> out) {
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
        unitsAt.forEach((address, units) ->
                meaning(units.get(0).part().i2c().speaks()).ifPresent(m -> meanings.put(address, m)));
    }

    private static Optional<Meaning> meaning(String speaks) {
        return Discovery.instances(Meaning.class, Conversation.class.getPackageName() + ".meanings").stream()
                .filter(m -> m.speaks().equals(speaks))
                .findFirst();
    }

    public void add(I2cTransfer t) {
        count(t);
        Meaning meaning = t.addressBits() == 7 ? meanings.get(t.address()) : null;
        Meaning.Said now = meaning == null ? unknown(t) : meaning.of(t);
        if (!heard(t)) {
            now = Meaning.Said.alone(now.text() + (t.ack() ? "; " + refused(t) : ""));
        }
        if (previous != null && previous.address() == t.address() && previous.read() == t.read() && joins(t, now)) {
            extend(t, now);
        } else {
            end();
            said = now;
            weight = now.weight();
            joined.setLength(0);
            joined.append(now.text());
            open = line(t);
        }
        previous = t;
        index++;
    }

    /** Hands out the last line; to be called after the last transfer. */
    public void end() {
        if (open != null) {
            out.accept(open.saying(text(open.count())));
            open = null;
        }
    }

    private boolean joins(I2cTransfer t, Meaning.Said now) {
        return switch (now.manner()) {
            case QUIET -> heard(previous);
            case COUNTED, JOINED -> now.manner() == said.manner() && now.unit().equals(said.unit());
            case ALONE -> previous.sameWords(t) && heard(t) && now.equals(said);
        };
    }

    private void extend(I2cTransfer t, Meaning.Said now) {
        if (now.manner() != Meaning.Manner.QUIET) {
            weight += now.weight();
            if (joined.length() < MOST_JOINED) {
                joined.append(now.text());
            }
        }
        open = open.extendedTo(t.end(), t.ending() == I2cTransfer.End.CUT_OFF);
    }

    private String text(int transfers) {
        return switch (said.manner()) {
            case ALONE, QUIET -> said.text();
            case COUNTED ->
                said.text() + ", " + weight + " " + said.unit()
                        + (transfers > 1 ? " in " + transfers + " transfers" : "");
            case JOINED -> said.unit() + " “" + joined + (joined.length() < MOST_JOINED ? "”" : "… ”");
        };
    }

    private Line line(I2cTransfer t) {
        List<Unit> units = t.addressBits() == 7 ? unitsAt.getOrDefault(t.address(), List.of()) : List.of();
        String partner = units.isEmpty()
                ? Hex.of(t.address()) + ", " + stranger(t)
                : units.stream().map(Unit::name).collect(Collectors.joining(" or "));
        return new Line(
                index,
                1,
                t.start(),
                t.end(),
                t.address(),
                t.addressBits(),
                partner,
                !units.isEmpty(),
                t.read(),
                "",
                t.ack(),
                heard(t),
                t.begin() == I2cTransfer.Begin.REPEATED_START,
                t.ending() == I2cTransfer.End.CUT_OFF);
    }

    private String stranger(I2cTransfer t) {
        if (t.addressBits() != 7) {
            return "nobody in the plan";
        }
        Unit meant = misaddressed.get(t.address());
        return t.address() == 0 ? "everybody" : meant == null ? "nobody in the plan" : "meant for " + meant.name();
    }

    private static Meaning.Said unknown(I2cTransfer t) {
        if (t.size() == 0) {
            return Meaning.Said.alone("nothing but its address");
        }
        return Meaning.Said.alone(t.size() + (t.size() == 1 ? " byte" : " bytes") + (t.read() ? " read" : " written"));
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
        if (t.ack()) {
            tally.answered++;
            if (!t.read()) {
                for (boolean ack : t.acks()) {
                    tally.refusedBytes += ack ? 0 : 1;
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
