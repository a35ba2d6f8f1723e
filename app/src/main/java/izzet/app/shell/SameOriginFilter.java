package izzet.app.shell;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses changing requests that a page of another origin makes and requests under a foreign name, and sets the headers that keep
 * foreign content out. A request without Origin and Sec-Fetch-Site, as from a command line, is let through.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class SameOriginFilter extends OncePerRequestFilter {

    private static final Pattern NUMBER =
            Pattern.compile("\\d{1,3}(\\.\\d{1,3}){3}|\\[?[0-9a-fA-F:.]*:[0-9a-fA-F:.%]*]?");
    private static final Set<String> OWN_SITES = Set.of("same-origin", "none");
    private static final String POLICY =
            "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; "
                    + "font-src 'self'; connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    private static final String PERMISSIONS =
            "camera=(), microphone=(), geolocation=(), usb=(), serial=(), payment=(), interest-cohort=()";
    /** Files of the program; everything else may change with the next edit. */
    private static final String UNCHANGING = "/(css|js|fonts|vendor|webjars)/.*|/icon\\.svg";

    private final List<String> hosts;

    /** @param hosts further names that this application answers to */
    SameOriginFilter(@Value("${izzet.hosts:}") List<String> hosts) {
        this.hosts = List.copyOf(hosts);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        response.setHeader("Content-Security-Policy", POLICY);
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Referrer-Policy", "same-origin");
        response.setHeader("Cross-Origin-Opener-Policy", "same-origin");
        response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
        response.setHeader("Permissions-Policy", PERMISSIONS);
        if (!request.getRequestURI().matches(UNCHANGING)) {
            response.setHeader("Cache-Control", "private, no-cache");
        }
        if (!ownName(request.getServerName())) {
            Refusal.write(
                    request,
                    response,
                    HttpStatus.MISDIRECTED_REQUEST,
                    "Unknown name",
                    "This application does not answer to that name. Use its number or localhost, or start it with IZZET_HOSTS set to the name.");
        } else if (!ChangesFilter.reads(request) && foreign(request)) {
            Refusal.write(
                    request,
                    response,
                    HttpStatus.FORBIDDEN,
                    "Foreign origin",
                    "A page of another origin may not change anything here. Use the application's own pages, or send no Origin header.");
        } else if (ChangesFilter.reads(request) && loadedElsewhere(request)) {
            Refusal.write(
                    request,
                    response,
                    HttpStatus.FORBIDDEN,
                    "Foreign origin",
                    "A page of another origin may link here and not load anything from here. Open the address itself.");
        } else {
            chain.doFilter(request, response);
        }
    }

    /** A page elsewhere can give this machine a name of its own and so pass for the same origin; numbers and localhost it cannot. */
    private boolean ownName(String name) {
        return NUMBER.matcher(name).matches()
                || name.equalsIgnoreCase("localhost")
                || hosts.stream().anyMatch(name::equalsIgnoreCase);
    }

    /**
     * A page elsewhere that loads from here would make this machine compute for it. A link that somebody follows is no such thing; browsers
     * that mark neither are told by the page they come from.
     */
    private static boolean loadedElsewhere(HttpServletRequest request) {
        String site = request.getHeader("Sec-Fetch-Site");
        if (site == null) {
            String from = request.getHeader("Referer");
            String accepted = request.getHeader("Accept");
            return from != null
                    && !sameHost(from, request.getHeader("Host"))
                    && (accepted == null || !accepted.contains(MediaType.TEXT_HTML_VALUE));
        }
        boolean followed = "document".equals(request.getHeader("Sec-Fetch-Dest"))
                && "?1".equals(request.getHeader("Sec-Fetch-User"));
        return !OWN_SITES.contains(site) && !followed;
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
