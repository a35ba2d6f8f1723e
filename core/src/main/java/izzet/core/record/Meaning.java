package izzet.core.record;

import izzet.core.decode.I2cTransfer;

/**
 * What bytes mean to one kind of part. Stateful: one instance follows one part through a record. A meaning is a class in
 * {@code izzet.core.record.meanings}; it is found there by itself.
 */
public interface Meaning {

    /** The command set it knows, as part files name it. */
    String speaks();

    /**
     * Says what a transfer does.
     *
     * @return never null
     */
    Said of(I2cTransfer transfer);

    /**
     * @param text in words
     * @param fold transfers in a row with the same fold become one line; null to stand alone
     * @param weight what the folded line counts, such as picture bytes
     * @param unit of the weight
     */
    record Said(String text, String fold, int weight, String unit) {
        public static Said alone(String text) {
            return new Said(text, null, 0, "");
        }
    }
}
