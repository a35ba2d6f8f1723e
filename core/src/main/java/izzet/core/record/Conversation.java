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
import java.util.stream.Collectors;

/**
 * A record read as a conversation: who spoke to whom, was it heard, what did it mean. Feed it every transfer in order, then take the
 * lines. Not thread-safe; one per reading.
 */
public final class Conversation {

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
            boolean cutOff) {}

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
    private final Map<Integer, Tally> tallies = new LinkedHashMap<>();
    private final List<Line> lines = new ArrayList<>();
    private I2cTransfer previous;
    private Meaning.Said said;
    private int weight;
    private String joined;
    private int index;

    public Conversation(Circuit circuit) {
        for (Unit unit : circuit.units()) {
            circuit.addressOf(unit).ifPresent(a -> unitsAt.computeIfAbsent(a, k -> new ArrayList<>())
                    .add(unit));
        }
        unitsAt.forEach((address, units) ->
                meaning(units.get(0).part().i2c().speaks()).ifPresent(m -> meanings.put(address, m)));
    }

    private static java.util.Optional<Meaning> meaning(String speaks) {
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
            said = now;
            weight = now.weight();
            joined = now.text();
            lines.add(line(t, text(1)));
        }
        previous = t;
        index++;
    }

    private boolean joins(I2cTransfer t, Meaning.Said now) {
        return switch (now.manner()) {
            case QUIET -> heard(previous);
            case COUNTED, JOINED -> now.manner() == said.manner() && now.unit().equals(said.unit());
            case ALONE -> previous.sameWords(t) && heard(t) && now.equals(said);
        };
    }

    private void extend(I2cTransfer t, Meaning.Said now) {
        Line last = lines.remove(lines.size() - 1);
        int count = last.count() + 1;
        if (now.manner() != Meaning.Manner.QUIET) {
            weight += now.weight();
            joined += now.text();
        }
        lines.add(new Line(
                last.first(),
                count,
                last.start(),
                t.end(),
                last.address(),
                last.addressBits(),
                last.partner(),
                last.known(),
                last.read(),
                text(count),
                last.addressHeard(),
                last.heard(),
                last.repeatedStart(),
                t.ending() == I2cTransfer.End.CUT_OFF));
    }

    private String text(int transfers) {
        return switch (said.manner()) {
            case ALONE, QUIET -> said.text();
            case COUNTED ->
                said.text() + ", " + weight + " " + said.unit()
                        + (transfers > 1 ? " in " + transfers + " transfers" : "");
            case JOINED -> said.unit() + " “" + joined + "”";
        };
    }

    private Line line(I2cTransfer t, String text) {
        List<Unit> units = t.addressBits() == 7 ? unitsAt.getOrDefault(t.address(), List.of()) : List.of();
        String partner = units.isEmpty()
                ? Hex.of(t.address())
                        + (t.address() == 0 && t.addressBits() == 7 ? ", everybody" : ", nobody in the plan")
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
                text,
                t.ack(),
                heard(t),
                t.begin() == I2cTransfer.Begin.REPEATED_START,
                t.ending() == I2cTransfer.End.CUT_OFF);
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

    public List<Line> lines() {
        return List.copyOf(lines);
    }

    /** By address, in the order first heard; 10-bit addresses have bit 12 set. */
    public Map<Integer, Tally> tallies() {
        return tallies;
    }

    /** Parts of the plan by address. */
    public Map<Integer, List<Unit>> planned() {
        return unitsAt;
    }
}
