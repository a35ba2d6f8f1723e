package izzet.app.shell;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.http.HttpHeaders;
import org.springframework.web.servlet.AsyncHandlerInterceptor;

/**
 * A few pages are computed at a time, the others wait for their turn in the order they came. A hundred at a time would each get a hundredth of
 * the processors, and the compiler that makes them fast another hundredth: a crowd at a program just started waited ten seconds a page for
 * minutes. Nobody waits longer than the limit, whatever the ones before are at.
 */
final class Turns implements AsyncHandlerInterceptor {

    private static final String TURN = Turns.class.getName();

    private final Semaphore turns;
    private final long mostMillis;

    /** @param most pages at a time */
    Turns(int most, long mostMillis) {
        this.turns = new Semaphore(most, true);
        this.mostMillis = mostMillis;
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler)
            throws InterruptedException {
        if (brief(request) && turns.tryAcquire(mostMillis, TimeUnit.MILLISECONDS)) {
            request.setAttribute(TURN, this);
        }
        return true;
    }

    /** A body may be read while it is handled, and comes as slowly as its sender likes. */
    private static boolean brief(HttpServletRequest request) {
        return request.getContentLengthLong() <= 0 && request.getHeader(HttpHeaders.TRANSFER_ENCODING) == null;
    }

    @Override
    public void afterConcurrentHandlingStarted(
            HttpServletRequest request, HttpServletResponse response, Object handler) {
        end(request);
    }

    @Override
    public void afterCompletion(HttpServletRequest request, HttpServletResponse response, Object handler, Exception e) {
        end(request);
    }

    private void end(HttpServletRequest request) {
        if (request.getAttribute(TURN) != null) {
            request.removeAttribute(TURN);
            turns.release();
        }
    }
}
