package izzet.app.plan;

/** A change that was made on an older state of the plan than the stored one. */
public final class StalePlan extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public StalePlan() {
        super("The plan was changed meanwhile, in another window or by another program. Nothing was saved; "
                + "look at its present state and make the change again.");
    }
}
