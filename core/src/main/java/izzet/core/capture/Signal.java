package izzet.core.capture;

/**
 * A one-bit line of a record.
 *
 * @param path whole name with dots, from the outermost scope
 * @param leaf last part of the name
 * @param bit number within a vector; -1 for a line of its own
 * @param variable index of the variable it belongs to, for the reader
 * @param offset of the bit from the right end of the vector's value
 */
public record Signal(String path, String leaf, int bit, int variable, int offset) {

    public String pathName() {
        return bit < 0 ? path : path + "[" + bit + "]";
    }

    public String leafName() {
        return bit < 0 ? leaf : leaf + "[" + bit + "]";
    }
}
