package izzet.core.capture;

/**
 * Eight decimal digits at once, as they lie in memory: the first digit in the lowest byte. Pairs are joined to hundreds, those to ten
 * thousands, those to the whole, each step for all pairs in one multiplication.
 */
final class Digits {

    private static final long ZEROS = 0x3030303030303030L;
    private static final long HIGH_HALVES = 0xF0F0F0F0F0F0F0F0L;
    private static final long ABOVE_NINE = 0x0606060606060606L;

    private Digits() {}

    /** Whether all eight bytes are characters from 0 to 9. */
    static boolean allEight(long bytes) {
        return (bytes & HIGH_HALVES) == ZEROS && (bytes + ABOVE_NINE & HIGH_HALVES) == ZEROS;
    }

    /** Only for bytes of which {@link #allEight} is true. */
    static long valueOfEight(long bytes) {
        long pairs = (bytes - ZEROS) * (10 << 8 | 1) >>> 8 & 0x00FF00FF00FF00FFL;
        long fours = pairs * (100 << 16 | 1) >>> 16 & 0x0000FFFF0000FFFFL;
        return fours * (10_000L << 32 | 1) >>> 32;
    }
}
