package izzet.app.api;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Collections;
import java.util.Enumeration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.UriComponentsBuilder;
import org.springframework.web.util.UriUtils;

/**
 * Lets bodies of the API through as they are. A command-line client marks what it sends as a form by default; taken for one, a record or
 * a plan document would be eaten up by the reading of parameters, which for PUT another filter does: this one comes before it. Parameters
 * of the API stand in the query only.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class RawBodyFilter extends OncePerRequestFilter {

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String type = request.getContentType();
        return !request.getRequestURI().startsWith("/api/")
                || type == null
                || !type.toLowerCase(Locale.ROOT).startsWith(MediaType.APPLICATION_FORM_URLENCODED_VALUE);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        chain.doFilter(new RawBody(request), response);
    }

    private static final class RawBody extends HttpServletRequestWrapper {

        private static final String TYPE = MediaType.APPLICATION_OCTET_STREAM_VALUE;
        private final Map<String, String[]> query = new LinkedHashMap<>();

        RawBody(HttpServletRequest request) {
            super(request);
            UriComponentsBuilder.newInstance()
                    .query(request.getQueryString())
                    .build()
                    .getQueryParams()
                    .forEach((name, values) -> query.put(name, decoded(values)));
        }

        private static String[] decoded(List<String> values) {
            return values.stream()
                    .map(v -> v == null ? "" : UriUtils.decode(v.replace('+', ' '), "UTF-8"))
                    .toArray(String[]::new);
        }

        @Override
        public String getContentType() {
            return TYPE;
        }

        @Override
        public String getHeader(String name) {
            return name.equalsIgnoreCase("Content-Type") ? TYPE : super.getHeader(name);
        }

        @Override
        public Enumeration<String> getHeaders(String name) {
            return name.equalsIgnoreCase("Content-Type")
                    ? Collections.enumeration(List.of(TYPE))
                    : super.getHeaders(name);
        }

        @Override
        public String getParameter(String name) {
            String[] values = query.get(name);
            return values == null ? null : values[0];
        }

        @Override
        public String[] getParameterValues(String name) {
            return query.get(name);
        }

        @Override
        public Map<String, String[]> getParameterMap() {
            return Collections.unmodifiableMap(query);
        }

        @Override
        public Enumeration<String> getParameterNames() {
            return Collections.enumeration(query.keySet());
        }
    }
}
