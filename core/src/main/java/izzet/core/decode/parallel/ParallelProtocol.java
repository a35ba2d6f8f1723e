package izzet.core.decode.parallel;

import izzet.core.capture.TimeScale;
import izzet.core.decode.Behaviour;
import izzet.core.decode.BusEvent;
import izzet.core.decode.Decoder;
import izzet.core.decode.Guess;
import izzet.core.decode.LineRole;
import izzet.core.decode.Option;
import izzet.core.decode.ParallelTransfer;
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

/** A bus with one strobe for writing and one for reading, 8 or 16 bits wide. Source: MIPI DBI type B; from memory. */
public final class ParallelProtocol implements Protocol {

    static final int WR = 0;
    static final int RD = 1;
    static final int CS = 2;
    static final int DC = 3;
    static final int D0 = 4;
    static final int MOST_DATA = 16;
    private static final int BYTE = 8;

    @Override
    public String id() {
        return "parallel-8080";
    }

    @Override
    public String name() {
        return "Parallel bus";
    }

    @Override
    public String unit() {
        return "word";
    }

    @Override
    public List<LineRole> roles() {
        List<LineRole> roles = new ArrayList<>(List.of(
                LineRole.needed("wr", "write strobe", "wrx"),
                LineRole.optional("rd", "read strobe", "rdx"),
                LineRole.optional("cs", "select", "csx", "select"),
                LineRole.optional("dc", "data/command", "rs", "dcx")));
        for (int i = 0; i < MOST_DATA; i++) {
            roles.add(new LineRole("d" + i, "data " + i, List.of("db" + i), i < BYTE));
        }
        return roles;
    }

    @Override
    public List<Option> options() {
        return List.of(Decoder.GLITCH);
    }

    @Override
    public void check(Settings settings) {
        for (int i = BYTE; i < MOST_DATA; i++) {
            if (settings.has("d" + BYTE) != settings.has("d" + i)) {
                throw new IllegalArgumentException("The bus is 8 or 16 bits wide; of d8 to d15 give all or none.");
            }
        }
    }

    @Override
    public Decoder decoder(Settings settings, Consumer<BusEvent> out) {
        return new ParallelDecoder(this, settings, out);
    }

    @Override
    public Optional<Guess> guess(Behaviour b) {
        Map<String, Integer> named = b.byName(roles());
        boolean whole = roles().stream().filter(LineRole::required).allMatch(r -> named.containsKey(r.id()));
        if (!whole || b.rises(named.get("wr")) == 0) {
            return Optional.empty();
        }
        for (int i = BYTE; i < MOST_DATA; i++) {
            if (!named.containsKey("d" + (MOST_DATA - 1))) {
                named.remove("d" + i);
            }
        }
        return Optional.of(new Guess(id(), named, Map.of(), 0.97, "by the names of the lines"));
    }

    @Override
    public boolean words(BusEvent event, Decoder.Words out) {
        ParallelTransfer t = (ParallelTransfer) event;
        out.at(
                t.start(),
                t.end(),
                (t.read() ? "← " : t.dc() == 0 ? "cmd " : "") + String.format("%02X", t.value()),
                true);
        return true;
    }

    @Override
    public void json(StringBuilder json, BusEvent event, TimeScale scale) {
        ParallelTransfer t = (ParallelTransfer) event;
        json.append("{\"tNs\":").append(scale.nanoseconds(t.end()));
        json.append(",\"dc\":").append(t.dc() < 0 ? "null" : Integer.toString(t.dc()));
        json.append(",\"value\":").append(t.value());
        json.append(t.read() ? ",\"read\":true}" : "}");
    }

    @Override
    public void pack(DataOutput out, BusEvent event) throws IOException {
        ParallelTransfer t = (ParallelTransfer) event;
        out.writeLong(t.start());
        out.writeLong(t.end());
        out.writeByte(t.dc());
        out.writeShort(t.value());
        out.writeBoolean(t.read());
    }

    @Override
    public ParallelTransfer unpack(DataInput in) throws IOException {
        return new ParallelTransfer(
                in.readLong(), in.readLong(), in.readByte(), in.readUnsignedShort(), in.readBoolean());
    }
}
