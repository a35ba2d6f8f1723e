package izzet.app.drawing;

import izzet.app.fault.MemoryShort;
import izzet.core.catalog.Board;
import izzet.core.catalog.CatalogItem;
import izzet.core.catalog.Part;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Drawings of boards and parts, made once for each version of an item. Templates ask for them as {@code @drawings}. */
@Component("drawings")
public class Drawings {

    private static final int MOST_KEPT = 2000;

    private record Key(String kind, String id, int version) {}

    private final Map<Key, ItemDrawing> kept = new ConcurrentHashMap<>();

    /** A small picture for lists. */
    public ItemDrawing small(CatalogItem item) {
        return item instanceof Board board
                ? kept("board", item, () -> BoardDrawing.of(board))
                : kept("small", item, () -> PartDrawing.of((Part) item, false));
    }

    /** A part with its labels and address pads. */
    public ItemDrawing large(Part part) {
        return kept("large", part, () -> PartDrawing.of(part, true));
    }

    @EventListener(MemoryShort.class)
    void letGo() {
        kept.clear();
    }

    private ItemDrawing kept(String kind, CatalogItem item, Supplier<ItemDrawing> draw) {
        if (kept.size() > MOST_KEPT) {
            kept.clear();
        }
        return kept.computeIfAbsent(new Key(kind, item.id(), item.version()), k -> draw.get());
    }
}
