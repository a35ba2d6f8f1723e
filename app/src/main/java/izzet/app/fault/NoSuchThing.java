package izzet.app.fault;

/** Something asked for that is not there. */
public final class NoSuchThing extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public NoSuchThing(String message) {
        super(message);
    }
}
