package izzet.core.decode;

import izzet.core.capture.Packing;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;

/** Packs transfers for storage and unpacks them again. */
public final class TransferBlock {

    /** Transfers in a full block. */
    public static final int CAPACITY = 512;

    private static final int FORMAT = 1;

    private TransferBlock() {}

    public static byte[] pack(List<I2cTransfer> transfers) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (DataOutputStream out = new DataOutputStream(Packing.deflate(bytes, FORMAT))) {
            out.writeInt(transfers.size());
            for (I2cTransfer t : transfers) {
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
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    public static List<I2cTransfer> unpack(byte[] packed) {
        try (DataInputStream in = new DataInputStream(Packing.inflate(packed, FORMAT))) {
            int count = in.readInt();
            List<I2cTransfer> transfers = new ArrayList<>(count);
            for (int i = 0; i < count; i++) {
                transfers.add(one(in));
            }
            return transfers;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static I2cTransfer one(DataInputStream in) throws IOException {
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
