package izzet.app.api;

import izzet.app.catalog.Shelf;
import izzet.app.mend.Solutions;
import izzet.app.plan.Parcels;
import izzet.app.plan.PlanStore;
import izzet.app.plan.StoredPlan;
import izzet.core.check.Finding;
import izzet.core.mend.Solution;
import izzet.core.plan.PlanParcel;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Ways to mend a whole plan, over the API. */
@RestController
class SolutionsApi {

    private final PlanStore plans;
    private final Parcels parcels;
    private final Shelf shelf;
    private final Solutions solutions;
    private final IfMatch matching;

    SolutionsApi(PlanStore plans, Parcels parcels, Shelf shelf, Solutions solutions, IfMatch matching) {
        this.plans = plans;
        this.parcels = parcels;
        this.shelf = shelf;
        this.solutions = solutions;
        this.matching = matching;
    }

    @GetMapping("/api/plans/{id}/solutions")
    List<Map<String, Object>> of(@PathVariable long id, @RequestParam(defaultValue = "") List<String> wish) {
        return solutions.of(id, plans.get(id).plan(), shelf.catalog(), Solutions.wishes(wish)).stream()
                .map(SolutionsApi::json)
                .toList();
    }

    /** Makes all changes of one as one revision; it is found again by its id and the same wishes. */
    @PostMapping("/api/plans/{id}/solutions/{solution}")
    ResponseEntity<String> take(
            @PathVariable long id,
            @PathVariable String solution,
            @RequestParam(defaultValue = "") List<String> wish,
            @RequestHeader(name = "If-Match", required = false) String match) {
        long version = matching.version(id, match);
        StoredPlan stored = plans.at(id, version);
        Solution way = solutions.one(id, stored.plan(), shelf.catalog(), Solutions.wishes(wish), solution);
        StoredPlan mended = plans.apply(id, version, way.edit());
        return ResponseEntity.ok()
                .eTag(mended.etag())
                .contentType(MediaType.APPLICATION_JSON)
                .body(parcels.write(mended.plan()));
    }

    /** Of a plan document that is not stored. */
    @PostMapping("/api/solutions")
    List<Map<String, Object>> of(
            @RequestParam(defaultValue = "") List<String> wish, @RequestBody(required = false) String body) {
        PlanParcel parcel = parcels.read(body == null ? "" : body);
        return solutions.of(0, parcel.plan(), parcel.catalog(shelf.catalog()), Solutions.wishes(wish)).stream()
                .map(SolutionsApi::json)
                .toList();
    }

    private static Map<String, Object> json(Solution s) {
        Map<String, Object> price = new LinkedHashMap<>();
        price.put("parts", s.price().buy());
        price.put("pins", s.price().pins());
        price.put("wires", s.wires());
        price.put("speed", s.price().limits());
        price.put("code", s.price().code());
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("id", s.id());
        json.put("title", s.title());
        json.put("edits", s.steps());
        json.put("price", price);
        json.put("findingsGone", s.gone().stream().map(Finding::id).toList());
        json.put("findingsLeft", s.left().stream().map(Finding::id).toList());
        json.put("plan", s.plan());
        return json;
    }
}
