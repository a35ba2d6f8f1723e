package izzet.app.fault;

/** A stored revision that cannot be read any more. The others of the plan are not harmed: undo leads back to the one before. */
public final class UnreadableRevision extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public UnreadableRevision(long plan, int number, Throwable cause) {
        super(
                "Revision " + number + " of plan " + plan
                        + " cannot be read. Undo takes the plan back to the one before.",
                cause);
    }
}
