package izzet.core.circuit;

import izzet.core.catalog.Part;
import izzet.core.plan.PlacedPart;

/**
 * A placed part together with what the catalogue says of it.
 *
 * @param variant the interface in use
 */
public record Unit(PlacedPart placed, Part part, Part.Interface variant) {

    public Unit(PlacedPart placed, Part part) {
        this(placed, part, part.interfaceOf(placed.interfaceId()).orElseThrow());
    }

    public String id() {
        return placed.id();
    }

    public String name() {
        return placed.name();
    }

    /** By its id: the whole part would take long, and maps are asked often. */
    @Override
    public int hashCode() {
        return placed.id().hashCode();
    }

    @Override
    public String toString() {
        return placed.name();
    }
}
