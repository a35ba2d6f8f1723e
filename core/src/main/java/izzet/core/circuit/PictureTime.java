package izzet.core.circuit;

import izzet.core.calc.FillTime;
import izzet.core.catalog.Board;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Part;
import izzet.core.quantity.Counts;
import izzet.core.quantity.Quantity;
import java.util.Optional;

/**
 * What sending one whole picture takes.
 *
 * @param seconds on the wires alone
 * @param formula with its figures
 * @param hertz of the bus, or of the writes
 */
public record PictureTime(double seconds, String formula, double hertz) {

    /** Data bytes in one transfer of the 2-wire bus with the usual library. Common practice. */
    public static final int PIECE_BYTES = 32;

    /** Where neither board nor part tell: some ten instructions a write. Common practice. */
    private static final int USUAL_NANOS = 1000;

    /**
     * By parallel lines, the serial or the 2-wire bus.
     *
     * @param hertz of the bus; not looked at for parallel lines
     * @return nothing for a glass whose bits a pixel are not known, and for panels without memory
     */
    public static Optional<PictureTime> of(Board board, Part part, Part.Interface variant, double hertz) {
        Part.Glass glass = part.glass();
        if (glass == null || glass.bitsPerPixel() == null || variant.bus() == BusKind.RGB) {
            return Optional.empty();
        }
        long pixels = (long) glass.columns() * glass.rows();
        int bits = glass.bitsPerPixel();
        if (variant.bus() == null) {
            return variant.bits() == null ? Optional.empty() : Optional.of(parallel(board, glass, variant));
        }
        if (variant.bus() == BusKind.I2C) {
            long bytes = (pixels * bits + 7) / 8;
            long pieces = (bytes + PIECE_BYTES - 1) / PIECE_BYTES;
            return Optional.of(new PictureTime(
                    FillTime.twoWire(bytes, PIECE_BYTES, hertz),
                    Counts.of(bytes, "byte") + " in " + Counts.of(pieces, "piece") + " at " + Quantity.hertz(hertz),
                    hertz));
        }
        return Optional.of(new PictureTime(
                FillTime.serial(pixels * bits, hertz), product(glass, bits) + " / " + Quantity.hertz(hertz), hertz));
    }

    private static PictureTime parallel(Board board, Part.Glass glass, Part.Interface variant) {
        int least = variant.cycleNanos() == null ? USUAL_NANOS : variant.cycleNanos();
        double cycle = Math.max(least, board.writeNanos() == null ? USUAL_NANOS : board.writeNanos()) / 1e9;
        int writes = (glass.bitsPerPixel() + variant.bits() - 1) / variant.bits();
        return new PictureTime(
                FillTime.parallel((long) glass.columns() * glass.rows(), glass.bitsPerPixel(), variant.bits(), cycle),
                product(glass, writes) + " × " + Quantity.seconds(cycle),
                1 / cycle);
    }

    private static String product(Part.Glass glass, int times) {
        return glass.columns() + " × " + glass.rows() + " × " + times;
    }
}
