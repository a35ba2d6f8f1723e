package izzet.core.decode.serial;

import izzet.core.capture.TimeScale;
import izzet.core.decode.Behaviour;
import izzet.core.decode.BusEvent;
import izzet.core.decode.Decoder;
import izzet.core.decode.Guess;
import izzet.core.decode.LineRole;
import izzet.core.decode.Option;
import izzet.core.decode.Protocol;
import izzet.core.decode.SerialByte;
import izzet.core.decode.Settings;
import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/** One line that rests high, a start bit, data from the lowest bit, a stop bit. Common practice. */
public final class SerialProtocol implements Protocol {

    private static final long[] USUAL_RATES = {
        300, 1200, 2400, 4800, 9600, 19_200, 31_250, 38_400, 57_600, 74_880, 115_200, 230_400, 250_000, 460_800,
        500_000, 921_600, 1_000_000
    };

    /** Clocks of two parties may differ by so much and still be read. Common practice. */
    private static final double TOLERANCE = 0.04;

    private static final int LEAST_EDGES = 10;

    @Override
    public String id() {
        return "serial";
    }

    @Override
    public String name() {
        return "Serial line";
    }

    @Override
    public String unit() {
        return "byte";
    }

    @Override
    public List<LineRole> roles() {
        return List.of(LineRole.needed("rx", "line", "tx", "line", "rxd", "txd"));
    }

    @Override
    public List<Option> options() {
        return List.of(
                Option.number("baud", "bits a second", "baud", 50, 20_000_000, 9600),
                Option.number("dataBits", "data", "bits", 5, 9, 8),
                Option.choice("parity", "parity", "none", "none", "even", "odd"),
                Option.choice("inverted", "rests low", "no", "no", "yes"),
                Decoder.GLITCH);
    }

    @Override
    public Decoder decoder(Settings settings, Consumer<BusEvent> out) {
        return new SerialDecoder(this, settings, out);
    }

    /** The shortest pulse of such a line is one bit of a usual rate, and it rests high. */
    @Override
    public Optional<Guess> guess(Behaviour b) {
        for (int line : b.free()) {
            if (b.edges(line) < LEAST_EDGES || !b.named(line, "rxd", "txd", "rx", "tx", "uart", "serial")) {
                continue;
            }
            double seconds = b.scale().seconds(b.shortest(line));
            for (long rate : USUAL_RATES) {
                if (Math.abs(seconds * rate - 1) < TOLERANCE) {
                    return Optional.of(new Guess(
                            id(),
                            Map.of("rx", line),
                            Map.of("baud", Long.toString(rate)),
                            0.7,
                            "its name, and its shortest pulse is one bit at " + rate + " baud"));
                }
            }
        }
        return Optional.empty();
    }

    @Override
    public boolean words(BusEvent event, Decoder.Words out) {
        SerialByte t = (SerialByte) event;
        boolean letter = t.value() >= ' ' && t.value() < 0x7F;
        String text = letter ? "'" + (char) t.value() + "'" : String.format("%02X", t.value());
        out.at(t.start(), t.end(), text, t.framed() && t.parityRight());
        return true;
    }

    @Override
    public void json(StringBuilder json, BusEvent event, TimeScale scale) {
        SerialByte t = (SerialByte) event;
        json.append("{\"startNs\":").append(scale.nanoseconds(t.start()));
        json.append(",\"endNs\":").append(scale.nanoseconds(t.end()));
        json.append(",\"value\":").append(t.value());
        json.append(",\"framed\":").append(t.framed());
        json.append(",\"parityRight\":").append(t.parityRight()).append('}');
    }

    @Override
    public void pack(DataOutput out, BusEvent event) throws IOException {
        SerialByte t = (SerialByte) event;
        out.writeLong(t.start());
        out.writeLong(t.end());
        out.writeShort(t.value());
        out.writeBoolean(t.framed());
        out.writeBoolean(t.parityRight());
    }

    @Override
    public SerialByte unpack(DataInput in) throws IOException {
        return new SerialByte(in.readLong(), in.readLong(), in.readShort(), in.readBoolean(), in.readBoolean());
    }
}
