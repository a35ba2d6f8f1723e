package izzet.core.find;

import izzet.core.discovery.Discovery;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The words that the shelf knows: its own, and general words of makers for them ({@code words.json}). Mends small slips, words written
 * together and apart. Immutable.
 */
final class Vocabulary {

    private static final int LONGEST_PHRASE = 4;
    private static final int SHORTEST_MENDED = 4;
    private static final int TWO_SLIPS_FROM = 8;
    private static final int SHORTEST_HALF = 3;

    private record Meaning(List<List<String>> meanings, String usual) {}

    private final Map<List<String>, Meaning> synonyms = new HashMap<>();
    private final Set<String> noise = new HashSet<>();
    private final Set<String> small = new HashSet<>();
    private final Set<String> large = new HashSet<>();
    private final Set<String> firm = new HashSet<>();
    private final List<Indexed> items;

    Vocabulary(Collection<Indexed> items) {
        this.items = List.copyOf(items);
        JsonNode file = JsonMapper.shared()
                .readTree(Discovery.texts("/catalog", ".json").get("words.json"));
        for (JsonNode synonym : file.get("synonyms")) {
            Meaning meaning = new Meaning(
                    texts(synonym.get("means")).map(Words::of).toList(),
                    synonym.path("usual").asString(null));
            texts(synonym.get("words")).map(Words::of).forEach(words -> {
                synonyms.put(words, meaning);
                firm.addAll(words);
            });
        }
        texts(file.get("noise")).map(Words::of).forEach(noise::addAll);
        texts(file.get("small")).map(Words::of).forEach(small::addAll);
        texts(file.get("large")).map(Words::of).forEach(large::addAll);
        firm.addAll(noise);
        firm.addAll(small);
        firm.addAll(large);
        items.forEach(i -> {
            firm.addAll(i.head());
            firm.addAll(i.tags());
        });
    }

    private static Stream<String> texts(JsonNode array) {
        return StreamSupport.stream(array.spliterator(), false).map(JsonNode::asString);
    }

    boolean noise(String word) {
        return noise.contains(word);
    }

    boolean small(String word) {
        return small.contains(word);
    }

    boolean large(String word) {
        return large.contains(word);
    }

    /** Whether a word stands in a name, a property or a synonym. */
    boolean firm(String word) {
        return firm.contains(word);
    }

    /** Whether a synonym of several words begins here. */
    boolean startsPhrase(List<String> words) {
        for (int length = Math.min(LONGEST_PHRASE, words.size()); length > 1; length--) {
            if (synonyms.containsKey(words.subList(0, length))) {
                return true;
            }
        }
        return false;
    }

    /** The words in groups of one meaning each, the longest that are known first. */
    List<Clause> clauses(List<String> typed) {
        List<List<String>> from = new ArrayList<>();
        List<String> words = mended(typed, from);
        List<Clause> clauses = new ArrayList<>();
        int at = 0;
        while (at < words.size()) {
            int length = Math.min(LONGEST_PHRASE, words.size() - at);
            while (length > 1 && !synonyms.containsKey(words.subList(at, at + length))) {
                length--;
            }
            List<String> phrase = List.copyOf(words.subList(at, at + length));
            List<String> written =
                    from.subList(at, at + length).stream().flatMap(List::stream).toList();
            clauses.add(clause(written, phrase));
            at += length;
        }
        return clauses;
    }

    private Clause clause(List<String> typed, List<String> words) {
        Meaning meaning = synonyms.get(words);
        return meaning == null
                ? new Clause(typed, words, List.of(), null, true, mentioned(words.get(0)))
                : new Clause(typed, words, meaning.meanings(), meaning.usual(), true, true);
    }

    /** Each word as the shelf writes it where it is a slip of one, two or halves; as it is otherwise. */
    private List<String> mended(List<String> typed, List<List<String>> from) {
        List<String> words = new ArrayList<>();
        for (int i = 0; i < typed.size(); i++) {
            String word = typed.get(i);
            String next = i + 1 < typed.size() ? typed.get(i + 1) : null;
            if (next != null && !(firm(word) && firm(next)) && firm(word + next)) {
                words.add(word + next);
                from.add(List.of(word, next));
                i++;
            } else if (firm(word) || mentioned(word)) {
                words.add(word);
                from.add(List.of(word));
            } else {
                List<String> mended =
                        halves(word).or(() -> nearest(word).map(List::of)).orElse(List.of(word));
                for (String m : mended) {
                    words.add(m);
                    from.add(m.equals(mended.get(0)) ? List.of(word) : List.of());
                }
            }
        }
        return words;
    }

    private boolean mentioned(String word) {
        return firm(word)
                || items.stream()
                        .anyMatch(i -> i.words().contains(word)
                                || word.length() >= SHORTEST_HALF && i.text().contains(word));
    }

    private Optional<List<String>> halves(String word) {
        for (int at = SHORTEST_HALF; at <= word.length() - SHORTEST_HALF; at++) {
            String left = word.substring(0, at);
            String right = word.substring(at);
            if (firm(left) && firm(right)) {
                return Optional.of(List.of(left, right));
            }
        }
        return Optional.empty();
    }

    private Optional<String> nearest(String word) {
        if (word.length() < SHORTEST_MENDED || !word.chars().allMatch(Character::isLetter)) {
            return Optional.empty();
        }
        int allowed = word.length() >= TWO_SLIPS_FROM ? 2 : 1;
        String best = null;
        int bestSlips = allowed + 1;
        for (String known : firm) {
            if (known.length() < SHORTEST_HALF
                    || Math.abs(known.length() - word.length()) > allowed
                    || !Character.isLetter(known.charAt(0))) {
                continue;
            }
            int slips = Slips.between(word, known);
            boolean better = slips < bestSlips || slips == bestSlips && best != null && closer(word, known, best);
            if (slips <= allowed && better) {
                best = known;
                bestSlips = slips;
            }
        }
        return Optional.ofNullable(best);
    }

    /** Of two words with as many slips, the one with the same beginning, then the one that stands first in the alphabet. */
    private static boolean closer(String word, String one, String other) {
        boolean begins = one.charAt(0) == word.charAt(0);
        boolean otherBegins = other.charAt(0) == word.charAt(0);
        return begins == otherBegins ? one.compareTo(other) < 0 : begins;
    }
}
