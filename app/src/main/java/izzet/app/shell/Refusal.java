package izzet.app.shell;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.util.HtmlUtils;
import tools.jackson.databind.json.JsonMapper;

/**
 * What a filter refuses, written without the dispatcher: that would read the body first, which may never come. A page for people, a
 * problem document for programs.
 */
public final class Refusal {

    private static final String PAGE =
            """
            <!DOCTYPE html>
            <html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
            <title>%1$s · Izzet</title><link rel="stylesheet" href="/css/izzet.css">
            <link rel="stylesheet" href="/css/dark.css" media="(prefers-color-scheme: dark)"></head>
            <body><div id="page"><main id="main" class="fault"><h1>%1$s</h1><p class="detail" role="alert">%2$s</p>
            <p><a href="/">All plans</a></p></main></div></body></html>
            """;

    private Refusal() {}

    /** Answers the request with this status and words. */
    public static void write(
            HttpServletRequest request, HttpServletResponse response, HttpStatus status, String title, String detail)
            throws IOException {
        response.setStatus(status.value());
        response.setCharacterEncoding(StandardCharsets.UTF_8);
        String accepted = request.getHeader("Accept");
        boolean page = accepted != null
                && accepted.contains(MediaType.TEXT_HTML_VALUE)
                && !request.getRequestURI().startsWith("/api/");
        if (page || request.getHeader("HX-Request") != null) {
            response.setContentType(MediaType.TEXT_HTML_VALUE);
            response.getWriter().write(PAGE.formatted(HtmlUtils.htmlEscape(title), HtmlUtils.htmlEscape(detail)));
            response.flushBuffer();
            return;
        }
        Map<String, Object> problem = new LinkedHashMap<>();
        problem.put("type", "about:blank");
        problem.put("title", title);
        problem.put("status", status.value());
        problem.put("detail", detail);
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getWriter().write(JsonMapper.shared().writeValueAsString(problem));
        response.flushBuffer();
    }
}
