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
     * @param text in words; for {@code JOINED} the characters alone
     * @param manner how it stands beside its neighbours
     * @param weight what a counted line counts, such as picture bytes
     * @param unit of the weight; for {@code JOINED} the words before the characters
     */
    record Said(String text, Manner manner, int weight, String unit) {
        public static Said alone(String text) {
            return new Said(text, Manner.ALONE, 0, "");
        }
    }

    /** How transfers in a row become one line. */
    enum Manner {
        /** Stands alone. */
        ALONE,
        /** Joins the line before it and says nothing of its own. */
        QUIET,
        /** Joins its like, and the weights add up. */
        COUNTED,
        /** Joins its like, and the texts run together. */
        JOINED
    }
}
