package izzet.core.assign;

import izzet.core.circuit.Circuit;
import izzet.core.plan.PlanEdit;
import java.util.List;

/** A kind of change that may free places. Each change is tried before it is offered. */
public interface WayOut {

    /**
     * A change to try.
     *
     * @param title "Connect the cabin display as 4-bit"
     * @param buy parts to buy, in words
     * @param limits what it rules out, in words
     */
    record Change(String title, PlanEdit edit, List<String> buy, List<String> limits) {
        public Change {
            buy = List.copyOf(buy);
            limits = List.copyOf(limits);
        }
    }

    /** Cheap to make; whether they help is found out by the caller. */
    List<Change> changes(Circuit circuit);
}
