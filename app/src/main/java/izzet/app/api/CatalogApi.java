package izzet.app.api;

import izzet.app.catalog.Shelf;
import izzet.app.fault.NoSuchThing;
import izzet.core.catalog.Board;
import izzet.core.catalog.Part;
import java.util.Collection;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The catalogue over the API. */
@RestController
class CatalogApi {

    private final Shelf shelf;

    CatalogApi(Shelf shelf) {
        this.shelf = shelf;
    }

    @GetMapping("/api/catalog/boards")
    Collection<Board> boards() {
        return shelf.catalog().boards().values();
    }

    @GetMapping("/api/catalog/boards/{id}")
    Board board(@PathVariable String id) {
        return shelf.catalog().board(id).orElseThrow(() -> new NoSuchThing("The catalogue has no board '" + id + "'."));
    }

    /** @param q words to look for, the best first; all parts without */
    @GetMapping("/api/catalog/parts")
    Collection<Part> parts(@RequestParam(defaultValue = "") String q) {
        if (q.isBlank()) {
            return shelf.catalog().parts().values();
        }
        return shelf.search().find(q).stream()
                .filter(h -> !h.board())
                .flatMap(h -> shelf.catalog().part(h.id()).stream())
                .toList();
    }

    @GetMapping("/api/catalog/parts/{id}")
    Part part(@PathVariable String id) {
        return shelf.catalog().part(id).orElseThrow(() -> new NoSuchThing("The catalogue has no part '" + id + "'."));
    }
}
