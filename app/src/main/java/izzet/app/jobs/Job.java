package izzet.app.jobs;

import izzet.app.fault.Stopped;
import java.time.Duration;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;

/** A long computation. Pages read it while another thread works on it. */
public final class Job<T> {

    /** What is computed. It looks at {@link Job#stopped} now and then, and may say how far it has come. */
    @FunctionalInterface
    public interface Work<T> {
        T run(Job<T> job);
    }

    private final long id;
    private final long owner;
    private final Object key;
    private final String what;
    private final String address;
    /** Null once it is done: it holds what it was asked about. */
    private Work<T> work;

    private final CountDownLatch begun = new CountDownLatch(1);
    private final CountDownLatch done = new CountDownLatch(1);
    private volatile boolean stopped;
    private volatile boolean heeds = true;
    private volatile String progress = "";
    private volatile long since = System.nanoTime();
    private volatile long took;
    private volatile T result;
    private volatile RuntimeException fault;

    Job(long id, long owner, Object key, String what, String address, Work<T> work) {
        this.id = id;
        this.owner = owner;
        this.key = key;
        this.what = what;
        this.address = address;
        this.work = work;
    }

    public long id() {
        return id;
    }

    /** The plan that it is for; 0 for none. */
    public long owner() {
        return owner;
    }

    /** What was asked: the same again is the same job. */
    public Object key() {
        return key;
    }

    /** For people: {@code Assign the pins}. */
    public String what() {
        return what;
    }

    /** Of the page that shows it; empty where somebody waits for the answer. */
    public String address() {
        return address;
    }

    /** How far it has come, in words; empty where it does not say. */
    public String progress() {
        return progress;
    }

    public void say(String words) {
        progress = words;
    }

    public boolean waiting() {
        return begun.getCount() > 0;
    }

    public boolean done() {
        return done.getCount() == 0;
    }

    public boolean stopped() {
        return stopped;
    }

    /** Asks it to end with what it has. */
    public void stop() {
        stopped = true;
    }

    /** Whether a stop would be heeded: what ends by itself within a moment does not look. */
    public boolean stoppable() {
        return heeds && !done() && !stopped;
    }

    void heeds(boolean looks) {
        heeds = looks;
    }

    /**
     * For what has nothing to show before it is whole.
     *
     * @throws Stopped when it was stopped
     */
    public void goOn() {
        if (stopped) {
            throw new Stopped(what + ": stopped. Nothing was changed; ask again when you want it.");
        }
    }

    /** What went wrong; null while nothing did. */
    public RuntimeException fault() {
        return fault;
    }

    /** {@code waiting}, {@code running}, {@code stopping}, {@code done}, {@code failed}. */
    public String state() {
        if (done()) {
            return fault == null ? "done" : "failed";
        }
        if (stopped) {
            return "stopping";
        }
        return waiting() ? "waiting" : "running";
    }

    /** Since it was asked for or, once it runs, since then; how long it ran, when it is done. */
    public double seconds() {
        return (done() ? took : System.nanoTime() - since) / 1e9;
    }

    /** Waits for its end, but not for long. */
    public boolean await(Duration patience) {
        return await(done, patience);
    }

    boolean awaitBegin(Duration patience) {
        return await(begun, patience);
    }

    private static boolean await(CountDownLatch latch, Duration patience) {
        try {
            return latch.await(patience.toMillis(), TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    /**
     * What it came to; null while it is not done.
     *
     * @throws RuntimeException what the computation threw
     */
    public T result() {
        if (fault != null) {
            throw fault;
        }
        return result;
    }

    void run() {
        since = System.nanoTime();
        begun.countDown();
        try {
            result = work.run(this);
        } catch (RuntimeException e) {
            fault = e;
        } catch (Error e) {
            // The worker goes on with what others asked for.
            fault = new IllegalStateException(what + ": " + e, e);
        } finally {
            took = System.nanoTime() - since;
            work = null;
            done.countDown();
        }
    }
}
