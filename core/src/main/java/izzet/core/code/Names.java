package izzet.core.code;

import java.text.Normalizer;
import java.util.Locale;

/** Names of users in programs. */
final class Names {

    private static final int LONGEST = 40;

    private Names() {}

    /** In capitals, letters and digits of ASCII. */
    static String constant(String name) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFD)
                .toUpperCase(Locale.ROOT)
                .replaceAll("[^A-Z0-9]+", "_")
                .replaceAll("^_|_$", "");
        String cut = plain.length() > LONGEST ? plain.substring(0, LONGEST) : plain;
        return cut.isEmpty() || Character.isDigit(cut.charAt(0)) ? "PART_" + cut : cut;
    }

    /** What can stand in a comment of any of the languages: it ends no comment, joins no line, and names no trigraph. */
    static String comment(String words) {
        return Normalizer.normalize(words, Normalizer.Form.NFD).replaceAll("[^A-Za-z0-9 .,:;()+=-]", "_");
    }
}
