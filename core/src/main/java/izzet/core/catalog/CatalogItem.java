package izzet.core.catalog;

/** A board or a part: what has an id and comes in versions. */
public sealed interface CatalogItem permits Board, Part {

    /** Unique among boards, or among parts. */
    String id();

    /** Counts up with every change of the item. */
    int version();

    String name();
}
