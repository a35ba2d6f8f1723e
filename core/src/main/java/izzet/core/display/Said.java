package izzet.core.display;

/**
 * What one event does, in words.
 *
 * @param text in words; for {@code JOINED} the characters alone
 * @param manner how it stands beside its neighbours
 * @param weight what a counted line counts, such as picture bytes
 * @param unit of the weight; for {@code JOINED} the words before the characters
 */
public record Said(String text, Manner manner, int weight, String unit) {

    /** How events in a row become one line. */
    public enum Manner {
        /** Stands alone. */
        ALONE,
        /** Joins the line before it and says nothing of its own. */
        QUIET,
        /** Joins the line before it, whose words it says anew: the rest of a command that began there. */
        REPLACES,
        /** Joins its like, and the weights add up. */
        COUNTED,
        /** Joins its like, and the texts run together. */
        JOINED
    }

    public static Said alone(String text) {
        return new Said(text, Manner.ALONE, 0, "");
    }

    public static Said quiet(String text) {
        return new Said(text, Manner.QUIET, 0, "");
    }

    public static Said replaces(String text) {
        return new Said(text, Manner.REPLACES, 0, "");
    }

    public static Said counted(String text, int weight, String unit) {
        return new Said(text, Manner.COUNTED, weight, unit);
    }
}
