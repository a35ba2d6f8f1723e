package izzet.app.fault;

/** A change that was made on an older state of the plan than the stored one. */
public final class StalePlan extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final long version;

    /**
     * @param version that the plan has now
     * @param done what was done last
     */
    public StalePlan(long version, String done) {
        super("The plan was changed meanwhile, in another window or by another program; what was done last: " + done
                + ". Nothing was saved; look whether your change still fits, and send it again.");
        this.version = version;
    }

    /** That a change has to name now. */
    public long version() {
        return version;
    }
}
