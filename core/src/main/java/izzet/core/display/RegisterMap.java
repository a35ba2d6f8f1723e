package izzet.core.display;

import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A chip that is only registers, or takes single command bytes: names by number.
 *
 * @param pointer whether the first byte of a write is the number of a register; else every byte is a command of its own
 * @param maskedBy bits of a command byte that tell which it is
 * @param bits names of the bits of a byte where each bit is a line or channel of its own; empty elsewhere
 */
public record RegisterMap(
        String speaks,
        boolean pointer,
        int maskedBy,
        SortedMap<Integer, String> names,
        Map<String, String> bits,
        String source) {

    private static final JsonMapper JSON = JsonMapper.shared();

    static RegisterMap read(String file, String text) {
        JsonNode json = JSON.readTree(text);
        SortedMap<Integer, String> names = new TreeMap<>();
        json.path("names")
                .properties()
                .forEach(e -> names.put(Integer.decode(e.getKey()), e.getValue().asString()));
        Map<String, String> bits = new TreeMap<>();
        json.path("bits")
                .properties()
                .forEach(e -> bits.put(e.getKey(), e.getValue().asString()));
        if (!json.has("speaks") || !json.has("source")) {
            throw new IllegalStateException("/display/registers/" + file + " needs speaks and source.");
        }
        return new RegisterMap(
                json.get("speaks").asString(),
                json.path("pointer").asBoolean(true),
                json.has("mask") ? Integer.decode(json.get("mask").asString()) : 0xFF,
                names,
                bits,
                json.get("source").asString());
    }
}
