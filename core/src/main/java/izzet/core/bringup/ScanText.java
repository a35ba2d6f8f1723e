package izzet.core.bringup;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The result of a scan as people have it: a table of a system's tool, a list of a program, sentences with addresses, typed by hand.
 *
 * @param found addresses that answered, ascending
 * @param held those that a driver holds, so that the scan did not ask them
 * @param reading how the numbers were read, in words
 */
public record ScanText(TreeSet<Integer> found, TreeSet<Integer> held, String reading) {

    public static final int MOST_LETTERS = 20_000;

    private static final int FIRST = 0x08;
    private static final int LAST = 0x7F;
    private static final Pattern ROW = Pattern.compile("^\\s*([0-7])0:\\s(.*)$");
    private static final Pattern PREFIXED = Pattern.compile("0[xX]([0-9a-fA-F]{1,2})\\b");
    private static final Pattern WORD = Pattern.compile("\\b([0-9a-fA-F]{1,3})\\b");
    private static final Pattern NOTHING =
            Pattern.compile("\\b(nothing|none|no\\s+(\\w+\\s+)?(devices?|address(es)?|parts?|i2c))\\b");
    private static final Pattern LIST = Pattern.compile("\\[([0-9,\\s]*)]");

    /**
     * @throws IllegalArgumentException when nothing of it can be read, saying what can
     */
    public static ScanText of(String text) {
        if (text.length() > MOST_LETTERS) {
            throw new IllegalArgumentException("A scan has " + MOST_LETTERS + " characters at most.");
        }
        TreeSet<Integer> found = new TreeSet<>();
        TreeSet<Integer> held = new TreeSet<>();
        if (table(text, found, held)) {
            return new ScanText(found, held, "read as a table with rows of sixteen");
        }
        Matcher prefixed = PREFIXED.matcher(text);
        while (prefixed.find()) {
            add(found, Integer.parseInt(prefixed.group(1), 16));
        }
        if (!found.isEmpty()) {
            return new ScanText(found, held, "read as hexadecimal numbers with 0x");
        }
        Matcher list = LIST.matcher(text);
        if (list.find()) {
            for (String word : list.group(1).split("[,\\s]+")) {
                if (!word.isBlank()) {
                    add(found, Integer.parseInt(word));
                }
            }
            return new ScanText(found, held, "read as a list of decimal numbers");
        }
        String lower = text.toLowerCase(Locale.ROOT);
        if (lower.isBlank() || NOTHING.matcher(lower).find()) {
            return new ScanText(found, held, "nothing answered");
        }
        return bare(text, found, held);
    }

    private static boolean table(String text, TreeSet<Integer> found, TreeSet<Integer> held) {
        boolean any = false;
        for (String line : text.split("\\R")) {
            Matcher row = ROW.matcher(line);
            if (!row.matches()) {
                continue;
            }
            any = true;
            int base = Integer.parseInt(row.group(1), 16) * 16;
            String cells = row.group(2);
            // Cells of three letters: the place says the address, whatever stands in it.
            for (int i = 0; i < 16; i++) {
                int at = i * 3;
                String cell = at + 2 <= cells.length() ? cells.substring(at, at + 2) : "";
                if (cell.equalsIgnoreCase("UU")) {
                    held.add(base + i);
                } else if (cell.matches("[0-9a-fA-F]{2}")) {
                    found.add(base + i);
                }
            }
        }
        return any;
    }

    /** Numbers without a mark: hexadecimal, as addresses are printed, unless one can only be decimal. */
    private static ScanText bare(String text, TreeSet<Integer> found, TreeSet<Integer> held) {
        List<String> words = new ArrayList<>();
        Matcher word = WORD.matcher(text);
        while (word.find()) {
            if (word.group(1).matches(".*\\d.*")) {
                words.add(word.group(1));
            }
        }
        if (words.isEmpty()) {
            throw new IllegalArgumentException(
                    "No address can be read here; paste the scan's table, or write the addresses as 0x3C, 0x70.");
        }
        boolean decimal = words.stream().allMatch(w -> w.matches("\\d+"))
                && words.stream().anyMatch(w -> w.length() == 3 || Integer.parseInt(w, 16) > LAST);
        for (String w : words) {
            int address = Integer.parseInt(w, decimal ? 10 : 16);
            // "2 devices: 3C, 3D": a count is no address, and no scan asks below these.
            if (address >= FIRST) {
                add(found, address);
            }
        }
        return new ScanText(found, held, decimal ? "read as decimal numbers" : "read as hexadecimal numbers");
    }

    private static void add(TreeSet<Integer> found, int address) {
        if (address > LAST) {
            throw new IllegalArgumentException(
                    "0x" + Integer.toHexString(address).toUpperCase(Locale.ROOT)
                            + " is no 7-bit address; halve it where it is written with the read/write bit.");
        }
        found.add(address);
    }

    /** All that are there. */
    public TreeSet<Integer> all() {
        TreeSet<Integer> all = new TreeSet<>(found);
        all.addAll(held);
        return all;
    }
}
