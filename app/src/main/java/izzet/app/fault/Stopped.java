package izzet.app.fault;

/** Somebody stopped a computation that another page waited for. */
public final class Stopped extends RuntimeException {

    public Stopped(String message) {
        super(message);
    }
}
