package izzet.core.decode;

import izzet.core.capture.Packing;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;

/** Packs events of one protocol for storage and unpacks them again. */
public final class EventBlock {

    /** Events in a full block. */
    public static final int CAPACITY = 512;

    /** Words in a full block, so that long transfers do not make it heavy. */
    public static final int MOST_WORDS = 1 << 16;

    /** Blocks of this format and before hold I2C transfers and do not say so. */
    private static final int ONLY_I2C = 1;

    private static final int FORMAT = 2;

    private EventBlock() {}

    public static byte[] pack(Protocol protocol, List<BusEvent> events) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (DataOutputStream out = new DataOutputStream(Packing.deflate(bytes, FORMAT))) {
            out.writeUTF(protocol.id());
            out.writeInt(events.size());
            for (BusEvent event : events) {
                protocol.pack(out, event);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    public static List<BusEvent> unpack(byte[] packed) {
        try (DataInputStream in = new DataInputStream(Packing.inflate(packed, FORMAT))) {
            Protocol protocol = Protocols.of(Packing.format(packed) <= ONLY_I2C ? "i2c" : in.readUTF());
            int count = in.readInt();
            List<BusEvent> events = new ArrayList<>(count);
            for (int i = 0; i < count; i++) {
                events.add(protocol.unpack(in));
            }
            return events;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** How much place an event takes in a block, in words. */
    public static int weight(BusEvent event) {
        return event instanceof SpiTransfer t ? t.size() : event instanceof I2cTransfer t ? t.size() : 1;
    }
}
