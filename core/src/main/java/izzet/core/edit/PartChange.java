package izzet.core.edit;

import izzet.core.assign.Proposal;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.Part;
import izzet.core.plan.LooseEnds;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a maker sets on a part, all of it in one step.
 *
 * @param name null to leave it
 * @param variant id of the interface; null to leave it
 * @param straps settings by the strap's id; those not named stay
 * @param address that the program uses, empty to take it away; null to leave it
 */
public record PartChange(String name, String variant, Map<String, String> straps, Optional<Integer> address) {

    public PartChange {
        straps = Map.copyOf(straps);
    }

    /** @throws PlanEdit.EditRefused when the plan has no such part, the part no such interface, or another one the name */
    public PlanEdit of(Plan plan, Catalog catalog, String part) {
        PlacedPart placed = plan.part(part)
                .orElseThrow(() -> new PlanEdit.EditRefused("The plan has no part '" + part + "' any more."));
        List<PlanEdit> edits = new ArrayList<>();
        String called = name == null ? placed.name() : name.strip();
        if (!called.equals(placed.name())) {
            edits.add(new PlanEdit.RenamePart(part, PartAddition.ownName(plan, called, part)));
        }
        if (variant != null && !variant.equals(placed.interfaceId())) {
            edits.addAll(otherInterface(plan, catalog, placed));
        }
        straps.forEach((strap, setting) -> {
            if (!setting.equals(placed.straps().get(strap)) && !asDelivered(catalog, placed, strap, setting)) {
                edits.add(new PlanEdit.SetStrap(part, strap, setting));
            }
        });
        if (address != null && !address.equals(Optional.ofNullable(placed.address()))) {
            edits.add(new PlanEdit.SetAddress(part, address.orElse(null)));
        }
        return edits.size() == 1 ? edits.get(0) : new PlanEdit.Together("changed " + called, edits);
    }

    /** Wires of lines that the other variant lacks come off; lines that it adds are proposed. */
    private List<PlanEdit> otherInterface(Plan plan, Catalog catalog, PlacedPart placed) {
        Part part = catalog.part(placed.part(), placed.partVersion()).orElseThrow();
        if (part.interfaceOf(variant).isEmpty()) {
            throw new PlanEdit.EditRefused("The part has no interface '" + variant + "'.");
        }
        List<PlanEdit> edits = new ArrayList<>(List.of(new PlanEdit.ChooseInterface(placed.id(), variant)));
        edits.addAll(LooseEnds.of(edits.get(0).apply(plan), catalog));
        Plan changed = new PlanEdit.Together("", edits).apply(plan);
        edits.add(Proposal.of(changed, catalog, placed.id()).edit());
        return edits;
    }

    /** A strap that was never set stands as delivered; to say so changes nothing. */
    private static boolean asDelivered(Catalog catalog, PlacedPart placed, String strap, String setting) {
        return !placed.straps().containsKey(strap)
                && catalog.part(placed.part(), placed.partVersion())
                        .flatMap(p -> p.strap(strap))
                        .filter(s -> s.settings().get(0).id().equals(setting))
                        .isPresent();
    }
}
