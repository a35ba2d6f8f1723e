package izzet.core.find;

import izzet.core.catalog.BusKind;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.Part;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.function.ToDoubleFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads what a maker types about the things on the table, such as "2 small oled, 16x2 lcd with backpack, wifi board". What fits several
 * things is told as doubtful, with all of them; what fits nothing is told as unread. Immutable. Safe to share.
 */
public final class QuickList {

    /** Longest text that is read, in characters. */
    public static final int MOST_CHARS = 2000;

    private static final int MOST_ITEMS = 60;
    private static final int MOST_ALTERNATIVES = 12;
    private static final int MOST_OF_ONE = 99;
    /** How much larger than the smallest a small one may be. */
    private static final double SMALL = 1.4;

    private static final double LARGE_INCHES = 3.0;

    private static final Pattern BETWEEN = Pattern.compile(
            "(?i)\\s*(?:[\\n\\r;&\u2022]|(?<!\\d),|,(?!\\d)|,(?=\\d+x?\\s)|(?<!\\d)\\s*\\+|\\+(?!\\s*\\d)|"
                    + "\\s/\\s|\\band\\b|\\bplus\\b|\\balso\\b|\\.(?=\\s|$))\\s*");
    private static final Pattern DECIMAL_COMMA =
            Pattern.compile("(?i)(?<![\\w.,])(\\d),(\\d{1,2})(?=\\s*(?:\"|in|v\\b|tft|oled|lcd|colour|color|display))");
    private static final Pattern BULLET = Pattern.compile("^\\s*[-*#]\\s+");
    private static final Set<String> JOINTS = Set.of("with", "on", "to", "onto", "for", "at", "in");
    private static final Set<String> NEGATIONS = Set.of("no", "not", "without", "except", "non");
    private static final Pattern COUNT = Pattern.compile("([1-9]\\d?)x?");
    private static final Pattern COUNT_AFTER = Pattern.compile("x([1-9]\\d?)|([1-9]\\d?)x");
    private static final Pattern PROPERTY = Pattern.compile("\\d+(\\.\\d+)?(v|inch)?|0x[0-9a-f]+|board");
    private static final Pattern CHIP = Pattern.compile("[a-z]+\\d{2,}[a-z0-9]*|\\d{4,}");
    private static final Pattern ADDRESS = Pattern.compile("0x[0-9a-f]{1,3}");

    /**
     * One thing of the list.
     *
     * @param part id in the catalogue
     * @param interfaceId the way of connecting that the words tell; null where they tell none
     * @param address that was typed with it; null for none
     * @param words as typed
     * @param readAs words that were read otherwise than typed; empty for none
     * @param sure whether nothing else fits as well
     * @param alternatives what fits as well, the likelier first; empty when sure
     */
    public record Item(
            String part,
            int count,
            String interfaceId,
            Integer address,
            String words,
            String readAs,
            boolean sure,
            List<String> alternatives) {}

    /**
     * @param board id in the catalogue; null when the text names none
     * @param boardSure whether nothing else fits as well; false when there is none
     * @param boardAlternatives what fits as well
     * @param boardWords as typed
     * @param unread words that nothing on the shelf has to do with, or that do not fit what the others say
     */
    public record Reading(
            String board,
            boolean boardSure,
            List<String> boardAlternatives,
            String boardWords,
            List<Item> parts,
            List<String> unread) {}

    /** @param typed as it stands in the text; null where it is a piece of a piece */
    private record Chunk(int count, List<String> words, String typed) {
        Chunk(int count, List<String> words) {
            this(count, words, null);
        }

        String asTyped() {
            return typed == null ? String.join(" ", words) : typed;
        }
    }

    private record Fit(Indexed item, int matched, double score, List<Clause> unmatched) {}

    private record Match(Indexed best, List<Indexed> others, List<Clause> clauses, List<Clause> unmatched) {
        List<Indexed> all() {
            List<Indexed> all = new ArrayList<>(List.of(best));
            all.addAll(others);
            return all;
        }
    }

    private final Catalog catalog;
    private final Supplier<Search> search;

    /** @param search of the same catalogue, whose index is used; asked for when there is something to read */
    public QuickList(Catalog catalog, Supplier<Search> search) {
        this.catalog = catalog;
        this.search = search;
    }

    private Vocabulary vocabulary() {
        return search.get().vocabulary();
    }

