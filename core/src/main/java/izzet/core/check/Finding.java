package izzet.core.check;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * What a rule found. Data: {@link #sentence()} is the one place where it becomes text. Immutable.
 *
 * @param rule id of the rule, such as {@code I1}
 * @param group of the rule, such as {@code pins}
 * @param aspect tells it from others of the same rule at the same places; empty where there are none
 * @param trouble what kind it is
 * @param seenWorking commonly seen working although out of specification
 * @param places what it speaks of, the most important first; at least one
 * @param naming how many of them, from the first, make its id; the others may change while it stays the same trouble
 * @param wording template with names in braces
 * @param words what stands for the names
 * @param figures the numbers compared
 * @param formula null where nothing was computed
 * @param source published origin of the limit; null for common practice and for matters of the plan alone
 * @param remedy what to do, in general; repairs are offered beside it
 */
public record Finding(
        String rule,
        String group,
        String aspect,
        Severity severity,
        Trouble trouble,
        boolean seenWorking,
        List<Place> places,
        int naming,
        String wording,
        Map<String, String> words,
        List<Figure> figures,
        String formula,
        String source,
        String remedy) {

    public Finding {
        places = List.copyOf(places);
        words = Map.copyOf(words);
        figures = List.copyOf(figures);
    }

    /** Stable as long as rule and naming places stay; fit for a URL. */
    public String id() {
        StringBuilder id = new StringBuilder(rule);
        if (!aspect.isEmpty()) {
            id.append('-').append(plain(aspect));
        }
        for (Place place : places.subList(0, naming)) {
            id.append('.').append(place.kind()).append('-').append(plain(place.id()));
        }
        return id.toString();
    }

    private static String plain(String text) {
        char[] plain = text.toCharArray();
        for (int i = 0; i < plain.length; i++) {
            char c = plain[i];
            boolean kept = c >= 'A' && c <= 'Z' || c >= 'a' && c <= 'z' || c >= '0' && c <= '9' || c == '-';
            plain[i] = kept ? c : '_';
        }
        return new String(plain);
    }

    /** One sentence that says what is wrong. */
    public String sentence() {
        String text = wording;
        for (var word : new TreeMap<>(words).entrySet()) {
            text = text.replace("{" + word.getKey() + "}", word.getValue());
        }
        return text;
    }

    public boolean about(String kind, String id) {
        return places.stream().anyMatch(p -> p.kind().equals(kind) && p.id().equals(id));
    }

    /** Whether it speaks of a part or one of its lines. */
    public boolean aboutPart(String partId) {
        return places.stream()
                .anyMatch(p -> p.kind().equals("part") && p.id().equals(partId)
                        || p.kind().equals("line") && p.id().startsWith(partId + ":"));
    }
}
