package izzet.core.draw;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Bytes as makers write them: hexadecimal, binary, decimal, in the code of any language; and back. */
public final class ByteText {

    private static final String ONE = "(?:0[xX][0-9a-fA-F]{1,2}|\\$?[0-9a-fA-F]{2})";

    /** A semicolon begins one, as in assembler, unless nothing but bytes follows. */
    private static final Pattern COMMENT = Pattern.compile(
            "//[^\n]*|/\\*.*?\\*/|;(?![ \t]*" + ONE + "(?:[ \t,;]+" + ONE + ")*[ \t,;]*(?:\\R|$))[^\n]*",
            Pattern.DOTALL);

    /** As assemblers write them, with an H behind. */
    private static final Pattern BEHIND = Pattern.compile("\\b0?([0-9a-fA-F]{2})[hH]\\b");

    /** Without anything between. */
    private static final Pattern PACKED = Pattern.compile("(?:[0-9a-fA-F]{2}){2,}");

    /** Words and numbers alone, with a byte such as AE among them. */
    private static final Pattern SPOILT = Pattern.compile(
            "(?=.*\\b(?:[a-fA-F][0-9a-fA-F]|[0-9][a-fA-F])\\b)[0-9a-zA-Z]+(?:[\\s,]+[0-9a-zA-Z]+)*[\\s,]*",
            Pattern.DOTALL);

    private static final String HOW = "; write them such as AE D5 80, 0xAE, 0xD5 or B00100.";
    private static final Pattern PAIR = Pattern.compile("[0-9a-fA-F]{2}");
    private static final Pattern QUOTED = Pattern.compile("\\\\x([0-9a-fA-F]{2})");
    private static final Pattern TOKEN = Pattern.compile(
            "0[xX]([0-9a-fA-F]{1,2})\\b|\\$([0-9a-fA-F]{2})\\b|0[bB]([01]{1,8})\\b|[bB%]([01]{5,8})\\b|\\b([0-9]{1,3})\\b|\\b([0-9a-fA-F]{2})\\b");
    private static final Pattern MARKED = Pattern.compile("0[xX][0-9a-fA-F]|\\$[0-9a-fA-F]{2}|0[bB][01]|[bB%][01]{5}");
    private static final int MOST = 100_000;
    private static final int A_LINE = 12;

    private ByteText() {}

    /**
     * Reads a list. Numbers without a mark are hexadecimal where all of them have two digits, decimal elsewhere; text in front of a brace or
     * bracket, such as the name of an array, is passed over.
     *
     * @throws IllegalArgumentException when there is no byte in it, or a number is too large for one
     */
    public static List<Integer> read(String text) {
        String clean = COMMENT.matcher(text).replaceAll(" ").replace(';', ' ');
        clean = BEHIND.matcher(clean).replaceAll("0x$1");
        if (PACKED.matcher(clean.strip()).matches()) {
            clean = PAIR.matcher(clean).replaceAll("$0 ");
        }
        List<Integer> bytes = new ArrayList<>();
        if (QUOTED.matcher(clean).find()) {
            QUOTED.matcher(clean).results().forEach(m -> bytes.add(Integer.parseInt(m.group(1), 16)));
            return bytes;
        }
        int open = Math.max(clean.indexOf('{'), clean.indexOf('['));
        if (open >= 0 && clean.indexOf('{') >= 0) {
            clean = clean.substring(clean.indexOf('{'));
        }
        boolean marked = MARKED.matcher(clean).find();
        boolean hexadecimal = !marked && clean.strip().matches("(?i)[0-9a-f]{2}([\\s,]+[0-9a-f]{2})*[\\s,]*");
        if (!marked && !hexadecimal && SPOILT.matcher(clean.strip()).matches()) {
            // Its other numbers would be taken for decimal ones.
            throw new IllegalArgumentException(noByte(clean) + HOW);
        }
        Matcher m = TOKEN.matcher(clean);
        while (m.find()) {
            int value = value(m, hexadecimal);
            if (value > 0xFF) {
                throw new IllegalArgumentException("'" + m.group() + "' is more than a byte holds.");
            }
            if (value >= 0) {
                bytes.add(value);
            }
            if (bytes.size() > MOST) {
                throw new IllegalArgumentException("Up to " + MOST + " bytes are read at once.");
            }
        }
        if (bytes.isEmpty()) {
            throw new IllegalArgumentException(noByte(clean) + HOW);
        }
        return bytes;
    }

    /** Beside bytes of two digits it is one word that spoils the list. */
    private static String noByte(String clean) {
        List<String> words = List.of(clean.strip().split("[\\s,]+"));
        return words.stream().anyMatch(w -> PAIR.matcher(w).matches())
                ? words.stream()
                        .filter(w -> !PAIR.matcher(w).matches())
                        .findFirst()
                        .map(w -> "'" + (w.length() > 20 ? w.substring(0, 20) + "…" : w)
                                + "' is no byte of two hexadecimal digits")
                        .orElse("No byte was found")
                : "No byte was found";
    }

    private static int value(Matcher m, boolean hexadecimal) {
        if (m.group(1) != null || m.group(2) != null) {
            return Integer.parseInt(m.group(1) != null ? m.group(1) : m.group(2), 16);
        }
        if (m.group(3) != null || m.group(4) != null) {
            return Integer.parseInt(m.group(3) != null ? m.group(3) : m.group(4), 2);
        }
        if (hexadecimal) {
            return Integer.parseInt(m.group(), 16);
        }
        return m.group(5) != null ? Integer.parseInt(m.group(5)) : -1;
    }

    public static String hex(List<Integer> bytes) {
        StringBuilder text = new StringBuilder();
        for (int b : bytes) {
            text.append(text.isEmpty() ? "" : " ").append(String.format(Locale.ROOT, "%02X", b));
        }
        return text.toString();
    }

    /** An array of the language C. */
    public static String c(String name, List<Integer> bytes) {
        return "const unsigned char " + name + "[" + bytes.size() + "] = {\n" + lines(bytes, "0x%02X", ", ", "  ")
                + "\n};\n";
    }

    /** Bytes of the language Python. */
    public static String python(String name, List<Integer> bytes) {
        return name + " = bytes([\n" + lines(bytes, "0x%02X", ", ", "    ") + "\n])\n";
    }

    /** Bytes of an assembler. */
    public static String assembler(String name, List<Integer> bytes) {
        StringBuilder text = new StringBuilder(name).append(":\n");
        for (int i = 0; i < bytes.size(); i += A_LINE) {
            text.append("  .byte ")
                    .append(lines(bytes.subList(i, Math.min(bytes.size(), i + A_LINE)), "$%02X", ", ", ""))
                    .append('\n');
        }
        return text.toString();
    }

    private static String lines(List<Integer> bytes, String form, String between, String indent) {
        StringBuilder text = new StringBuilder(indent);
        for (int i = 0; i < bytes.size(); i++) {
            text.append(String.format(Locale.ROOT, form, bytes.get(i)));
            if (i < bytes.size() - 1) {
                text.append(i % A_LINE == A_LINE - 1 ? between.strip() + "\n" + indent : between);
            }
        }
        return text.toString();
    }
}
