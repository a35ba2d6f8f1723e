package izzet.app.shell;

import izzet.app.fault.MemoryShort;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.function.LongSupplier;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Refuses changes before memory is used up, which would end the program. First what can be made again is let go; reading goes on, and
 * changes are taken again as soon as there is room.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 3)
class MemoryRoom extends ChangesFilter {

    /** In bytes; what some changes at once may need. */
    static final long LEAST = 24L << 20;

    /** Clearing up takes a while: not for each of many requests. */
    private static final Duration PAUSE = Duration.ofSeconds(2);

    private final LongSupplier room;
    private final Runnable clearing;
    private final ApplicationEventPublisher events;
    private final LongSupplier nanos;
    private long cleared;
    private boolean enough = true;

    @Autowired
    MemoryRoom(ApplicationEventPublisher events) {
        this(MemoryRoom::free, System::gc, events, System::nanoTime);
    }

    MemoryRoom(LongSupplier room, Runnable clearing, ApplicationEventPublisher events, LongSupplier nanos) {
        this.room = room;
        this.clearing = clearing;
        this.events = events;
        this.nanos = nanos;
        this.cleared = nanos.getAsLong() - PAUSE.toNanos();
    }

    /** Bytes of the heap that are free, or not asked for yet. */
    static long free() {
        Runtime machine = Runtime.getRuntime();
        return machine.maxMemory() - machine.totalMemory() + machine.freeMemory();
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (room.getAsLong() < LEAST && !clear()) {
            response.setHeader("Retry-After", String.valueOf(PAUSE.toSeconds()));
            Refusal.write(
                    request,
                    response,
                    HttpStatus.SERVICE_UNAVAILABLE,
                    "Little memory left",
                    "The program has " + (room.getAsLong() >> 20) + " MB of memory left; " + (LEAST >> 20)
                            + " MB are needed to be safe. Nothing was saved; send it again in a moment. Reading goes on.");
            return;
        }
        chain.doFilter(request, response);
    }

    /** Whether there is room, after what is not needed was given back. */
    private synchronized boolean clear() {
        if (nanos.getAsLong() - cleared >= PAUSE.toNanos()) {
            clearing.run();
            if (room.getAsLong() < LEAST) {
                events.publishEvent(new MemoryShort());
                clearing.run();
            }
            cleared = nanos.getAsLong();
            enough = room.getAsLong() >= LEAST;
        }
        // What has come since then is mostly not cleared up yet.
        return enough;
    }
}
