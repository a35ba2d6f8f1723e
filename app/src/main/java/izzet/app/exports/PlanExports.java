package izzet.app.exports;

import izzet.app.catalog.Shelf;
import izzet.app.fault.NoSuchThing;
import izzet.app.plan.PlanStore;
import izzet.app.plan.StoredPlan;
import izzet.app.preference.Preferences;
import izzet.core.circuit.Circuit;
import izzet.core.export.Export;
import izzet.core.export.Maker;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;

/** All ways to take a plan away. */
@Service
class PlanExports {

    private final PlanStore plans;
    private final Shelf shelf;
    private final Preferences preferences;
    private final List<PlanExport> all;

    PlanExports(PlanStore plans, Shelf shelf, Preferences preferences, List<PlanExport> own) {
        this.plans = plans;
        this.shelf = shelf;
        this.preferences = preferences;
        this.all = Stream.concat(Export.all().stream().map(CoreExport::new), own.stream())
                .sorted(Comparator.comparing(PlanExport::kind))
                .toList();
    }

    List<PlanExport> all() {
        return all;
    }

    ExportSource source(long id) {
        StoredPlan stored = plans.get(id);
        return new ExportSource(
                stored,
                new Circuit(stored.plan(), shelf.catalog()),
                new Maker(preferences.colours(), preferences.drawer()));
    }

    /** @throws NoSuchThing when there is no such kind, or this plan has none of it */
    PlanExport of(String kind, ExportSource source) {
        PlanExport export = all.stream()
                .filter(e -> e.kind().equals(kind))
                .findFirst()
                .orElseThrow(() -> new NoSuchThing("There is no export '" + kind + "'; /exports lists them."));
        export.missing(source).ifPresent(why -> {
            throw new NoSuchThing(export.title() + ": " + why);
        });
        return export;
    }

    /** Those that this plan has. */
    List<PlanExport> possible(ExportSource source) {
        List<PlanExport> possible = new ArrayList<>();
        for (PlanExport export : all) {
            if (export.missing(source).isEmpty()) {
                possible.add(export);
            }
        }
        return possible;
    }
}
