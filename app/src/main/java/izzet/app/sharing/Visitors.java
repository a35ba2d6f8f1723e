package izzet.app.sharing;

import izzet.app.shell.Refusal;
import izzet.app.shell.Visitor;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Says whose request it is: a device's by the key in its cookie (or as bearer, for programs), or a reader's by the key of a link. Bounds how
 * much each may ask for.
 */
final class Visitors extends OncePerRequestFilter {

    static final String DEVICE = "izzet-device";
    static final String READER = "izzet-reader";
    static final String MAY_ALL = "device";
    static final String MAY_READ = "reader";

    private static final String BEARER = "Bearer ";

    private final Devices devices;
    private final Rates known;
    private final Rates unknown;

    /** @param unknown for those without a key, by address */
    Visitors(Devices devices, Rates known, Rates unknown) {
        this.devices = devices;
        this.known = known;
        this.unknown = unknown;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Optional<Devices.Device> device = whose(request);
        boolean rest = device.map(d -> known.take(String.valueOf(d.id())))
                .orElseGet(() -> unknown.take(Addresses.asker(request.getRemoteAddr())));
        if (!rest) {
            response.setHeader(HttpHeaders.RETRY_AFTER, "60");
            Refusal.write(
                    request,
                    response,
                    HttpStatus.TOO_MANY_REQUESTS,
                    "Too many requests",
                    "More was asked than this device may in a minute. Wait a minute, then go on.");
            return;
        }
        device.ifPresent(d -> {
            String role = d.reads() ? MAY_READ : MAY_ALL;
            SecurityContextHolder.getContext()
                    .setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                            d, null, AuthorityUtils.createAuthorityList(role)));
            request.setAttribute(Visitor.READS, d.planId());
        });
        chain.doFilter(request, response);
    }

    private Optional<Devices.Device> whose(HttpServletRequest request) {
        String told = request.getHeader(HttpHeaders.AUTHORIZATION);
        if (told != null && told.startsWith(BEARER)) {
            return devices.of(told.substring(BEARER.length())).filter(d -> !d.reads());
        }
        Optional<Devices.Device> device = cookies(request, DEVICE).stream()
                .flatMap(k -> devices.of(k).stream())
                .filter(d -> !d.reads())
                .findFirst();
        return device.or(() -> cookies(request, READER).stream()
                .flatMap(k -> devices.of(k).stream())
                .filter(Devices.Device::reads)
                .findFirst());
    }

    private static List<String> cookies(HttpServletRequest request, String name) {
        Cookie[] all = request.getCookies();
        return all == null
                ? List.of()
                : Arrays.stream(all)
                        .filter(c -> c.getName().equals(name))
                        .map(Cookie::getValue)
                        .limit(2)
                        .toList();
    }
}
