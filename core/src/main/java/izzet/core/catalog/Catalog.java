package izzet.core.catalog;

import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * All boards and parts by id. What stands on the shelf is offered; versions that are only kept serve the plans that were made with
 * them. Immutable. Safe to share. {@link CatalogReader} fills one.
 */
public final class Catalog {

    private final Items<Board> boards;
    private final Items<Part> parts;

    /** One kind of thing: the version on the shelf by id, and every version known. */
    private record Items<T extends CatalogItem>(
            SortedMap<String, T> shelf, Map<String, NavigableMap<Integer, T>> versions) {

        static <T extends CatalogItem> Items<T> of(Collection<T> shelved, Collection<T> kept) {
            SortedMap<String, T> shelf = new TreeMap<>();
            Map<String, NavigableMap<Integer, T>> versions = new TreeMap<>();
            for (T item : kept) {
                versions.computeIfAbsent(item.id(), id -> new TreeMap<>()).put(item.version(), item);
            }
            for (T item : shelved) {
                if (shelf.put(item.id(), item) != null) {
                    throw new IllegalArgumentException("Two catalogue files have the id '" + item.id() + "'.");
                }
                versions.computeIfAbsent(item.id(), id -> new TreeMap<>()).put(item.version(), item);
            }
            return new Items<>(Collections.unmodifiableSortedMap(shelf), versions);
        }

        Items<T> with(Collection<T> more) {
            Map<String, NavigableMap<Integer, T>> all = new TreeMap<>(versions);
            for (T item : more) {
                NavigableMap<Integer, T> known = new TreeMap<>(all.getOrDefault(item.id(), new TreeMap<>()));
                known.put(item.version(), item);
                all.put(item.id(), known);
            }
            return new Items<>(shelf, all);
        }

        Optional<T> find(String id, Integer version) {
            NavigableMap<Integer, T> known = versions.get(id);
            if (known == null) {
                return Optional.empty();
            }
            if (version != null && known.containsKey(version)) {
                return Optional.of(known.get(version));
            }
            return Optional.of(shelf.getOrDefault(id, known.lastEntry().getValue()));
        }
    }

    public Catalog(Collection<Board> boards, Collection<Part> parts) {
        this(boards, parts, List.of(), List.of());
    }

    /**
     * @param keptBoards versions that are no longer offered
     * @param keptParts likewise
     */
    public Catalog(
            Collection<Board> boards,
            Collection<Part> parts,
            Collection<Board> keptBoards,
            Collection<Part> keptParts) {
        this.boards = Items.of(boards, keptBoards);
        this.parts = Items.of(parts, keptParts);
    }

    private Catalog(Items<Board> boards, Items<Part> parts) {
        this.boards = boards;
        this.parts = parts;
    }

    /** With further versions that are known and not offered; one that was known under this id and version gives way. */
    public Catalog with(Collection<Board> moreBoards, Collection<Part> moreParts) {
        return new Catalog(boards.with(moreBoards), parts.with(moreParts));
    }

    /** On the shelf, in the order of their ids. */
    public Map<String, Board> boards() {
        return boards.shelf();
    }

    /** On the shelf, in the order of their ids. */
    public Map<String, Part> parts() {
        return parts.shelf();
    }

    /** The one on the shelf. */
    public Optional<Board> board(String id) {
        return Optional.ofNullable(boards.shelf().get(id));
    }

    /** The one on the shelf. */
    public Optional<Part> part(String id) {
        return Optional.ofNullable(parts.shelf().get(id));
    }

    /**
     * The version asked for, on the shelf or kept. Where it is not known, the one on the shelf, or else the newest kept.
     *
     * @param version null for the one on the shelf
     */
    public Optional<Board> board(String id, Integer version) {
        return boards.find(id, version);
    }

    /** As {@link #board(String, Integer)}. */
    public Optional<Part> part(String id, Integer version) {
        return parts.find(id, version);
    }
}
