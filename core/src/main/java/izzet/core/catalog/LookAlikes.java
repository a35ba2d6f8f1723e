package izzet.core.catalog;

import izzet.core.discovery.Discovery;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Tells parts apart that look the same: a short path of questions, each about something that can be seen, measured or scanned. A part
 * takes part by its {@code tells}. Immutable. Safe to share.
 */
public final class LookAlikes {

    /** The key under which parts name the family they can be mistaken in. */
    public static final String FAMILY = "family";

    /** @param how what to do to find out */
    public record Question(String id, String text, String how) {}

    /**
     * Where the path stands.
     *
     * @param candidates parts that the answers so far allow, by name
     * @param next the question that parts them best; empty when none does
     * @param answers what can be said to it, with the number of parts that remain
     */
    public record Step(List<Part> candidates, Optional<Question> next, Map<String, Integer> answers) {}

    private final List<Question> questions = new ArrayList<>();
    private final Catalog catalog;

    public LookAlikes(Catalog catalog) {
        this.catalog = catalog;
        String text = Discovery.texts("/catalog", ".json").get("look-alikes.json");
        for (JsonNode q : JsonMapper.shared().readTree(text).get("questions")) {
            questions.add(new Question(
                    q.get("id").asString(),
                    q.get("text").asString(),
                    q.get("how").asString()));
        }
    }

    public List<Question> questions() {
        return List.copyOf(questions);
    }

    /** Families with two parts at least. */
    public SortedSet<String> families() {
        Map<String, Integer> counts = new TreeMap<>();
        catalog.parts().values().forEach(p -> Optional.ofNullable(p.tells().get(FAMILY))
                .ifPresent(f -> counts.merge(f, 1, Integer::sum)));
        SortedSet<String> families = new TreeSet<>();
        counts.forEach((family, count) -> {
            if (count > 1) {
                families.add(family);
            }
        });
        return families;
    }

    /** @param given answers by question; a part that does not know a question is never ruled out by it */
    public Step step(String family, Map<String, String> given) {
        List<Part> left = catalog.parts().values().stream()
                .filter(p -> family.equals(p.tells().get(FAMILY)))
                .filter(p -> given.entrySet().stream().allMatch(a -> {
                    String own = p.tells().get(a.getKey());
                    return own == null || own.equals(a.getValue());
                }))
                .sorted(Comparator.comparing(Part::name))
                .toList();
        Optional<Question> next = questions.stream()
                .filter(q -> !given.containsKey(q.id()) && answers(left, q).size() > 1)
                .min(Comparator.comparingInt(q -> largest(answers(left, q))));
        return new Step(left, next, next.map(q -> answers(left, q)).orElse(Map.of()));
    }

    private static Map<String, Integer> answers(List<Part> parts, Question question) {
        Map<String, Integer> counts = new TreeMap<>();
        parts.forEach(p ->
                Optional.ofNullable(p.tells().get(question.id())).ifPresent(a -> counts.merge(a, 1, Integer::sum)));
        return new LinkedHashMap<>(counts);
    }

    private static int largest(Map<String, Integer> counts) {
        return counts.values().stream().mapToInt(Integer::intValue).max().orElse(0);
    }
}
