package izzet.app.shell;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses changing requests that a page of another origin makes, and sets the headers that keep foreign content out. A request without
 * Origin and Sec-Fetch-Site, as from a command line, is let through.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class SameOriginFilter extends OncePerRequestFilter {

    private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");
    private static final Set<String> OWN_SITES = Set.of("same-origin", "none");
    private static final String POLICY =
            "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; "
                    + "font-src 'self'; connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        response.setHeader("Content-Security-Policy", POLICY);
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Referrer-Policy", "same-origin");
        if (!READING.contains(request.getMethod()) && foreign(request)) {
            response.setStatus(HttpServletResponse.SC_FORBIDDEN);
            response.setContentType("application/problem+json");
            response.getWriter()
                    .write(
                            "{\"type\":\"about:blank\",\"title\":\"Foreign origin\",\"status\":403,\"detail\":"
                                    + "\"A page of another origin may not change anything here. Use the application's own pages, or send no Origin header.\"}");
            return;
        }
        chain.doFilter(request, response);
    }

    private static boolean foreign(HttpServletRequest request) {
        String site = request.getHeader("Sec-Fetch-Site");
        if (site != null && !OWN_SITES.contains(site)) {
            return true;
        }
        String origin = request.getHeader("Origin");
        return origin != null && !sameHost(origin, request.getHeader("Host"));
    }

    private static boolean sameHost(String origin, String host) {
        try {
            return host != null && host.equalsIgnoreCase(URI.create(origin).getRawAuthority());
        } catch (IllegalArgumentException e) {
            return false;
        }
    }
}