    /** @throws IllegalArgumentException when the text is too long */
    public Reading read(String text) {
        if (text.length() > MOST_CHARS) {
            throw new IllegalArgumentException(
                    "The list has " + text.length() + " characters; " + MOST_CHARS + " are read at most.");
        }
        State state = new State();
        BETWEEN.splitAsStream(DECIMAL_COMMA.matcher(text).replaceAll("$1.$2"))
                .filter(p -> !p.isBlank())
                .limit(MOST_ITEMS)
                .forEach(piece -> pieces(piece).forEach(state::take));
        return state.reading();
    }

    /** What was read so far. */
    private final class State {
        private final List<Item> parts = new ArrayList<>();
        private final List<String> unread = new ArrayList<>();
        private Match board;
        private String boardWords;

        void take(Chunk chunk) {
            Optional<Match> whole = match(chunk.words());
            int leftOver = whole.map(m -> m.unmatched().size()).orElse(Integer.MAX_VALUE);
            if (leftOver > 0 && joined(chunk, leftOver)) {
                return;
            }
            if (whole.isPresent()) {
                put(chunk, whole.get());
            } else {
                chunk.words().stream()
                        .filter(w -> !vocabulary().noise(w)
                                && !vocabulary().small(w)
                                && !vocabulary().large(w))
                        .forEach(unread::add);
            }
        }

        /** Two things in one breath, such as "oled with button" or "oled on wifi board"; taken where that leaves fewer words over. */
        private boolean joined(Chunk chunk, int leftOver) {
            List<String> words = chunk.words();
            for (int at = words.size() - 2; at > 0; at--) {
                if (!JOINTS.contains(words.get(at))) {
                    continue;
                }
                Chunk left = new Chunk(chunk.count(), words.subList(0, at));
                Chunk right = counted(words.subList(at + 1, words.size()));
                Optional<Match> one = match(left.words());
                Optional<Match> other = match(right.words());
                boolean both = one.isPresent() && other.isPresent();
                if (both
                        && one.get().unmatched().size()
                                        + other.get().unmatched().size()
                                < leftOver) {
                    take(left);
                    take(right);
                    return true;
                }
            }
            return false;
        }

        private void put(Chunk chunk, Match match) {
            String words = chunk.asTyped();
            match.unmatched().forEach(c -> unread.addAll(c.typed()));
            if (match.best().hit().board()) {
                if (board == null) {
                    board = match;
                    boardWords = words;
                } else {
                    unread.addAll(chunk.words());
                }
                return;
            }
            boolean contradicted = match.unmatched().stream().anyMatch(Clause::known);
            boolean sure = match.others().isEmpty() && !contradicted;
            Part part = catalog.part(match.best().hit().id()).orElseThrow();
            parts.add(new Item(
                    part.id(),
                    chunk.count(),
                    interfaceOf(part, match.clauses(), match.unmatched()),
                    match.clauses().stream()
                            .flatMap(c -> c.words().stream())
                            .filter(w -> ADDRESS.matcher(w).matches())
                            .map(w -> Integer.parseInt(w.substring(2), 16))
                            .findFirst()
                            .orElse(null),
                    words,
                    match.clauses().stream()
                            .filter(Clause::mended)
                            .map(c -> String.join(" ", c.words()))
                            .reduce((a, b) -> a + ", " + b)
                            .orElse(""),
                    sure,
                    match.others().stream().map(i -> i.hit().id()).toList()));
        }

        Reading reading() {
            boolean sure = board != null
                    && board.others().isEmpty()
                    && board.unmatched().stream().noneMatch(Clause::known);
            return new Reading(
                    board == null ? null : board.best().hit().id(),
                    sure,
                    board == null
                            ? List.of()
                            : board.others().stream().map(i -> i.hit().id()).toList(),
                    boardWords,
                    List.copyOf(parts),
                    unread.stream().distinct().toList());
        }
    }

    private List<Chunk> pieces(String piece) {
        List<Chunk> chunks = apart(Words.of(piece));
        String typed = BULLET.matcher(piece).replaceFirst("").strip();
        return chunks.size() > 1
                ? chunks
                : chunks.stream()
                        .map(c -> new Chunk(c.count(), c.words(), typed))
                        .toList();
    }

