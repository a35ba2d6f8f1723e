package izzet.core.decode.character;

import izzet.core.capture.TimeScale;
import izzet.core.decode.Behaviour;
import izzet.core.decode.BusEvent;
import izzet.core.decode.CharacterTransfer;
import izzet.core.decode.Decoder;
import izzet.core.decode.Guess;
import izzet.core.decode.LineRole;
import izzet.core.decode.Option;
import izzet.core.decode.Protocol;
import izzet.core.decode.Settings;
import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/** The bus of a character display, 4 or 8 bits wide. Source: data sheet of its controller (HD44780U), timing; from memory. */
public final class CharacterProtocol implements Protocol {

    private static final int DATA_LINES = 8;
    private static final int LEAST_STROBES = 6;

    /** A pulse is short against the rest of the time. */
    private static final double MOST_HIGH = 0.3;

    @Override
    public String id() {
        return "character-lcd";
    }

    @Override
    public String name() {
        return "Character display";
    }

    @Override
    public String unit() {
        return "byte";
    }

    @Override
    public List<LineRole> roles() {
        List<LineRole> roles = new ArrayList<>(List.of(
                LineRole.needed("e", "enable", "en", "enable"),
                LineRole.needed("rs", "register select"),
                LineRole.optional("rw", "read/write", "r/w")));
        for (int i = 0; i < DATA_LINES; i++) {
            roles.add(new LineRole("d" + i, "data " + i, List.of("db" + i), i >= DATA_LINES / 2));
        }
        return roles;
    }

    @Override
    public List<Option> options() {
        return List.of(Option.choice("busWidth", "bus", "as wired", "as wired", "4", "8"), Decoder.GLITCH);
    }

    static boolean eightBits(Settings settings) {
        return settings.is("busWidth", "8") || settings.is("busWidth", "as wired") && settings.has("d0");
    }

    @Override
    public void check(Settings settings) {
        for (int i = 0; i < DATA_LINES / 2 && eightBits(settings); i++) {
            if (!settings.has("d" + i)) {
                throw new IllegalArgumentException("On a bus of 8 bits the line d" + i + " is needed, too.");
            }
        }
    }

    @Override
    public Decoder decoder(Settings settings, Consumer<BusEvent> out) {
        return new CharacterDecoder(this, settings, out);
    }

    /** By the names; without them, by what is said at the beginning of every set-up: 3, 3, 3, 2 in the halves tell the order of the port. */
    @Override
    public Optional<Guess> guess(Behaviour b) {
        Map<String, Integer> named = b.byName(roles());
        boolean whole = roles().stream().filter(LineRole::required).allMatch(r -> named.containsKey(r.id()));
        if (whole && b.rises(named.get("e")) > 0) {
            if (!named.keySet().containsAll(List.of("d0", "d1", "d2", "d3"))) {
                List.of("d0", "d1", "d2", "d3").forEach(named::remove);
            }
            return Optional.of(new Guess(id(), named, Map.of(), 0.95, "by the names of the lines"));
        }
        return byWakeUp(b);
    }

    private Optional<Guess> byWakeUp(Behaviour b) {
        for (int e : b.free()) {
            if (b.rises(e) < LEAST_STROBES || b.highShare(e) > MOST_HIGH || changesUnder(b, e)) {
                continue;
            }
            List<Long> strobes = strobes(b, e);
            Map<String, Integer> lines = WakeUp.order(b, e, strobes);
            if (lines != null) {
                return Optional.of(new Guess(
                        id(),
                        lines,
                        Map.of(),
                        0.8,
                        "no line changes while " + b.name(e)
                                + " is high, and the set-up that every program sends tells the order of the port"));
            }
        }
        return Optional.empty();
    }

    private static boolean changesUnder(Behaviour b, int e) {
        return b.free().stream().anyMatch(i -> i != e && b.edgesWhile(i, e, 1) > b.edges(i) / 50);
    }

    /** The levels of all lines at the end of each pulse. */
    private static List<Long> strobes(Behaviour b, int e) {
        List<Long> strobes = new ArrayList<>();
        long before = -1;
        for (long[] row : b.beginning()) {
            if (before >= 0 && Behaviour.level(before, e) == 1 && Behaviour.level(row[1], e) == 0) {
                strobes.add(before);
            }
            before = row[1];
        }
        return strobes;
    }

    @Override
    public boolean words(BusEvent event, Decoder.Words out) {
        CharacterTransfer t = (CharacterTransfer) event;
        boolean letter = t.data() && !t.read() && t.value() >= ' ' && t.value() < 0x7F;
        String text = letter ? "'" + (char) t.value() + "'" : String.format("%02X", t.value());
        out.at(t.start(), t.end(), (t.read() ? "← " : t.data() ? "" : "cmd ") + text, true);
        return true;
    }

    @Override
    public void json(StringBuilder json, BusEvent event, TimeScale scale) {
        CharacterTransfer t = (CharacterTransfer) event;
        json.append("{\"tNs\":").append(scale.nanoseconds(t.end()));
        json.append(",\"rs\":").append(t.data() ? 1 : 0);
        json.append(",\"rw\":").append(t.read() ? 1 : 0);
        json.append(",\"value\":").append(t.value());
        json.append(",\"nibbles\":").append(t.nibbles()).append('}');
    }

    @Override
    public void pack(DataOutput out, BusEvent event) throws IOException {
        CharacterTransfer t = (CharacterTransfer) event;
        out.writeLong(t.start());
        out.writeLong(t.end());
        out.writeBoolean(t.data());
        out.writeBoolean(t.read());
        out.writeByte(t.value());
        out.writeByte(t.nibbles());
    }

    @Override
    public CharacterTransfer unpack(DataInput in) throws IOException {
        return new CharacterTransfer(
                in.readLong(), in.readLong(), in.readBoolean(), in.readBoolean(), in.readUnsignedByte(), in.readByte());
    }
}
