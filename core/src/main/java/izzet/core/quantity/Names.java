package izzet.core.quantity;

/** Names that people give, and that come with files: what of them can be kept and shown. */
public final class Names {

    private Names() {}

    /** Whether pages, pictures and tables can hold it: no control characters, no half character, none that no text may have. */
    public static boolean readable(String name) {
        return name.codePoints().allMatch(Names::readable);
    }

    private static boolean readable(int c) {
        return !Character.isISOControl(c) && Character.getType(c) != Character.SURROGATE && c != 0xFFFE && c != 0xFFFF;
    }

    /** The same without what cannot be shown. */
    public static String cleaned(String name) {
        StringBuilder clean = new StringBuilder();
        name.codePoints().filter(Names::readable).forEach(clean::appendCodePoint);
        return clean.toString();
    }

    /**
     * Its beginning, cut between characters.
     *
     * @param most places as a text column counts them; a character outside the basic plane takes two
     */
    public static String cut(String name, int most) {
        if (name.length() <= most) {
            return name;
        }
        return name.substring(0, Character.isHighSurrogate(name.charAt(most - 1)) ? most - 1 : most);
    }
}
