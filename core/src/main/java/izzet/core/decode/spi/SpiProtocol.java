package izzet.core.decode.spi;

import izzet.core.capture.TimeScale;
import izzet.core.decode.Behaviour;
import izzet.core.decode.BusEvent;
import izzet.core.decode.Decoder;
import izzet.core.decode.Guess;
import izzet.core.decode.LineRole;
import izzet.core.decode.Option;
import izzet.core.decode.Protocol;
import izzet.core.decode.Settings;
import izzet.core.decode.SpiTransfer;
import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;

/** Clock, data out, data in and a select for each part. Common practice: four modes, either bit first, words of any length. */
public final class SpiProtocol implements Protocol {

    /** Of the commands of colour panels that are answered on the line on which they came. Source: MIPI DCS, from memory. */
    private static final String PANEL_READS = "04 09 0A 0B 0C 0D 0E 0F 2E DA DB DC";

    private static final int LEAST_CLOCKS = 8;
    private static final double NEARLY_ALL = 0.98;
    private static final String[] SELECTS = {"cs", "select", "nss", "ss", "ce"};

    @Override
    public String id() {
        return "spi";
    }

    @Override
    public String name() {
        return "SPI";
    }

    @Override
    public String unit() {
        return "transfer";
    }

    @Override
    public List<LineRole> roles() {
        return List.of(
                LineRole.needed("clock", "clock", "sck", "sclk", "clk", "scl"),
                LineRole.optional("mosi", "data to the part", "sdi", "din", "copi", "sda", "data"),
                LineRole.optional("miso", "data from the part", "sdo", "dout", "cipo"),
                LineRole.optional("select", "select", "cs", "nss", "ss", "ce"),
                LineRole.optional("dc", "data/command", "rs", "a0"));
    }

    @Override
    public List<Option> options() {
        return List.of(
                Option.choice("mode", "mode", "0", "0", "1", "2", "3"),
                Option.choice("bitOrder", "first bit of a word", "msb", "msb", "lsb"),
                Option.number("wordBits", "word", "bits", 1, 32, 8),
                Option.choice("selectActive", "select is active", "low", "low", "high"),
                Option.choice("dcInside", "data/command as a bit before each word", "no", "no", "yes"),
                Option.number("turnAfter", "answer on the same line after", "words", 0, 16, 0),
                Option.bytes("turnOn", "commands that are answered there", PANEL_READS),
                Option.number("dummyClocks", "clocks before the answer", "clocks", 0, 32, 0),
                Option.number("gapNs", "a rest that begins a word anew", "ns", 0, 1_000_000_000, 0),
                Decoder.GLITCH);
    }

    @Override
    public void check(Settings settings) {
        if (!settings.has("mosi") && !settings.has("miso")) {
            throw new IllegalArgumentException("The SPI decoder needs a data line: mosi, miso or both.");
        }
    }

    @Override
    public Decoder decoder(Settings settings, Consumer<BusEvent> out) {
        return new SpiDecoder(this, settings, out);
    }

    /** The clock runs only while the select is low; data changes at one level of the clock, which tells the mode. */
    @Override
    public Optional<Guess> guess(Behaviour b) {
        Guess best = null;
        for (int clock : b.free()) {
            if (b.rises(clock) < LEAST_CLOCKS) {
                continue;
            }
            for (int select : b.free()) {
                Guess one = select == clock ? null : with(b, clock, select);
                if (one != null && (best == null || one.score() > best.score())) {
                    best = one;
                }
            }
        }
        return Optional.ofNullable(best);
    }

    /** Other parts on the same clock, each with a select of its own. */
    @Override
    public Optional<Guess> another(Guess found, Behaviour b) {
        int clock = found.lines().get("clock");
        return b.free().stream()
                .filter(s -> s != clock && b.named(s, SELECTS) && b.edgesWhile(clock, s, 0) > 0)
                .map(s -> with(b, clock, s))
                .filter(g -> g != null)
                .findFirst();
    }

