package izzet.core.find;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Text as words: what people write differently is made the same, on the shelf and in what is asked. */
final class Words {

    /** What makes of the number before it a property, not a count: "4 digits", "8 way". */
    static final List<String> UNITS = List.of(
            "digit",
            "segment",
            "seg",
            "line",
            "channel",
            "ch",
            "way",
            "wire",
            "pin",
            "bit",
            "row",
            "axis",
            "port",
            "key",
            "place",
            "core",
            "inch",
            "volt",
            "to",
            "character");

    private static final Map<String, String> NUMBERS = Map.ofEntries(
            Map.entry("one", "1"),
            Map.entry("two", "2"),
            Map.entry("three", "3"),
            Map.entry("four", "4"),
            Map.entry("five", "5"),
            Map.entry("six", "6"),
            Map.entry("seven", "7"),
            Map.entry("eight", "8"),
            Map.entry("nine", "9"),
            Map.entry("ten", "10"),
            Map.entry("twelve", "12"),
            Map.entry("dozen", "12"));

    private static final Map<String, String> SPELLINGS = Map.of(
            "color",
            "colour",
            "gray",
            "grey",
            "iic",
            "i2c",
            "wi",
            "wifi",
            "axes",
            "axis",
            "w/",
            "with",
            "colored",
            "coloured");

    private static final Pattern SIZE =
            Pattern.compile("(\\d+)\\s*(?:x|\\*| by )\\s*(\\d+)(?!\\d|[.]\\d|\\s*[x*]\\s*\\d|\\s*(?:"
                    + "digit|segment|line|channel|way|wire|pin|bit|ch\\b))");
    private static final Pattern INCHES =
            Pattern.compile("(\\d)[\\s-]*(?:\"|\u201d|\u2033|''|inch(?:es)?\\b|in\\b(?!\\s+and))");
    /** "oled*2": a count behind a word. */
    private static final Pattern TIMES = Pattern.compile("(?<=[a-z)])\\s*\\*\\s*(\\d{1,2})\\b");

    private static final Pattern VOLTS = Pattern.compile("(\\d)\\s*v(?:olts?)?\\b");
    private static final Pattern VOLTS_INSIDE = Pattern.compile("\\b(\\d)v(\\d)\\b");
    private static final Pattern WORD = Pattern.compile("0x[0-9a-f]+|\\d*\\.\\d+[a-z]*|\\bw/|[a-z0-9]+");
    private static final Pattern JOINED = Pattern.compile("(\\d+x\\d+|\\d*\\.?\\d+(?:inch|v)?)([a-z]{2,})");

    private Words() {}

    /** Lower case, no accents, and the signs that people write differently made the same. */
    static String plain(String text) {
        return unified(text).replaceAll("(\\d) x (\\d)", "$1x$2");
    }

    private static String unified(String text) {
        return Normalizer.normalize(text, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT)
                .replace('\u00d7', 'x')
                .replace('\u00b2', '2')
                .replaceAll("(\\d),(\\d)", "$1.$2")
                .replaceAll("(\\d) (v|inch)\\b", "$1$2");
    }

    static List<String> of(String text) {
        String plain = unified(text);
        plain = VOLTS_INSIDE.matcher(plain).replaceAll("$1.$2v");
        plain = INCHES.matcher(plain).replaceAll("$1inch ");
        plain = VOLTS.matcher(plain).replaceAll("$1v ");
        plain = TIMES.matcher(plain).replaceAll(" x$1");
        plain = SIZE.matcher(plain).replaceAll("$1x$2");
        plain = plain.replaceAll("\\bwi[- ]fi\\b", "wifi");
        List<String> words = new ArrayList<>();
        Matcher word = WORD.matcher(plain);
        while (word.find()) {
            add(word.group(), words);
        }
        return words;
    }

    private static void add(String raw, List<String> words) {
        String word = raw.startsWith(".") ? "0" + raw : raw;
        Matcher joined = JOINED.matcher(word);
        if (!word.startsWith("0x") && joined.matches() && !joined.group(2).equals("inch")) {
            words.add(joined.group(1));
            words.add(same(joined.group(2)));
        } else {
            words.add(same(word.replaceAll("(\\d)\\.0+(inch|v)$", "$1$2")));
        }
    }

    private static String same(String word) {
        String number = NUMBERS.get(word);
        if (number != null) {
            return number;
        }
        String one = SPELLINGS.getOrDefault(word, word);
        return SPELLINGS.getOrDefault(singular(one), singular(one));
    }

    private static String singular(String word) {
        if (word.length() < 4 || !word.endsWith("s") || word.matches(".*(ss|us|is)")) {
            return word;
        }
        if (word.endsWith("ies")) {
            return word.substring(0, word.length() - 3) + "y";
        }
        return word.matches(".*(ch|sh|x|ss)es")
                ? word.substring(0, word.length() - 2)
                : word.substring(0, word.length() - 1);
    }
}
