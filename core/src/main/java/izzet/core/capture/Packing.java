package izzet.core.capture;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;

/**
 * Deflated bytes behind one that tells their format, so that what is stored stays readable when the format changes. Blocks of the first
 * versions have no such byte; they begin as every zlib stream does.
 */
public final class Packing {

    /** Format of blocks without a byte that tells it. */
    public static final int UNMARKED = 0;

    private static final int ZLIB = 0x78;

    /** A number of 64 bits takes this many bytes at most. */
    static final int MOST_BYTES = 10;

    private Packing() {}

    /**
     * Writes a number with seven bits a byte, the lowest first.
     *
     * @return where the next one begins
     */
    static int number(byte[] out, int from, long value) {
        int at = from;
        long rest = value;
        while ((rest & ~0x7FL) != 0) {
            out[at++] = (byte) (rest & 0x7F | 0x80);
            rest >>>= 7;
        }
        out[at++] = (byte) rest;
        return at;
    }

    /** Reads what {@link #number} wrote. */
    static final class Numbers {
        private final byte[] plain;
        private int at;

        Numbers(byte[] plain) {
            this.plain = plain;
        }

        long next() {
            int b = plain[at++];
            if (b >= 0) {
                return b;
            }
            long number = b & 0x7F;
            int bits = 7;
            do {
                b = plain[at++];
                number |= (long) (b & 0x7F) << bits;
                bits += 7;
            } while (b < 0);
            return number;
        }
    }

    /** @param format from 1, and not the first byte of a zlib stream */
    public static OutputStream deflate(ByteArrayOutputStream out, int format) {
        if (format < 1 || format == ZLIB || format > Byte.MAX_VALUE) {
            throw new IllegalArgumentException("No block can be marked with " + format + ".");
        }
        out.write(format);
        return new DeflaterOutputStream(out);
    }

    /** Format of a block. */
    public static int format(byte[] packed) {
        return packed.length == 0 || packed[0] == ZLIB ? UNMARKED : packed[0];
    }

    /**
     * The bytes of a block.
     *
     * @param newest format that the caller can read
     * @throws IllegalStateException when a later version of the program wrote it
     */
    public static InputStream inflate(byte[] packed, int newest) {
        int format = format(packed);
        if (format > newest) {
            throw new IllegalStateException("A stored block has format " + format + "; this program reads up to "
                    + newest + ". It was written by a later version.");
        }
        int from = format == UNMARKED ? 0 : 1;
        return new InflaterInputStream(new ByteArrayInputStream(packed, from, packed.length - from));
    }
}
