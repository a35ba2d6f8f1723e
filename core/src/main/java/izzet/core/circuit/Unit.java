package izzet.core.circuit;

import izzet.core.catalog.Part;
import izzet.core.plan.PlacedPart;

/** A placed part together with what the catalogue says of it. */
public record Unit(PlacedPart placed, Part part) {

    public String id() {
        return placed.id();
    }

    public String name() {
        return placed.name();
    }

    /** The interface variant in use. */
    public Part.Interface variant() {
        return part.interfaceOf(placed.interfaceId()).orElseThrow();
    }

    @Override
    public String toString() {
        return placed.name();
    }
}
