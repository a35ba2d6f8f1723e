package izzet.core.decode.i2c;

import izzet.core.capture.TimeScale;
import izzet.core.decode.Behaviour;
import izzet.core.decode.BusEvent;
import izzet.core.decode.Decoder;
import izzet.core.decode.Guess;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.LineRole;
import izzet.core.decode.Option;
import izzet.core.decode.Protocol;
import izzet.core.decode.Settings;
import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/** Two lines, clock and data, with addresses and acknowledge bits. Source: I2C-bus specification UM10204. */
public final class I2cProtocol implements Protocol {

    static final LineRole SCL = LineRole.needed("scl", "clock", "sck", "clk", "clock");
    static final LineRole SDA = LineRole.needed("sda", "data", "dat", "data");

    /** Data may change while the clock is high only to begin and to end a transfer: seldom. */
    private static final double MOST_CHANGES_UNDER_HIGH_CLOCK = 0.35;

    private static final int LEAST_CLOCKS = 9;

    @Override
    public String id() {
        return "i2c";
    }

    @Override
    public String name() {
        return "I2C";
    }

    @Override
    public String unit() {
        return "transfer";
    }

    @Override
    public List<LineRole> roles() {
        return List.of(SCL, SDA);
    }

    @Override
    public List<Option> options() {
        return List.of(Decoder.GLITCH);
    }

    @Override
    public Decoder decoder(Settings settings, Consumer<BusEvent> out) {
        return new I2cDecoder(this, settings, out);
    }

    /**
     * Both rest high, and where one changes while the other is high, it is the data that begins or ends a transfer: so clock and data are
     * told apart whatever they are called.
     */
    @Override
    public Optional<Guess> guess(Behaviour b) {
        Guess best = null;
        for (int scl : b.free()) {
            for (int sda : b.free()) {
                if (scl == sda || b.rises(scl) < LEAST_CLOCKS || b.edges(sda) == 0) {
                    continue;
                }
                double high = b.edgesWhile(sda, scl, 1) / (double) b.edges(sda);
                long starts = b.fallsWhile(sda, scl, 1);
                boolean named = b.named(scl, "scl") && b.named(sda, "sda");
                boolean crossed = b.named(scl, "sda") && b.named(sda, "scl");
                if (starts == 0 || high > MOST_CHANGES_UNDER_HIGH_CLOCK || b.edges(scl) < b.edges(sda)) {
                    continue;
                }
                double rest = (b.highShare(scl) + b.highShare(sda)) / 2;
                double score =
                        0.35 + 0.3 * (1 - high / MOST_CHANGES_UNDER_HIGH_CLOCK) + 0.1 * rest + (named ? 0.25 : 0);
                String why = "data changes while the clock is low but for " + starts
                        + (starts == 1 ? " START" : " STARTs")
                        + (named ? ", and the names agree" : crossed ? "; the names say the opposite" : "");
                if (best == null || score > best.score()) {
                    best = new Guess(id(), Map.of(SCL.id(), scl, SDA.id(), sda), Map.of(), Math.min(1, score), why);
                }
            }
        }
        return Optional.ofNullable(best);
    }

    @Override
    public boolean words(BusEvent event, Decoder.Words out) {
        return false;
    }

    @Override
    public void json(StringBuilder json, BusEvent event, TimeScale scale) {
        I2cTransfer t = (I2cTransfer) event;
        json.append("{\"startNs\":").append(scale.nanoseconds(t.start()));
        json.append(",\"endNs\":").append(scale.nanoseconds(t.end()));
        json.append(",\"begin\":\"").append(t.begin().text());
        json.append("\",\"end\":\"").append(t.ending().text());
        json.append("\",\"address\":").append(t.address());
        json.append(",\"addressBits\":").append(t.addressBits());
        json.append(",\"read\":").append(t.read());
        json.append(",\"ack\":").append(t.ack());
        json.append(",\"data\":[");
        for (int i = 0; i < t.size(); i++) {
            json.append(i == 0 ? "{\"value\":" : ",{\"value\":").append(t.value(i));
            json.append(",\"ack\":").append(t.acks()[i]).append('}');
        }
        json.append("]}");
    }

    @Override
    public void pack(DataOutput out, BusEvent event) throws IOException {
        I2cTransfer t = (I2cTransfer) event;
        out.writeLong(t.start());
        out.writeLong(t.end());
        out.writeByte(t.begin().ordinal());
        out.writeByte(t.ending().ordinal());
        out.writeShort(t.address());
        out.writeByte(t.addressBits());
        out.writeBoolean(t.read());
        out.writeBoolean(t.ack());
        out.writeInt(t.size());
        out.write(t.data());
        for (boolean ack : t.acks()) {
            out.writeBoolean(ack);
        }
    }

    @Override
    public I2cTransfer unpack(DataInput in) throws IOException {
        long start = in.readLong();
        long end = in.readLong();
        I2cTransfer.Begin begin = I2cTransfer.Begin.values()[in.readByte()];
        I2cTransfer.End ending = I2cTransfer.End.values()[in.readByte()];
        int address = in.readShort();
        int bits = in.readByte();
        boolean read = in.readBoolean();
        boolean ack = in.readBoolean();
        byte[] data = new byte[in.readInt()];
        in.readFully(data);
        boolean[] acks = new boolean[data.length];
        for (int i = 0; i < acks.length; i++) {
            acks[i] = in.readBoolean();
        }
        return new I2cTransfer(start, end, begin, ending, address, bits, read, ack, data, acks);
    }
}