    /** A piece without a separator can hold several things: "2 oled 3 buttons". */
    private List<Chunk> apart(List<String> written) {
        List<String> words = paired(written);
        List<Chunk> chunks = new ArrayList<>();
        int from = 0;
        for (int i = 1; i < words.size(); i++) {
            if (i + 1 < words.size()
                    && isCount(words, i)
                    && !JOINTS.contains(words.get(i - 1))
                    && names(words.subList(from, i))
                    && names(words.subList(i + 1, words.size()))) {
                chunks.add(counted(words.subList(from, i)));
                from = i;
            }
        }
        chunks.add(counted(words.subList(from, words.size())));
        return chunks;
    }

    /** Two numbers that together are a size on the shelf: "16 2 lcd". */
    private List<String> paired(List<String> words) {
        List<String> paired = new ArrayList<>();
        for (int i = 0; i < words.size(); i++) {
            String both = i + 1 < words.size() ? words.get(i) + "x" + words.get(i + 1) : "";
            if (both.matches("\\d+x\\d+") && vocabulary().firm(both)) {
                paired.add(both);
                i++;
            } else {
                paired.add(words.get(i));
            }
        }
        return paired;
    }

    private boolean names(List<String> words) {
        return match(counted(words).words()).isPresent();
    }

    private boolean isCount(List<String> words, int at) {
        if (!COUNT.matcher(words.get(at)).matches()
                || words.get(at).matches("\\d+") && vocabulary().startsPhrase(words.subList(at, words.size()))) {
            return false;
        }
        if (at + 1 == words.size() || Words.UNITS.contains(words.get(at + 1))) {
            return false;
        }
        // "2 8 digit displays" begins with a count; "14 + 6 pins" in the middle is none.
        boolean number = words.get(at + 1).matches("\\d+");
        return !number || at == 0 && at + 2 < words.size() && Words.UNITS.contains(words.get(at + 2));
    }

    /** The number in front, or behind as in "oled x2". */
    private Chunk counted(List<String> words) {
        List<String> left = new ArrayList<>(words);
        while (!left.isEmpty()
                && vocabulary().noise(left.get(0))
                && !COUNT.matcher(left.get(0)).matches()) {
            if (List.of("couple", "pair").contains(left.get(0))) {
                return new Chunk(2, left.subList(1, left.size()));
            }
            left.remove(0);
        }
        if (left.size() > 1 && isCount(left, 0)) {
            int count = Integer.parseInt(left.get(0).replace("x", ""));
            List<String> rest = left.subList(1, left.size());
            return new Chunk(count, "x".equals(rest.get(0)) && rest.size() > 1 ? rest.subList(1, rest.size()) : rest);
        }
        int last = left.size() - 1;
        if (last > 0) {
            while (last > 1 && List.of("piece", "pcs", "pc", "off").contains(left.get(last))) {
                last--;
            }
            Matcher after = COUNT_AFTER.matcher(left.get(last));
            boolean number = last < left.size() - 1 || "x".equals(left.get(last - 1));
            if (after.matches()) {
                return new Chunk(
                        Integer.parseInt(Objects.requireNonNullElse(after.group(1), after.group(2))),
                        left.subList(0, last));
            }
            if (number && left.get(last).matches("[1-9]\\d?") && Integer.parseInt(left.get(last)) <= MOST_OF_ONE) {
                int end = "x".equals(left.get(last - 1)) ? last - 1 : last;
                return new Chunk(Integer.parseInt(left.get(last)), left.subList(0, Math.max(1, end)));
            }
        }
        return new Chunk(1, left);
    }

    /** What fits most of the words, and fits them best; empty when no word says what it is. */
    private Optional<Match> match(List<String> all) {
        int no = (int) all.stream().takeWhile(w -> !NEGATIONS.contains(w)).count();
        List<String> words = all.subList(0, no);
        List<Clause> clauses = clauses(words);
        List<Clause> unwanted = clauses(all.subList(Math.min(all.size(), no + 1), all.size()));
        List<Fit> fits = new ArrayList<>();
        for (Indexed item : search.get().items()) {
            fit(item, clauses).filter(f -> !has(item, unwanted)).ifPresent(fits::add);
        }
        if (fits.isEmpty()) {
            return Optional.empty();
        }
        int most = fits.stream().mapToInt(Fit::matched).max().orElseThrow();
        List<Fit> left = best(fits.stream().filter(f -> f.matched() == most).toList(), Fit::score);
        left = ofSize(left, words);
        Set<String> usual = new HashSet<>();
        clauses.stream().map(Clause::usual).filter(Objects::nonNull).forEach(usual::add);
        List<Indexed> ranked = left.stream()
                .map(Fit::item)
                .sorted(Comparator.comparing(
                                (Indexed i) -> !usual.contains(i.hit().id()))
                        .thenComparing(i -> i.inches() == null ? 0 : i.inches())
                        .thenComparing(i -> i.hit().name().length())
                        .thenComparing(i -> i.hit().name()))
                .toList();
        return Optional.of(new Match(
                ranked.get(0),
                ranked.subList(1, Math.min(ranked.size(), 1 + MOST_ALTERNATIVES)),
                clauses,
                left.stream()
                        .filter(f -> f.item().equals(ranked.get(0)))
                        .findFirst()
                        .orElseThrow()
                        .unmatched()));
    }

