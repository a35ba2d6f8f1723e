package izzet.app.shell;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Set;
import org.springframework.web.filter.OncePerRequestFilter;

/** A filter of what changes something; reading passes it by. */
abstract class ChangesFilter extends OncePerRequestFilter {

    private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");

    static boolean reads(HttpServletRequest request) {
        return READING.contains(request.getMethod());
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return reads(request);
    }
}
