package izzet.app.shell;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Fields of a request that are no text: refused with words, where the server would write a trace to its console. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 4)
class ReadableParameters extends OncePerRequestFilter {

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        try {
            chain.doFilter(request, response);
        } catch (InvalidParameterException e) {
            refuse(request, response);
        } catch (ServletException e) {
            if (!(e.getRootCause() instanceof InvalidParameterException) || response.isCommitted()) {
                throw e;
            }
            refuse(request, response);
        }
    }

    private static void refuse(HttpServletRequest request, HttpServletResponse response) throws IOException {
        Refusal.write(
                request,
                response,
                HttpStatus.BAD_REQUEST,
                "This request cannot be understood",
                "A field of it is no text: it holds bytes that are no UTF-8, or a percent sign without two digits. Type it anew.");
    }
}