    private List<Clause> clauses(List<String> words) {
        List<String> telling = words.stream()
                .filter(w -> !vocabulary().noise(w)
                        && !vocabulary().small(w)
                        && !vocabulary().large(w))
                .toList();
        return vocabulary().clauses(telling).stream().map(Clause::strict).toList();
    }

    /** What was said not to be: "oled not spi", "lcd without backpack". */
    private static boolean has(Indexed item, List<Clause> unwanted) {
        return unwanted.stream().anyMatch(c -> item.grade(c) >= Indexed.TAG);
    }

    private static List<Fit> best(List<Fit> fits, ToDoubleFunction<Fit> score) {
        double best = fits.stream().mapToDouble(score).max().orElseThrow();
        return fits.stream().filter(f -> score.applyAsDouble(f) >= best).toList();
    }

    private List<Fit> ofSize(List<Fit> fits, List<String> words) {
        boolean small = words.stream().anyMatch(vocabulary()::small);
        boolean large = words.stream().anyMatch(vocabulary()::large);
        if (!small && !large) {
            return fits;
        }
        List<Fit> known = fits.stream().filter(f -> f.item().inches() != null).toList();
        double least = known.stream().mapToDouble(f -> f.item().inches()).min().orElse(0);
        double most = known.stream().mapToDouble(f -> f.item().inches()).max().orElse(0);
        List<Fit> sized = known.stream()
                .filter(f ->
                        small ? f.item().inches() <= least * SMALL : f.item().inches() >= Math.min(LARGE_INCHES, most))
                .toList();
        return sized.isEmpty() ? fits : sized;
    }

    private static Optional<Fit> fit(Indexed item, List<Clause> clauses) {
        List<Clause> unmatched = new ArrayList<>();
        double score = 0;
        boolean named = false;
        for (Clause clause : clauses) {
            int grade = item.grade(clause);
            boolean chip = grade == Indexed.MENTIONED
                    && clause.words().size() == 1
                    && CHIP.matcher(clause.words().get(0)).matches();
            if (grade <= Indexed.MENTIONED && !chip) {
                unmatched.add(clause);
                continue;
            }
            boolean property = clause.words().size() == 1
                    && PROPERTY.matcher(clause.words().get(0)).matches();
            named |= chip || !property && grade >= Indexed.TAG;
            score += chip ? Indexed.HEAD : grade;
        }
        return named
                ? Optional.of(new Fit(item, clauses.size() - unmatched.size(), score, unmatched))
                : Optional.empty();
    }

    /** The way whose own words occur; null where none or several do. */
    private static String interfaceOf(Part part, List<Clause> clauses, List<Clause> unmatched) {
        Map<String, Integer> hits = new LinkedHashMap<>();
        Set<String> said = new HashSet<>();
        clauses.stream().filter(c -> !unmatched.contains(c)).forEach(c -> said.addAll(c.words()));
        for (Part.Interface i : part.interfaces()) {
            Set<String> own = new HashSet<>(Words.of(i.name() + " " + i.id()));
            if (i.bus() == BusKind.I2C) {
                own.add("i2c");
            }
            own.retainAll(said);
            boolean called = said.containsAll(Words.of(i.id()));
            hits.put(i.id(), own.size() + (called ? said.size() : 0));
        }
        int most = hits.values().stream().mapToInt(n -> n).max().orElse(0);
        List<String> best = hits.entrySet().stream()
                .filter(e -> e.getValue() == most)
                .map(Map.Entry::getKey)
                .toList();
        return most > 0 && best.size() == 1 ? best.get(0) : null;
    }
}
