package izzet.core.find;

import java.util.List;

/**
 * Words that mean one thing, such as "bus switch" or "16x2".
 *
 * @param typed as they were written
 * @param words as they are read, slips mended
 * @param meanings what they stand for on the shelf; empty where they stand for themselves
 * @param usual id of what is mostly meant, where several things fit; null for none
 * @param literal whether the words by themselves count, too
 * @param known whether anything on the shelf has to do with them
 */
record Clause(
        List<String> typed,
        List<String> words,
        List<List<String>> meanings,
        String usual,
        boolean literal,
        boolean known) {

    boolean mended() {
        return !typed.equals(words);
    }

    /** For reading a list: the meanings alone where there are any. */
    Clause strict() {
        return meanings.isEmpty() ? this : new Clause(typed, words, meanings, usual, false, known);
    }
}
