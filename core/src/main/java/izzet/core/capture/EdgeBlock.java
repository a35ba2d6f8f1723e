package izzet.core.capture;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;

/**
 * A run of changes of one line, packed for storage: time differences and levels as variable-length numbers, deflated.
 *
 * @param before level before the first change
 * @param after level after the last change
 */
public record EdgeBlock(long firstTick, long lastTick, int before, int after, int count, byte[] packed) {

    /** Changes in a full block: small enough to unpack at a glance, large enough to pack well. */
    public static final int CAPACITY = 8192;

    private static final int FORMAT = 1;

    /** Takes the changes of a block one by one. */
    public interface Visitor {
        void edge(long tick, int level);
    }

    static EdgeBlock pack(long[] ticks, byte[] levels, int count, int before) {
        byte[] plain = new byte[count * Packing.MOST_BYTES];
        int size = 0;
        long last = ticks[0];
        for (int i = 0; i < count; i++) {
            size = Packing.number(plain, size, ticks[i] - last << 2 | levels[i]);
            last = ticks[i];
        }
        ByteArrayOutputStream bytes = new ByteArrayOutputStream(size / 2);
        // In one piece: the packer is called anew for every write.
        try (OutputStream out = Packing.deflate(bytes, FORMAT)) {
            out.write(plain, 0, size);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return new EdgeBlock(ticks[0], ticks[count - 1], before, levels[count - 1], count, bytes.toByteArray());
    }

    public void visit(Visitor visitor) {
        visit(Long.MAX_VALUE, visitor);
    }

    /** @param until the tick behind which nothing is told any more */
    public void visit(long until, Visitor visitor) {
        try (InputStream in = Packing.inflate(packed, FORMAT)) {
            Packing.Numbers numbers = new Packing.Numbers(in.readAllBytes());
            long tick = firstTick;
            for (int i = 0; i < count; i++) {
                long number = numbers.next();
                tick += number >>> 2;
                if (tick > until) {
                    return;
                }
                visitor.edge(tick, (int) (number & 3));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
