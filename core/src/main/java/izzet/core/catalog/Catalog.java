package izzet.core.catalog;

import java.util.Collection;
import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Function;

/** All boards and parts by id. Immutable. Safe to share. {@link CatalogReader} fills one. */
public final class Catalog {

    private final SortedMap<String, Board> boards;
    private final SortedMap<String, Part> parts;

    public Catalog(Collection<Board> boards, Collection<Part> parts) {
        this.boards = byId(boards, Board::id);
        this.parts = byId(parts, Part::id);
    }

    private static <T> SortedMap<String, T> byId(Collection<T> items, Function<T, String> id) {
        SortedMap<String, T> map = new TreeMap<>();
        for (T item : items) {
            if (map.put(id.apply(item), item) != null) {
                throw new IllegalArgumentException("Two catalogue files have the id '" + id.apply(item) + "'.");
            }
        }
        return Collections.unmodifiableSortedMap(map);
    }

    /** In the order of their ids. */
    public Map<String, Board> boards() {
        return boards;
    }

    /** In the order of their ids. */
    public Map<String, Part> parts() {
        return parts;
    }

    public Optional<Board> board(String id) {
        return Optional.ofNullable(boards.get(id));
    }

    public Optional<Part> part(String id) {
        return Optional.ofNullable(parts.get(id));
    }
}
