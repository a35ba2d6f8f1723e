package izzet.core.capture;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;

/**
 * Neighbouring nodes of one level of a line's pyramid, packed for storage: distances as variable-length numbers, deflated.
 *
 * @param firstTick of the first node
 * @param lastTick of the last node
 */
public record WaveBlock(long firstTick, long lastTick, byte[] packed) {

    /** Nodes in a full block. */
    public static final int CAPACITY = 1024;

    private static final int FORMAT = 1;
    private static final int MOST_BYTES = 10;
    private static final int LEVEL_BITS = 2;
    private static final int LEVEL = 3;
    private static final int AFTER = LEVEL_BITS;
    private static final int SEEN = 2 * LEVEL_BITS;

    static WaveBlock pack(List<WaveNode> nodes) {
        byte[] plain = new byte[4 + nodes.size() * (4 * MOST_BYTES + 2)];
        int size = number(plain, 0, nodes.size());
        long at = nodes.get(0).first();
        for (WaveNode node : nodes) {
            size = number(plain, size, node.first() - at);
            size = number(plain, size, node.last() - node.first());
            size = number(plain, size, node.gapFrom() - node.first());
            size = number(plain, size, node.gapTo() - node.gapFrom());
            plain[size++] = (byte) (node.before() | node.after() << AFTER | node.gapLevel() << SEEN);
            plain[size++] = (byte) node.seen();
            at = node.last();
        }
        ByteArrayOutputStream bytes = new ByteArrayOutputStream(size / 2);
        try (OutputStream out = Packing.deflate(bytes, FORMAT)) {
            out.write(plain, 0, size);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return new WaveBlock(nodes.get(0).first(), at, bytes.toByteArray());
    }

    private static int number(byte[] out, int from, long value) {
        int at = from;
        long rest = value;
        while ((rest & ~0x7FL) != 0) {
            out[at++] = (byte) (rest & 0x7F | 0x80);
            rest >>>= 7;
        }
        out[at++] = (byte) rest;
        return at;
    }

    /** @throws IllegalStateException when a later version of the program wrote it */
    public List<WaveNode> nodes() {
        try (InputStream in = Packing.inflate(packed, FORMAT)) {
            Numbers numbers = new Numbers(in.readAllBytes());
            int count = (int) numbers.next();
            List<WaveNode> nodes = new ArrayList<>(count);
            long at = firstTick;
            for (int i = 0; i < count; i++) {
                long first = at + numbers.next();
                at = first + numbers.next();
                long gapFrom = first + numbers.next();
                long gapTo = gapFrom + numbers.next();
                int levels = numbers.plain[numbers.at++];
                int seen = numbers.plain[numbers.at++];
                nodes.add(new WaveNode(
                        first,
                        at,
                        levels & LEVEL,
                        levels >> AFTER & LEVEL,
                        seen,
                        gapFrom,
                        gapTo,
                        levels >> SEEN & LEVEL));
            }
            return nodes;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static final class Numbers {
        private final byte[] plain;
        private int at;

        Numbers(byte[] plain) {
            this.plain = plain;
        }

        long next() {
            long number = 0;
            int bits = 0;
            int b;
            do {
                b = plain[at++];
                number |= (long) (b & 0x7F) << bits;
                bits += 7;
            } while (b < 0);
            return number;
        }
    }
}
