package izzet.app.api;

import izzet.app.catalog.Shelf;
import izzet.app.fault.NoSuchThing;
import izzet.app.fault.PreconditionMissing;
import izzet.app.fault.StaleItem;
import izzet.core.catalog.Board;
import izzet.core.catalog.CatalogItem;
import izzet.core.catalog.CatalogWriter;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;

/** Own boards and parts over the API, as in their files. The ETag is the version. */
@RestController
class OwnApi {

    private final Shelf shelf;

    OwnApi(Shelf shelf) {
        this.shelf = shelf;
    }

    @GetMapping("/api/shelf/own/{id}")
    ResponseEntity<String> get(@PathVariable String id) {
        return answer(HttpStatus.OK, find(id));
    }

    /** Puts a new item on the shelf, or the next version of the one that is there. */
    @PutMapping("/api/shelf/own/{id}")
    ResponseEntity<String> put(
            @PathVariable String id,
            @RequestHeader(name = "If-Match", required = false) String match,
            @RequestBody(required = false) String body) {
        if (!Shelf.isOwn(id) || !id.matches("[a-z0-9-]{5,52}")) {
            throw new IllegalArgumentException("'" + id + "' is no id of an own item: " + Shelf.OWN
                    + " and then small letters, digits and hyphens, such as own-lever-frame.");
        }
        Optional<CatalogItem> there = known(id);
        there.ifPresent(i -> match(i, match));
        CatalogItem item = shelf.read(id, body == null ? "" : body);
        if (there.filter(i -> i instanceof Board != item instanceof Board).isPresent()) {
            throw new IllegalArgumentException("'" + id + "' is a " + (there.get() instanceof Board ? "board" : "part")
                    + "; the other kind needs another id.");
        }
        return answer(there.isPresent() ? HttpStatus.OK : HttpStatus.CREATED, shelf.put(item, id));
    }

    /** Takes it off the shelf; plans that have it keep it. */
    @DeleteMapping("/api/shelf/own/{id}")
    ResponseEntity<Void> delete(
            @PathVariable String id, @RequestHeader(name = "If-Match", required = false) String match) {
        CatalogItem item = find(id);
        match(item, match);
        shelf.offer(item instanceof Board, id, false);
        return ResponseEntity.noContent().build();
    }

    private Optional<CatalogItem> known(String id) {
        return Optional.<CatalogItem>ofNullable(shelf.catalog().boards().get(id))
                .or(() -> Optional.ofNullable(shelf.catalog().parts().get(id)));
    }

    private CatalogItem find(String id) {
        return known(id)
                .filter(i -> Shelf.isOwn(id))
                .orElseThrow(() -> new NoSuchThing("There is no own board or part '" + id + "' on the shelf."));
    }

    private static String etag(CatalogItem item) {
        return "\"" + item.version() + "\"";
    }

    private static void match(CatalogItem item, String match) {
        if (match == null || match.isBlank()) {
            throw new PreconditionMissing();
        }
        if (!match.strip().equals("*") && !match.strip().equals(etag(item))) {
            throw new StaleItem(item.id(), item.version());
        }
    }

    private static ResponseEntity<String> answer(HttpStatus status, CatalogItem item) {
        return ResponseEntity.status(status)
                .eTag(etag(item))
                .contentType(MediaType.APPLICATION_JSON)
                .body(CatalogWriter.text(item));
    }
}
