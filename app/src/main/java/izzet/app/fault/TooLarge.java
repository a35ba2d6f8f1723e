package izzet.app.fault;

/** A body above its limit; the message names the limit and how to raise it. */
public final class TooLarge extends RuntimeException {

    private static final long serialVersionUID = 1L;

    public TooLarge(String message) {
        super(message);
    }
}
