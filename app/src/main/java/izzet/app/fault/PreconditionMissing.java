package izzet.app.fault;

/** A changing request of the API without If-Match. */
public final class PreconditionMissing extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public PreconditionMissing() {
        super("Send the ETag of the plan as you know it in If-Match, so that nobody's change is lost.");
    }
}
