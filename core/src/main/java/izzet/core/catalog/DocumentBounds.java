package izzet.core.catalog;

import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.TokenStreamContext;
import tools.jackson.databind.json.JsonMapper;

/**
 * Whether a document from outside is of a size that a plan, board or part can have, told from the text before any tree is made of it: a
 * small file of many wrong rows would otherwise fill the memory with what is wrong with it.
 */
public final class DocumentBounds {

    /** Longest array: the connections of a plan. */
    public static final int MOST_ELEMENTS = 1000;

    /** Values, names and brackets of a document; a full plan has about half of it. */
    public static final int MOST_TOKENS = 60_000;

    public static final int DEEPEST = 20;

    private static final JsonMapper JSON = JsonMapper.shared();

    private DocumentBounds() {}

    /**
     * A sentence that says which limit is passed and where; null when none is.
     *
     * @throws tools.jackson.core.JacksonException when the text is no JSON as far as it was read
     */
    public static String fault(String text) {
        int[] elements = new int[DEEPEST + 1];
        int depth = 0;
        int tokens = 0;
        try (JsonParser parser = JSON.createParser(text)) {
            for (JsonToken token = parser.nextToken(); token != null; token = parser.nextToken()) {
                if (++tokens > MOST_TOKENS) {
                    return "it has more than " + MOST_TOKENS + " values and names; no plan, board or part has so many.";
                }
                if (token == JsonToken.END_ARRAY || token == JsonToken.END_OBJECT) {
                    depth--;
                    continue;
                }
                boolean opens = token == JsonToken.START_ARRAY || token == JsonToken.START_OBJECT;
                var around = opens ? parser.streamReadContext().getParent() : parser.streamReadContext();
                if (around.inArray() && ++elements[depth] > MOST_ELEMENTS) {
                    return "the list at " + listAt(around) + " has more than " + MOST_ELEMENTS
                            + " entries; that is the most.";
                }
                if (opens) {
                    if (++depth > DEEPEST) {
                        return "it is nested deeper than " + DEEPEST + " levels.";
                    }
                    elements[depth] = 0;
                }
            }
        }
        return null;
    }

    private static String listAt(TokenStreamContext list) {
        String pointer = list.getParent().pathAsPointer().toString();
        return pointer.isEmpty() ? "the top" : pointer;
    }
}
