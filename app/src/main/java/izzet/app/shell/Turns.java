package izzet.app.shell;

import izzet.app.fault.Busy;
import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;

/** Searches that a page waits for take turns, so that many of them do not take the machine from everybody; first come, first served. */
@Component
public class Turns {

    private static final int AT_ONCE = 2;

    private final Semaphore free;
    private final Duration patience;

    Turns() {
        this(AT_ONCE, Duration.ofSeconds(10));
    }

    Turns(int atOnce, Duration patience) {
        this.free = new Semaphore(atOnce, true);
        this.patience = patience;
    }

    /** @throws Busy when it is not its turn in time */
    public <T> T take(Supplier<T> search) {
        boolean mine = false;
        try {
            mine = free.tryAcquire(patience.toMillis(), TimeUnit.MILLISECONDS);
            if (!mine) {
                throw new Busy("Others are searching, and it was not your turn within " + patience.toSeconds()
                        + " seconds. Nothing was changed; try again in a moment.");
            }
            return search.get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Busy("The application is being stopped. Nothing was changed.");
        } finally {
            if (mine) {
                free.release();
            }
        }
    }
}
