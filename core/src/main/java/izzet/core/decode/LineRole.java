package izzet.core.decode;

import java.util.List;

/**
 * What a line is for a decoder.
 *
 * @param id as the open formats name it, such as {@code scl}
 * @param name for people
 * @param also other names that makers print for it, in small letters; used to guess, and taken in requests
 * @param required whether the decoder can do nothing without it
 */
public record LineRole(String id, String name, List<String> also, boolean required) {

    public LineRole {
        also = List.copyOf(also);
    }

    public static LineRole needed(String id, String name, String... also) {
        return new LineRole(id, name, List.of(also), true);
    }

    public static LineRole optional(String id, String name, String... also) {
        return new LineRole(id, name, List.of(also), false);
    }
}
