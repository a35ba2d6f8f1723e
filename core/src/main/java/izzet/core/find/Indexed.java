package izzet.core.find;

import izzet.core.catalog.Board;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Part;
import izzet.core.catalog.PartKind;
import izzet.core.catalog.Pin;
import izzet.core.quantity.Hex;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * A board or part as it is looked for.
 *
 * @param supply that it takes; null where it has none or is a board
 * @param head words that say what it is
 * @param tags words of its properties: size, interface, address, supply
 * @param text all that is written about it, as it stands
 * @param words of that text
 */
record Indexed(
        Search.Hit hit,
        PartKind kind,
        Double inches,
        Part.Supply supply,
        Set<String> head,
        Set<String> tags,
        Set<String> words,
        String text) {

    /** Grades of a word: it stands in the head, among the properties, begins one of these, is only mentioned. */
    static final int HEAD = 4;

    static final int TAG = 3;
    static final int BEGINS = 2;
    static final int MENTIONED = 1;

    private static final Pattern VOLTS = Pattern.compile("\\d{1,2}(\\.\\d{1,2})?v");
    private static final int SHORTEST_BEGINNING = 3;

    static Indexed of(Board b) {
        String labels = b.pins().stream().map(Pin::label).collect(Collectors.joining(" "));
        String tags = String.join(" ", b.name(), b.kind(), "board", volts(b.logicVolts()));
        String text =
                String.join(" ", tags, labels, String.join(" ", b.sources().values()));
        return of(
                new Search.Hit("board", b.id(), b.name(), b.summary(), true),
                null,
                null,
                null,
                head(b.name()),
                tags,
                text);
    }

    static Indexed of(Part p) {
        StringBuilder tags = new StringBuilder(
                String.join(" ", p.name(), p.shortName(), p.kind().text()));
        Double inches = null;
        if (p.glass() != null) {
            Part.Glass g = p.glass();
            inches = g.inches();
            tags.append(" screen");
            tags.append(' ')
                    .append(g.columns())
                    .append('x')
                    .append(g.rows())
                    .append(' ')
                    .append(g.colours());
            if (inches != null) {
                tags.append(' ').append(inches).append("inch ").append(inches);
            }
        }
        p.interfaces().forEach(i -> {
            tags.append(' ').append(i.name()).append(' ').append(i.id());
            if (i.bus() == BusKind.I2C) {
                tags.append(" i2c 2-wire");
            } else if (i.bus() == BusKind.SPI) {
                tags.append(" spi serial");
            } else if (i.bus() == BusKind.RGB) {
                tags.append(" rgb parallel");
            }
            if (i.bits() != null) {
                tags.append(" parallel");
            }
        });
        p.addresses().forEach(a -> tags.append(' ').append(Hex.of(a)));
        if (p.supply() != null) {
            tags.append(' ')
                    .append(volts(p.supply().minVolts()))
                    .append(' ')
                    .append(volts(p.supply().maxVolts()));
        }
        StringBuilder text = new StringBuilder(tags)
                .append(' ')
                .append(p.headerLabels())
                .append(' ')
                .append(p.summary());
        p.traps().forEach(t -> text.append(' ').append(t.text()));
        text.append(' ').append(String.join(" ", p.sources().values()));
        return of(
                new Search.Hit(p.kind().text(), p.id(), p.name(), p.summary(), false),
                p.kind(),
                inches,
                p.supply(),
                head(p.name()) + " " + head(p.shortName()),
                tags.toString(),
                text.toString());
    }

    private static Indexed of(
            Search.Hit hit, PartKind kind, Double inches, Part.Supply supply, String head, String tags, String text) {
        return new Indexed(
                hit,
                kind,
                inches,
                supply,
                Set.copyOf(new HashSet<>(Words.of(head))),
                Set.copyOf(new HashSet<>(Words.of(tags))),
                Set.copyOf(new HashSet<>(Words.of(text))),
                Words.plain(text));
    }

    /** What it is, without what tells it from others of its kind. */
    private static String head(String name) {
        return name.split(",|\\(| with | on | in | for | by ", 2)[0];
    }

    private static String volts(double value) {
        return (value == Math.rint(value) ? String.valueOf((int) value) : String.valueOf(value)) + "V";
    }

    /** The grade of the best of several meanings; 0 where none fits. */
    int grade(Clause clause) {
        int best = clause.literal() ? phrase(clause.words(), true) : 0;
        for (List<String> meaning : clause.meanings()) {
            best = Math.max(best, phrase(meaning, false));
        }
        return best;
    }

    private int phrase(List<String> phrase, boolean loosely) {
        int worst = HEAD;
        for (String word : phrase) {
            worst = Math.min(worst, loosely ? loosely(word) : exactly(word));
        }
        return worst;
    }

    private int exactly(String word) {
        return head.contains(word) ? HEAD : tags.contains(word) || worksOn(word) ? TAG : 0;
    }

    /** A voltage between the ends of the part's supply is a property of it, too. */
    private boolean worksOn(String word) {
        if (supply == null || !VOLTS.matcher(word).matches()) {
            return false;
        }
        double volts = Double.parseDouble(word.substring(0, word.length() - 1));
        return volts >= supply.minVolts() && volts <= supply.maxVolts();
    }

    private int loosely(String word) {
        int exactly = exactly(word);
        if (exactly > 0) {
            return exactly;
        }
        if (word.length() >= SHORTEST_BEGINNING && begins(head, word)
                || begins(tags, word) && word.length() > SHORTEST_BEGINNING) {
            return BEGINS;
        }
        return words.contains(word) || word.length() >= SHORTEST_BEGINNING && text.contains(word) ? MENTIONED : 0;
    }

    private static boolean begins(Collection<String> words, String beginning) {
        return words.stream().anyMatch(w -> w.startsWith(beginning));
    }
}
