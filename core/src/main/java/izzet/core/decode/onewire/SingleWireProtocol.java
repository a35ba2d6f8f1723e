package izzet.core.decode.onewire;

import izzet.core.capture.TimeScale;
import izzet.core.decode.Behaviour;
import izzet.core.decode.BusEvent;
import izzet.core.decode.Decoder;
import izzet.core.decode.Guess;
import izzet.core.decode.LineRole;
import izzet.core.decode.Option;
import izzet.core.decode.Protocol;
import izzet.core.decode.Settings;
import izzet.core.decode.SingleWireFrame;
import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * The one line of a humidity sensor: a long pull by the controller, an answer of 80 µs and 80 µs, then 40 bits told by how long the line
 * stays high. Source: data sheet of the single-wire humidity sensor (DHT22); from memory.
 */
public final class SingleWireProtocol implements Protocol {

    private static final double SHORTEST_BIT = 15e-6;
    private static final double LONGEST_BIT = 40e-6;
    private static final int LEAST_EDGES = 80;

    @Override
    public String id() {
        return "single-wire";
    }

    @Override
    public String name() {
        return "Single-wire sensor";
    }

    @Override
    public String unit() {
        return "frame";
    }

    @Override
    public List<LineRole> roles() {
        return List.of(LineRole.needed("data", "data", "dat", "line"));
    }

    @Override
    public List<Option> options() {
        return List.of(Decoder.GLITCH);
    }

    @Override
    public Decoder decoder(Settings settings, Consumer<BusEvent> out) {
        return new SingleWireDecoder(this, settings, out);
    }

    /** Its shortest pulse is the high time of a 0, and it rests high. */
    @Override
    public Optional<Guess> guess(Behaviour b) {
        for (int line : b.free()) {
            double shortest = b.scale().seconds(b.shortest(line));
            if (b.edges(line) >= LEAST_EDGES && shortest > SHORTEST_BIT && shortest < LONGEST_BIT && framed(b, line)) {
                return Optional.of(new Guess(
                        id(),
                        Map.of("data", line),
                        Map.of(),
                        0.75,
                        "a long pull, an answer of 80 µs and bits of 26 or 70 µs"));
            }
        }
        return Optional.empty();
    }

    private boolean framed(Behaviour b, int line) {
        int[] whole = {0};
        Decoder trial = decoder(Settings.of(this, n -> n.equals("data") ? b.name(line) : null), e -> {
            whole[0] += ((SingleWireFrame) e).sumRight() ? 1 : 0;
        });
        trial.begin(b.scale());
        for (long[] row : b.beginning()) {
            trial.change(0, Behaviour.level(row[1], line));
            trial.moment(row[0]);
        }
        return whole[0] > 0;
    }

    @Override
    public boolean words(BusEvent event, Decoder.Words out) {
        SingleWireFrame t = (SingleWireFrame) event;
        out.at(t.start(), t.end(), t.bits() + " bits", t.sumRight());
        return true;
    }

    @Override
    public void json(StringBuilder json, BusEvent event, TimeScale scale) {
        SingleWireFrame t = (SingleWireFrame) event;
        json.append("{\"startNs\":").append(scale.nanoseconds(t.start()));
        json.append(",\"endNs\":").append(scale.nanoseconds(t.end()));
        json.append(",\"bits\":").append(t.bits());
        json.append(",\"bytes\":[");
        for (int i = 0; i < t.bytes().length; i++) {
            json.append(i == 0 ? "" : ",").append(t.bytes()[i] & 0xFF);
        }
        json.append("],\"sumRight\":").append(t.sumRight()).append('}');
    }

    @Override
    public void pack(DataOutput out, BusEvent event) throws IOException {
        SingleWireFrame t = (SingleWireFrame) event;
        out.writeLong(t.start());
        out.writeLong(t.end());
        out.writeByte(t.bits());
        out.writeByte(t.bytes().length);
        out.write(t.bytes());
    }

    @Override
    public SingleWireFrame unpack(DataInput in) throws IOException {
        long start = in.readLong();
        long end = in.readLong();
        int bits = in.readByte();
        byte[] bytes = new byte[in.readByte()];
        in.readFully(bytes);
        return new SingleWireFrame(start, end, bits, bytes);
    }
}