    @Override
    public Set<String> shared() {
        return Set.of("clock", "mosi", "miso");
    }

    private Guess with(Behaviour b, int clock, int select) {
        boolean named = b.named(select, SELECTS);
        double inside = b.edgesWhile(clock, select, 0) / (double) b.edges(clock);
        boolean encloses = inside >= NEARLY_ALL && b.edges(select) > 0 && b.highShare(select) > 0;
        if (!encloses && !(named && inside > 0) || b.edges(select) > b.rises(clock) / 2) {
            return null;
        }
        boolean busier = b.free().stream()
                .anyMatch(
                        i -> i != clock && i != select && b.edgesWhile(i, select, 0) > b.edgesWhile(clock, select, 0));
        if (busier) {
            return null;
        }
        Map<String, Integer> lines = new LinkedHashMap<>();
        lines.put("clock", clock);
        lines.put("select", select);
        List<Integer> rest = new ArrayList<>(b.free());
        rest.removeAll(List.of(clock, select));
        rest.removeIf(i -> b.named(i, SELECTS) || b.edges(i) > b.edges(clock));
        give(lines, rest, "dc", b, "dc", "d/c", "a0", "rs", "cmd");
        give(lines, rest, "miso", b, "miso", "sdo", "dout", "cipo");
        give(lines, rest, "mosi", b, "mosi", "sdi", "din", "copi", "sda", "data");
        rest.removeIf(i -> b.edges(i) == 0 || b.named(i, "reset", "rst", "busy"));
        rest.sort(Comparator.comparing((Integer i) -> -b.edges(i)));
        if (!lines.containsKey("mosi") && !rest.isEmpty()) {
            lines.put("mosi", rest.remove(0));
        }
        if (!lines.containsKey("mosi") && !lines.containsKey("miso")) {
            return null;
        }
        if (!lines.containsKey("dc") && !rest.isEmpty() && b.edges(rest.get(0)) <= b.rises(clock) / 4) {
            lines.put("dc", rest.remove(0));
        }
        int data = lines.getOrDefault("mosi", lines.getOrDefault("miso", -1));
        int mode = mode(b, clock, select, data);
        double score = (encloses ? 0.6 : 0.4)
                + (named ? 0.15 : 0)
                + (b.named(clock, "sck", "sclk", "clk", "clock") ? 0.15 : 0)
                + (b.named(data, "mosi", "miso", "sdi", "sdo", "din") ? 0.1 : 0);
        String why =
                (encloses ? "the clock runs only while " + b.name(select) + " is low" : "by the names of the lines")
                        + "; mode " + mode + ", since the clock rests " + (mode > 1 ? "high" : "low")
                        + " and data changes while it is "
                        + (mode == 0 || mode == 3 ? "low" : "high");
        return new Guess(id(), lines, Map.of("mode", Integer.toString(mode)), Math.min(1, score), why);
    }

    private static void give(
            Map<String, Integer> lines, List<Integer> rest, String role, Behaviour b, String... names) {
        rest.stream().filter(i -> b.named(i, names)).findFirst().ifPresent(i -> {
            lines.put(role, i);
            rest.remove(i);
        });
    }

    private static int mode(Behaviour b, int clock, int select, int data) {
        long[] rests = new long[2];
        long[] changes = new long[2];
        long before = -1;
        for (long[] row : b.beginning()) {
            long now = row[1];
            if (before >= 0) {
                int clockBefore = Behaviour.level(before, clock);
                int clockNow = Behaviour.level(now, clock);
                boolean on = Behaviour.level(now, select) == 0;
                if (on && Behaviour.level(before, select) == 1 && clockNow < 2) {
                    rests[clockNow]++;
                }
                if (on && Behaviour.level(before, data) != Behaviour.level(now, data) && clockNow < 2) {
                    // A change together with an edge of the clock belongs to the level after it: data follows the
                    // shifting edge.
                    changes[clockNow] += clockBefore == clockNow ? 1 : 2;
                }
            }
            before = now;
        }
        boolean high = rests[1] > rests[0];
        boolean samplesRise = changes[0] >= changes[1];
        return high ? (samplesRise ? 3 : 2) : samplesRise ? 0 : 1;
    }

