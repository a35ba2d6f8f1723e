package izzet.app.plan;

import izzet.app.catalog.Shelf;
import izzet.core.catalog.Board;
import izzet.core.catalog.CatalogItem;
import izzet.core.catalog.CatalogWriter;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import izzet.core.plan.PlanParcel;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;

/** Plans going out with their own items, and coming in: what this shelf lacks is put on it. */
@Service
public class Parcels {

    private final PlanDocument documents;
    private final Shelf shelf;

    Parcels(PlanDocument documents, Shelf shelf) {
        this.documents = documents;
        this.shelf = shelf;
    }

    /** The document of a plan, with the own items that it is made with. */
    public String write(Plan plan) {
        return documents.write(PlanParcel.of(plan, shelf.catalog(), Shelf::isOwn));
    }

    /** Reads a document and changes nothing. */
    public PlanParcel read(String text) {
        return documents.parcel(text, shelf.catalog());
    }

    /**
     * Reads a document; own items that came along and are not here yet stand on the shelf afterwards.
     *
     * @return the plan, with items as they are called here
     * @throws izzet.core.plan.PlanProblems when the document cannot be used; then nothing is on the shelf that was not there
     */
    public Plan open(String text) {
        PlanParcel parcel = read(text);
        Map<CatalogItem, CatalogItem> names = new HashMap<>();
        Stream.concat(parcel.boards().stream(), parcel.parts().stream()).forEach(i -> names.put(i, here(i)));
        return parcel.renamed(names);
    }

    private CatalogItem here(CatalogItem item) {
        boolean board = item instanceof Board;
        Optional<? extends CatalogItem> known = known(board, item.id());
        if (known.isEmpty()) {
            return shelf.put(item);
        }
        Optional<? extends CatalogItem> same = board
                ? shelf.catalog().board(item.id(), item.version())
                : shelf.catalog().part(item.id(), item.version());
        if (same.filter(s ->
                        s.version() == item.version() && CatalogWriter.tree(s).equals(CatalogWriter.tree(item)))
                .isPresent()) {
            return same.get();
        }
        // Another thing of the same name: what stands here stays as it is.
        return shelf.put(item, shelf.freeId(board, item.name()));
    }

    private Optional<? extends CatalogItem> known(boolean board, String id) {
        return board ? shelf.catalog().board(id, null) : shelf.catalog().part(id, null);
    }
}
