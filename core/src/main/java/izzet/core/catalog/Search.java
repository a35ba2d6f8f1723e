package izzet.core.catalog;

import izzet.core.quantity.Hex;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/**
 * Finds boards and parts by what a maker sees and knows: words of the name, pixels, inches, the order of the header as printed, colour,
 * interface, address, supply, and the chip number that stands in a source note. Built once. Immutable. Safe to share.
 */
public final class Search {

    /** @param kind {@code board}, or the kind of the part */
    public record Hit(String kind, String id, String name, String summary, boolean board) {}

    private record Entry(Hit hit, String name, String text) {}

    private final List<Entry> entries = new ArrayList<>();

    public Search(Catalog catalog) {
        catalog.boards().values().forEach(b -> entries.add(entry(b)));
        catalog.parts().values().forEach(p -> entries.add(entry(p)));
    }

    private static Entry entry(Board b) {
        String labels = b.pins().stream().map(Pin::label).collect(Collectors.joining(" "));
        String text = String.join(" ", b.name(), b.summary(), b.kind(), volts(b.logicVolts()), labels) + " "
                + String.join(" ", b.sources().values());
        return new Entry(new Hit("board", b.id(), b.name(), b.summary(), true), plain(b.name()), plain(text));
    }

    private static Entry entry(Part p) {
        StringBuilder text = new StringBuilder(
                String.join(" ", p.name(), p.shortName(), p.summary(), p.kind().text()));
        if (p.glass() != null) {
            Part.Glass g = p.glass();
            text.append(' ').append(g.columns()).append('x').append(g.rows());
            text.append(' ').append(g.colours());
            if (g.inches() != null) {
                text.append(' ')
                        .append(g.inches())
                        .append("inch ")
                        .append(g.inches())
                        .append('"');
            }
        }
        p.interfaces()
                .forEach(i -> text.append(' ').append(i.name()).append(' ').append(i.bus()));
        if (p.i2c() != null) {
            int highest = p.i2c().baseAddress();
            int lowest = highest;
            for (Part.Strap strap : p.straps()) {
                highest += strap.settings().stream()
                        .mapToInt(Part.Strap.Setting::addsToAddress)
                        .max()
                        .orElse(0);
                lowest += strap.settings().stream()
                        .mapToInt(Part.Strap.Setting::addsToAddress)
                        .min()
                        .orElse(0);
            }
            highest += p.lines().stream()
                    .filter(l -> l.addressBit() != null)
                    .mapToInt(PartLine::addressBit)
                    .sum();
            for (int address = lowest; address <= Math.min(highest, lowest + 0x40); address++) {
                text.append(' ').append(Hex.of(address));
            }
        }
        if (p.supply() != null) {
            text.append(' ')
                    .append(volts(p.supply().minVolts()))
                    .append(' ')
                    .append(volts(p.supply().maxVolts()));
        }
        text.append(' ').append(header(p));
        p.traps().forEach(t -> text.append(' ').append(t.text()));
        text.append(' ').append(String.join(" ", p.sources().values()));
        return new Entry(
                new Hit(p.kind().text(), p.id(), p.name(), p.summary(), false),
                plain(p.name() + " " + p.shortName()),
                plain(text.toString()));
    }

    /** The labels of a part's header in their order, such as {@code GND VCC SCL SDA}. */
    public static String header(Part part) {
        return part.lines().stream()
                .filter(l -> l.header() != null)
                .sorted(Comparator.comparing(PartLine::header))
                .map(PartLine::id)
                .collect(Collectors.joining(" "));
    }

    private static String volts(double value) {
        return (value == Math.rint(value) ? String.valueOf((int) value) : String.valueOf(value)) + "V";
    }

    /** Lower case, no accents, and the signs that people write differently made the same. */
    private static String plain(String text) {
        return Normalizer.normalize(text, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT)
                .replace('×', 'x')
                .replaceAll("(\\d) x (\\d)", "$1x$2")
                .replaceAll("(\\d),(\\d)", "$1.$2")
                .replaceAll("(\\d) (v|inch)\\b", "$1$2");
    }

    /**
     * Every word of the query must occur; a query in quotes must occur as it stands, so that the order of a header can be looked for.
     *
     * @return all items for an empty query; those whose name has the words first
     */
    public List<Hit> find(String query) {
        String asked = plain(query.strip());
        boolean phrase = asked.length() > 2 && asked.startsWith("\"") && asked.endsWith("\"");
        String[] words = phrase ? new String[] {asked.substring(1, asked.length() - 1)} : asked.split("\\s+");
        List<Entry> found = new ArrayList<>();
        for (Entry e : entries) {
            boolean all = true;
            for (String word : words) {
                all &= e.text().contains(word);
            }
            if (all) {
                found.add(e);
            }
        }
        found.sort(Comparator.comparingInt((Entry e) -> -score(e, words))
                .thenComparing(e -> e.hit().name()));
        return found.stream().map(Entry::hit).toList();
    }

    private static int score(Entry e, String[] words) {
        int score = 0;
        for (String word : words) {
            if (!word.isEmpty()) {
                score += e.name().startsWith(word) ? 3 : e.name().contains(word) ? 2 : 0;
            }
        }
        return score;
    }
}
