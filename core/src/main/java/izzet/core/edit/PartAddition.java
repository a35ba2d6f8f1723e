package izzet.core.edit;

import izzet.core.assign.Proposal;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.Part;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** A part of the shelf comes into the plan, connected as far as the board has room. */
public final class PartAddition {

    private static final int LONGEST_ID = 24;

    private PartAddition() {}

    /**
     * @param name as the maker calls it; blank for one of the part's kind that is free
     * @param variant id of the interface; the first where the part has no such one
     * @throws PlanEdit.EditRefused when the catalogue has no such part, or another one has the name
     */
    public static PlanEdit of(Plan plan, Catalog catalog, String partId, String name, String variant) {
        Part part = catalog.part(partId)
                .orElseThrow(() -> new PlanEdit.EditRefused("The catalogue has no part '" + partId + "'."));
        String label = name.isBlank() ? freeName(plan, part) : ownName(plan, name.strip(), null);
        String id = plan.freeId(stem(label));
        String chosen =
                part.interfaceOf(variant).orElse(part.interfaces().get(0)).id();
        PlanEdit add = new PlanEdit.AddPart(
                new PlacedPart(id, part.id(), part.version(), label, chosen, Map.of(), null, null));
        PlanEdit connect = Proposal.of(add.apply(plan), catalog, id).edit();
        return new PlanEdit.Together("added " + label, List.of(add, connect));
    }

    private static String stem(String label) {
        String stem =
                label.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^[^a-z]+|-+$", "");
        return stem.isEmpty()
                ? "part"
                : stem.substring(0, Math.min(LONGEST_ID, stem.length())).replaceAll("-+$", "");
    }

    private static String freeName(Plan plan, Part part) {
        String base = Character.toUpperCase(part.shortName().charAt(0))
                + part.shortName().substring(1);
        String name = base;
        for (int i = 2; taken(plan, name); i++) {
            name = base + " " + i;
        }
        return name;
    }

    /**
     * A name that a maker gave.
     *
     * @param except id of the part that has it; null for a new one
     * @throws PlanEdit.EditRefused when another part of the plan is called so
     */
    static String ownName(Plan plan, String name, String except) {
        boolean twice = plan.parts().stream().anyMatch(p -> p.name().equalsIgnoreCase(name) && !p.id().equals(except));
        if (twice) {
            String free = name;
            for (int i = 2; taken(plan, free); i++) {
                free = name + " " + i;
            }
            throw new PlanEdit.EditRefused(
                    "Another part is called '" + name + "' already; '" + free + "' is free, or say where it stands.");
        }
        return name;
    }

    private static boolean taken(Plan plan, String name) {
        return plan.parts().stream().anyMatch(p -> p.name().equalsIgnoreCase(name));
    }
}
