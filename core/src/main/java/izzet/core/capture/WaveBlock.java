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
    private static final int LEVEL_BITS = 2;
    private static final int LEVEL = 3;
    private static final int AFTER = LEVEL_BITS;
    private static final int SEEN = 2 * LEVEL_BITS;

    static WaveBlock pack(List<WaveNode> nodes) {
        byte[] plain = new byte[4 + nodes.size() * (4 * Packing.MOST_BYTES + 2)];
        int size = Packing.number(plain, 0, nodes.size());
        long at = nodes.get(0).first();
        for (WaveNode node : nodes) {
            size = Packing.number(plain, size, node.first() - at);
            size = Packing.number(plain, size, node.last() - node.first());
            size = Packing.number(plain, size, node.gapFrom() - node.first());
            size = Packing.number(plain, size, node.gapTo() - node.gapFrom());
            size = Packing.number(plain, size, node.before() | node.after() << AFTER | node.gapLevel() << SEEN);
            size = Packing.number(plain, size, node.seen());
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

    /** @throws IllegalStateException when a later version of the program wrote it */
    public List<WaveNode> nodes() {
        try (InputStream in = Packing.inflate(packed, FORMAT)) {
            Packing.Numbers numbers = new Packing.Numbers(in.readAllBytes());
            int count = (int) numbers.next();
            List<WaveNode> nodes = new ArrayList<>(count);
            long at = firstTick;
            for (int i = 0; i < count; i++) {
                long first = at + numbers.next();
                at = first + numbers.next();
                long gapFrom = first + numbers.next();
                long gapTo = gapFrom + numbers.next();
                int levels = (int) numbers.next();
                int seen = (int) numbers.next();
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
}
