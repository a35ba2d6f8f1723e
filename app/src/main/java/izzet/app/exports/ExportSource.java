package izzet.app.exports;

import izzet.app.plan.StoredPlan;
import izzet.core.circuit.Circuit;
import izzet.core.export.Maker;

/** What exports are made from. */
record ExportSource(StoredPlan stored, Circuit circuit, Maker maker) {

    String name() {
        return stored.plan().name();
    }
}
