package izzet.core.bench;

import izzet.core.circuit.Circuit;
import izzet.core.plan.Plan;
import java.util.LinkedHashSet;
import java.util.Set;

/**
 * What stands on the desk: the circuit as it was built and the program as it was written, which a fault may have parted from the plan.
 *
 * @param planned as the maker means it
 * @param built as the wires, pads and resistors are
 * @param programmed as the program believes it to be
 * @param conditions what is in no plan
 */
public record Desk(Circuit planned, Circuit built, Circuit programmed, Set<Condition> conditions) {

    /** What hands and things do that no plan holds. */
    public enum Condition {
        /** The potentiometer of the contrast stands where it came. */
        CONTRAST_NOT_TURNED,
        /** A wire makes contact every other moment: each second transfer of the bus is lost. */
        BAD_JOINT,
        /** The boards of the bus came without their pull-up resistors. */
        WITHOUT_FITTED_PULL_UPS
    }

    public Desk {
        conditions = Set.copyOf(conditions);
    }

    /** Everything as planned. */
    public static Desk of(Circuit planned) {
        return new Desk(planned, planned, planned, Set.of());
    }

    public boolean is(Condition condition) {
        return conditions.contains(condition);
    }

    /** The same with other wires. */
    public Desk built(Plan plan) {
        return built(new Circuit(plan, built.catalog()));
    }

    /** The same built another way. */
    public Desk built(Circuit other) {
        return new Desk(planned, other, programmed, conditions);
    }

    /** The same with another program. */
    public Desk programmed(Plan plan) {
        return new Desk(planned, built, new Circuit(plan, planned.catalog()), conditions);
    }

    public Desk with(Condition condition) {
        Set<Condition> all = new LinkedHashSet<>(conditions);
        all.add(condition);
        return new Desk(planned, built, programmed, all);
    }
}