    @Override
    public boolean words(BusEvent event, Decoder.Words out) {
        SpiTransfer t = (SpiTransfer) event;
        long from = t.start();
        for (int i = 0; i < t.size(); i++) {
            boolean sent = t.mosi() != null && i < t.mosi().length;
            boolean came = t.miso() != null && i < t.miso().length && (!sent || t.miso()[i] != 0);
            String text = (sent ? hex(t.mosi()[i]) : "") + (came ? (sent ? " / " : "← ") + hex(t.miso()[i]) : "");
            out.at(from, t.ends()[i], t.dc() != null && t.dc()[i] == 0 ? "cmd " + text : text, true);
            from = t.ends()[i];
        }
        return true;
    }

    private static String hex(int word) {
        return String.format("%02X", word);
    }

    @Override
    public void json(StringBuilder json, BusEvent event, TimeScale scale) {
        SpiTransfer t = (SpiTransfer) event;
        json.append("{\"startNs\":").append(scale.nanoseconds(t.start()));
        json.append(",\"endNs\":").append(scale.nanoseconds(t.end()));
        json.append(",\"mosi\":");
        list(json, t.mosi());
        json.append(",\"miso\":");
        list(json, t.miso());
        json.append(",\"dc\":");
        if (t.dc() == null) {
            json.append("null");
        } else {
            json.append('[');
            for (int i = 0; i < t.dc().length; i++) {
                json.append(i == 0 ? "" : ",").append(t.dc()[i] < 2 ? Byte.toString(t.dc()[i]) : "null");
            }
            json.append(']');
        }
        json.append(t.continues() ? ",\"continues\":true}" : "}");
    }

    private static void list(StringBuilder json, int[] words) {
        if (words == null) {
            json.append("null");
            return;
        }
        json.append('[');
        for (int i = 0; i < words.length; i++) {
            json.append(i == 0 ? "" : ",").append(words[i] & 0xFFFF_FFFFL);
        }
        json.append(']');
    }

    @Override
    public void pack(DataOutput out, BusEvent event) throws IOException {
        SpiTransfer t = (SpiTransfer) event;
        out.writeLong(t.start());
        out.writeLong(t.end());
        out.writeBoolean(t.continues());
        out.writeInt(t.size());
        long last = t.start();
        for (long end : t.ends()) {
            out.writeLong(end - last);
            last = end;
        }
        pack(out, t.mosi());
        pack(out, t.miso());
        out.writeInt(t.dc() == null ? -1 : t.dc().length);
        if (t.dc() != null) {
            out.write(t.dc());
        }
    }

    private static void pack(DataOutput out, int[] words) throws IOException {
        out.writeInt(words == null ? -1 : words.length);
        if (words != null) {
            for (int word : words) {
                out.writeInt(word);
            }
        }
    }

    @Override
    public SpiTransfer unpack(DataInput in) throws IOException {
        long start = in.readLong();
        long end = in.readLong();
        boolean continues = in.readBoolean();
        long[] ends = new long[in.readInt()];
        long last = start;
        for (int i = 0; i < ends.length; i++) {
            last += in.readLong();
            ends[i] = last;
        }
        int[] mosi = words(in);
        int[] miso = words(in);
        int size = in.readInt();
        byte[] dc = size < 0 ? null : new byte[size];
        if (dc != null) {
            in.readFully(dc);
        }
        return new SpiTransfer(start, end, mosi, miso, dc, ends, continues);
    }

    private static int[] words(DataInput in) throws IOException {
        int size = in.readInt();
        if (size < 0) {
            return null;
        }
        int[] words = new int[size];
        for (int i = 0; i < size; i++) {
            words[i] = in.readInt();
        }
        return words;
    }
}
