package izzet.core.find;

import izzet.core.catalog.Catalog;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Finds boards and parts by what a maker sees and knows: words of the name and general words for it, pixels, inches, the order of the
 * header as printed, colour, interface, address, supply, and the chip number that stands in a source note. Built once. Immutable. Safe
 * to share.
 */
public final class Search {

    /** @param kind {@code board}, or the kind of the part */
    public record Hit(String kind, String id, String name, String summary, boolean board) {}

    private record Graded(Indexed item, double score, boolean firm) {}

    private final List<Indexed> items = new ArrayList<>();
    private final Vocabulary vocabulary;

    public Search(Catalog catalog) {
        catalog.boards().values().forEach(b -> items.add(Indexed.of(b)));
        catalog.parts().values().forEach(p -> items.add(Indexed.of(p)));
        vocabulary = new Vocabulary(items);
    }

    List<Indexed> items() {
        return items;
    }

    Vocabulary vocabulary() {
        return vocabulary;
    }

    /**
     * Everything that all words of the query fit; a query in quotes must occur as it stands, so that the order of a header can be looked
     * for. Where words fit names and properties, what only mentions them is left out.
     *
     * @return all items for an empty query; the best first, displays before helpers
     */
    public List<Hit> find(String query) {
        String asked = Words.plain(query.strip());
        if (asked.length() > 2 && asked.startsWith("\"") && asked.endsWith("\"")) {
            String phrase = asked.substring(1, asked.length() - 1);
            return hits(items.stream()
                    .filter(i -> i.text().contains(phrase))
                    .map(i -> new Graded(i, 0, true))
                    .toList());
        }
        List<String> words = Words.of(query);
        List<String> telling = words.stream().filter(w -> !vocabulary.noise(w)).toList();
        List<Clause> clauses = vocabulary.clauses(telling.isEmpty() ? words : telling);
        if (clauses.isEmpty() && !asked.isEmpty()) {
            return List.of();
        }
        return hits(items.stream()
                .map(i -> graded(i, clauses))
                .filter(g -> g.score() >= 0)
                .toList());
    }

    private static Graded graded(Indexed item, List<Clause> clauses) {
        double score = 0;
        boolean firm = true;
        long covered = item.head().stream()
                .filter(h -> clauses.stream().anyMatch(c -> c.words().contains(h)))
                .count();
        for (Clause clause : clauses) {
            int grade = item.grade(clause);
            if (grade == 0) {
                return new Graded(item, -1, false);
            }
            firm &= grade > Indexed.MENTIONED;
            score += grade + (item.hit().id().equals(clause.usual()) ? 1 : 0);
        }
        return new Graded(
                item, score + covered / (double) Math.max(1, item.head().size()), firm);
    }

    private static List<Hit> hits(List<Graded> found) {
        boolean any = found.stream().anyMatch(Graded::firm);
        return found.stream()
                .filter(g -> g.firm() || !any)
                .sorted(Comparator.comparingDouble((Graded g) -> -g.score())
                        .thenComparing(g ->
                                g.item().kind() == null ? -1 : g.item().kind().ordinal())
                        .thenComparing(g -> g.item().hit().name()))
                .map(g -> g.item().hit())
                .toList();
    }
}
