package izzet.app.api;

import izzet.app.catalog.Shelf;
import izzet.app.plan.Parcels;
import izzet.app.plan.PlanStore;
import izzet.app.plan.StoredPlan;
import izzet.core.check.Checker;
import izzet.core.check.Report;
import izzet.core.circuit.Circuit;
import izzet.core.plan.PlanEdit;
import izzet.core.plan.PlanParcel;
import izzet.core.repair.Repair;
import izzet.core.repair.Repairs;
import izzet.core.wiring.MeterCheck;
import izzet.core.wiring.WiringList;
import java.net.URI;
import java.util.List;
import java.util.Map;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Plans over the API: documents in and out, revisions by ETag and If-Match. */
@RestController
class PlansApi {

    private static final int MOST_LISTED = 1000;

    private final PlanStore plans;
    private final Parcels parcels;
    private final Shelf shelf;
    private final Checker checker;
    private final Repairs repairs;
    private final IfMatch matching;

    PlansApi(PlanStore plans, Parcels parcels, Shelf shelf, Checker checker, Repairs repairs, IfMatch matching) {
        this.plans = plans;
        this.parcels = parcels;
        this.shelf = shelf;
        this.checker = checker;
        this.repairs = repairs;
        this.matching = matching;
    }

    /** A page of them, last changed first; a thousand at most, since each is read. */
    @GetMapping("/api/plans")
    List<PlanStore.Entry> list(
            @RequestParam(defaultValue = "0") int page, @RequestParam(defaultValue = "1000") int size) {
        if (page < 0 || size < 1 || size > MOST_LISTED) {
            throw new IllegalArgumentException("page is 0 or more, size is between 1 and " + MOST_LISTED + ".");
        }
        return plans.list(page, size);
    }

    @PostMapping("/api/plans")
    ResponseEntity<String> create(@RequestBody(required = false) String body) {
        long id = plans.create(parcels.open(orEmpty(body)), "came over the API");
        StoredPlan stored = plans.get(id);
        return ResponseEntity.created(URI.create("/api/plans/" + id))
                .eTag(stored.etag())
                .contentType(MediaType.APPLICATION_JSON)
                .body(parcels.write(stored.plan()));
    }

    @GetMapping("/api/plans/{id}")
    ResponseEntity<String> get(@PathVariable long id) {
        return document(plans.get(id));
    }

    @PutMapping("/api/plans/{id}")
    ResponseEntity<String> put(
            @PathVariable long id,
            @RequestHeader(name = "If-Match", required = false) String match,
            @RequestBody(required = false) String body) {
        long version = matching.version(id, match);
        return document(plans.replace(id, version, parcels.open(orEmpty(body)), "came over the API"));
    }

    @DeleteMapping("/api/plans/{id}")
    ResponseEntity<Void> delete(
            @PathVariable long id, @RequestHeader(name = "If-Match", required = false) String match) {
        plans.delete(id, matching.version(id, match));
        return ResponseEntity.noContent().build();
    }

    @GetMapping("/api/plans/{id}/findings")
    Map<String, Object> findings(@PathVariable long id) {
        return ReportJson.of(new Circuit(plans.get(id).plan(), shelf.catalog()), checker, repairs);
    }

    @PostMapping("/api/plans/{id}/repairs/{repair}")
    ResponseEntity<String> repair(
            @PathVariable long id,
            @PathVariable String repair,
            @RequestHeader(name = "If-Match", required = false) String match) {
        long version = matching.version(id, match);
        Circuit circuit = new Circuit(plans.get(id).plan(), shelf.catalog());
        Report report = checker.check(circuit);
        Repair found = repairs.find(circuit, report, repair)
                .orElseThrow(() ->
                        new PlanEdit.EditRefused("No such repair helps this plan now; ask for its findings again."));
        return document(plans.apply(id, version, found.edit()));
    }

    @GetMapping("/api/plans/{id}/wiring")
    Map<String, Object> wiring(@PathVariable long id) {
        Circuit circuit = new Circuit(plans.get(id).plan(), shelf.catalog());
        return Map.of("groups", WiringList.of(circuit), "checks", MeterCheck.of(circuit));
    }

    @PostMapping("/api/check")
    Map<String, Object> check(@RequestBody(required = false) String body) {
        PlanParcel parcel = parcels.read(orEmpty(body));
        return ReportJson.of(new Circuit(parcel.plan(), parcel.catalog(shelf.catalog())), checker, repairs);
    }

    private static String orEmpty(String body) {
        return body == null ? "" : body;
    }

    private ResponseEntity<String> document(StoredPlan stored) {
        return ResponseEntity.ok()
                .eTag(stored.etag())
                .contentType(MediaType.APPLICATION_JSON)
                .body(parcels.write(stored.plan()));
    }
}
