package izzet.core.capture;

import java.math.BigDecimal;
import java.math.BigInteger;

/**
 * The length of one tick of a record.
 *
 * @param femtoseconds from 1 to 10^17 (100 s)
 */
public record TimeScale(long femtoseconds) {

    private static final long FEMTOSECONDS_PER_NANOSECOND = 1_000_000;

    public TimeScale {
        if (femtoseconds <= 0) {
            throw new IllegalArgumentException("A tick must be longer than nothing.");
        }
    }

    /** Exact, in nanoseconds, as it is printed: without exponent and without needless zeros. */
    public String nanoseconds(long ticks) {
        if (femtoseconds % FEMTOSECONDS_PER_NANOSECOND == 0) {
            long factor = femtoseconds / FEMTOSECONDS_PER_NANOSECOND;
            long limit = Long.MAX_VALUE / factor;
            if (ticks <= limit && ticks >= -limit) {
                return Long.toString(ticks * factor);
            }
        }
        BigDecimal exact = new BigDecimal(BigInteger.valueOf(ticks).multiply(BigInteger.valueOf(femtoseconds)), 6);
        return exact.signum() == 0 ? "0" : exact.stripTrailingZeros().toPlainString();
    }

    public double seconds(long ticks) {
        return ticks * (femtoseconds / 1e15);
    }

    /** The number of ticks in this time, rounded up. */
    public long ticksIn(long nanoseconds) {
        return BigInteger.valueOf(nanoseconds)
                .multiply(BigInteger.valueOf(FEMTOSECONDS_PER_NANOSECOND))
                .add(BigInteger.valueOf(femtoseconds - 1))
                .divide(BigInteger.valueOf(femtoseconds))
                .longValueExact();
    }
}
