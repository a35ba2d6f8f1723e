package izzet.core.assign.ways;

import izzet.core.assign.WayOut;
import izzet.core.catalog.Part;
import izzet.core.catalog.PartLine;
import izzet.core.circuit.Circuit;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.PlanEdit;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Predicate;

/** A helper added to a plan: the smallest of the shelf with lines of a kind. */
final class NewHelper {

    private NewHelper() {}

    /** At most one change. */
    static List<WayOut.Change> with(
            Circuit circuit, Predicate<PartLine> kind, String title, String name, String limit) {
        return circuit.catalog().parts().values().stream()
                .filter(p -> p.i2c() != null && lines(p, kind) > 0)
                .sorted(Comparator.comparingLong((Part p) -> lines(p, kind)).thenComparing(Part::id))
                .limit(1)
                .map(p -> new WayOut.Change(
                        title + ": " + p.name(),
                        new PlanEdit.AddPart(new PlacedPart(
                                circuit.plan().freeId(name.toLowerCase(Locale.ROOT)),
                                p.id(),
                                p.version(),
                                name,
                                p.interfaces().get(0).id(),
                                Map.of(),
                                null,
                                null)),
                        List.of(p.purchase() == null ? p.shortName() : p.purchase()),
                        List.of(limit)))
                .toList();
    }

    private static long lines(Part part, Predicate<PartLine> kind) {
        return part.lines().stream().filter(kind).count();
    }
}
