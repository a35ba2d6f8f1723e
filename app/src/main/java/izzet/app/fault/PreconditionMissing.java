package izzet.app.fault;

/** A changing request of the API without If-Match. */
public final class PreconditionMissing extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public PreconditionMissing() {
        super("Send in If-Match the ETag that came with what you change, so that nobody else's change is lost.");
    }
}
