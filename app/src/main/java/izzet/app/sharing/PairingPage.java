package izzet.app.sharing;

import izzet.app.shell.Refusal;
import izzet.core.quantity.Digest;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.util.HtmlUtils;

/**
 * The only page for those without a key: it asks for one. It loads nothing, since nothing else is answered; its own style is allowed by
 * its digest.
 */
@Component
@ConditionalOnProperty("izzet.lan")
class PairingPage {

    private static final String STYLE =
            """
            :root{color-scheme:light dark}body{font:1.1rem/1.5 system-ui,sans-serif;max-width:30rem;margin:2rem auto;padding:0 1rem}
            label{display:block;margin:.8rem 0}input{display:block;font:inherit;width:100%;box-sizing:border-box;padding:.5rem}
            button{font:inherit;padding:.6rem 1.2rem}[name=key]{font-family:monospace;text-transform:uppercase}
            """;

    private static final String PAGE =
            """
            <!DOCTYPE html>
            <html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
            <title>Pair this device · Izzet</title><style>%1$s</style></head>
            <body><main><h1>Pair this device</h1>
            <p>This Izzet answers paired devices only. The key stands where it was started, and a paired device shows one under Devices.</p>
            %2$s<form method="post" action="/pair">
            <label>Key <input name="key" required maxlength="40" autocomplete="off" autocapitalize="characters" spellcheck="false"
              value="%3$s"></label>
            <label>Name of this device <input name="name" maxlength="80" value="%4$s"></label>
            <button>Pair</button></form></main></body></html>
            """;

    private static final String POLICY = "default-src 'none'; style-src 'sha256-" + digest()
            + "'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    private final PairingTerminal terminal;

    PairingPage(PairingTerminal terminal) {
        this.terminal = terminal;
    }

    /** Asks for a key instead of what was asked for. */
    void ask(HttpServletRequest request, HttpServletResponse response) throws IOException {
        String accepted = request.getHeader(HttpHeaders.ACCEPT);
        boolean page = accepted != null && accepted.contains(MediaType.TEXT_HTML_VALUE);
        response.setHeader(HttpHeaders.WWW_AUTHENTICATE, "Bearer realm=\"Izzet\"");
        if (request.getHeader("HX-Request") != null) {
            response.setHeader("HX-Refresh", "true");
            response.setStatus(HttpStatus.UNAUTHORIZED.value());
        } else if (page) {
            form(request, response, HttpStatus.UNAUTHORIZED, "", "");
        } else {
            Refusal.write(
                    request,
                    response,
                    HttpStatus.UNAUTHORIZED,
                    "Not paired",
                    "This Izzet answers paired devices only. Open it in a browser to pair this one.");
        }
    }

    /**
     * The form itself.
     *
     * @param told what is wrong with what was sent; empty for nothing
     * @param key as it was typed or scanned
     */
    void form(HttpServletRequest request, HttpServletResponse response, HttpStatus status, String told, String key)
            throws IOException {
        terminal.someoneAsks();
        response.setStatus(status.value());
        response.setHeader("Content-Security-Policy", POLICY);
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
        response.setCharacterEncoding(StandardCharsets.UTF_8);
        response.setContentType(MediaType.TEXT_HTML_VALUE);
        String alert =
                told.isEmpty() ? "" : "<p role=\"alert\"><strong>" + HtmlUtils.htmlEscape(told) + "</strong></p>\n";
        response.getWriter().write(PAGE.formatted(STYLE, alert, HtmlUtils.htmlEscape(key), usualName(request)));
        response.flushBuffer();
    }

    /** "Phone" or "Computer", as far as the browser tells. */
    static String usualName(HttpServletRequest request) {
        return mobile(request) ? "Phone" : "Computer";
    }

    static boolean mobile(HttpServletRequest request) {
        String agent = request.getHeader(HttpHeaders.USER_AGENT);
        return agent != null && agent.contains("Mobi");
    }

    private static String digest() {
        return Base64.getEncoder().encodeToString(Digest.of(STYLE));
    }
}
