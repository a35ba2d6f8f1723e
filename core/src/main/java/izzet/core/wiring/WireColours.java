package izzet.core.wiring;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/** Which colour a maker takes for what. */
public record WireColours(Map<WireUse, String> byUse) {

    public static final List<String> COLOURS =
            List.of("red", "orange", "yellow", "green", "blue", "violet", "brown", "grey", "white", "black");

    public WireColours {
        Map<WireUse, String> all = new EnumMap<>(WireUse.class);
        for (WireUse use : WireUse.values()) {
            all.put(use, byUse.getOrDefault(use, use.usual()));
        }
        byUse = Map.copyOf(all);
    }

    /** Red supply, black ground, blue data, yellow clock. */
    public static WireColours usual() {
        return new WireColours(Map.of());
    }

    public String of(WireUse use) {
        return byUse.get(use);
    }

    /**
     * Reads what {@link #text} wrote: "SUPPLY red, GROUND black".
     *
     * @throws IllegalArgumentException when a use or colour is unknown
     */
    public static WireColours of(String text) {
        Map<WireUse, String> byUse = new EnumMap<>(WireUse.class);
        for (String word : text.split(",")) {
            if (word.isBlank()) {
                continue;
            }
            String[] pair = word.strip().split(" ");
            String colour = pair.length == 2 ? pair[1].toLowerCase(Locale.ROOT) : "";
            if (!COLOURS.contains(colour)) {
                throw new IllegalArgumentException(
                        "'" + word.strip() + "' is no colour of a wire; known are " + String.join(", ", COLOURS) + ".");
            }
            byUse.put(WireUse.valueOf(pair[0]), colour);
        }
        return new WireColours(byUse);
    }

    public String text() {
        return byUse.entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .map(e -> e.getKey().name() + " " + e.getValue())
                .collect(Collectors.joining(", "));
    }
}
