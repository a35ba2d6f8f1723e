package izzet.core.calc;

/**
 * How long it takes to send one whole picture, in seconds. Source of the formulas: arithmetic of each interface; frame of the 2-wire bus
 * after the I2C-bus specification and user manual UM10204.
 */
public final class FillTime {

    /** Bits of a byte on the 2-wire bus, with its acknowledge. */
    private static final int BYTE_BITS = 9;

    /** What START and STOP take, in clock periods. */
    private static final int START_AND_STOP = 2;

    /** Address and control byte before each piece. */
    private static final int BYTES_BEFORE = 2;

    public static final String SERIAL = "columns × rows × bits a pixel on the wire / clock";
    public static final String PARALLEL = "columns × rows × writes a pixel × write cycle";
    public static final String TWO_WIRE = "pieces × (9 (bytes + 2) + 2) / clock";

    private FillTime() {}

    /**
     * A serial bus: every bit takes one clock.
     *
     * @param bits of the whole picture on the wire
     * @param hertz above 0
     */
    public static double serial(long bits, double hertz) {
        return bits / positive(hertz);
    }

    /**
     * A parallel bus that writes so many bits at once.
     *
     * @param bitsPerPixel rounded up to whole writes for each pixel
     */
    public static double parallel(long pixels, int bitsPerPixel, int bitsPerWrite, double cycleSeconds) {
        long writes = pixels * ((bitsPerPixel + bitsPerWrite - 1) / bitsPerWrite);
        return writes * positive(cycleSeconds);
    }

    /**
     * The 2-wire bus, in pieces of so many data bytes; each has an address and a control byte of its own.
     *
     * @param pieceBytes data bytes in one transfer; the last piece may be shorter
     */
    public static double twoWire(long bytes, int pieceBytes, double hertz) {
        if (pieceBytes < 1) {
            throw new IllegalArgumentException("A piece has one byte at least, not " + pieceBytes + ".");
        }
        long whole = bytes / pieceBytes;
        long rest = bytes % pieceBytes;
        long bits = whole * pieceBits(pieceBytes) + (rest > 0 ? pieceBits(rest) : 0);
        return bits / positive(hertz);
    }

    private static long pieceBits(long bytes) {
        return BYTE_BITS * (bytes + BYTES_BEFORE) + START_AND_STOP;
    }

    /** The clock of a pixel bus in hertz, blanking included. */
    public static double pixelClock(int totalColumns, int totalRows, double picturesPerSecond) {
        return totalColumns * (double) totalRows * picturesPerSecond;
    }

    private static double positive(double value) {
        if (!(value > 0)) {
            throw new IllegalArgumentException("A clock or cycle must be above 0, not " + value + ".");
        }
        return value;
    }
}
