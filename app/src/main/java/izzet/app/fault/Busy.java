package izzet.app.fault;

/** Too many wait for a computation already. */
public final class Busy extends RuntimeException {

    public Busy(String message) {
        super(message);
    }
}
