package izzet.app.sharing;

import izzet.app.store.PairedDeviceRow;
import izzet.core.quantity.Names;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Where a device comes in: with the key of the moment, or with a link that reads one plan. */
@Controller
@ConditionalOnProperty("izzet.lan")
class PairingController {

    /** What is answered without a key. */
    static final String[] OPEN = {"/pair", "/read/{key}"};

    private static final int MOST_SHOWN = 40;

    private final PairingKey key;
    private final PairingPage page;
    private final PairingTerminal terminal;
    private final Devices devices;
    private final Rates tries;

    PairingController(
            PairingKey key,
            PairingPage page,
            PairingTerminal terminal,
            Devices devices,
            Clock clock,
            @Value("${izzet.lan.tries-a-minute:5}") int triesAMinute) {
        this.key = key;
        this.page = page;
        this.terminal = terminal;
        this.devices = devices;
        this.tries = new Rates(clock, triesAMinute);
    }

    /** Looking at it takes no key: a message's preview does, too. */
    @GetMapping("/pair")
    void ask(
            @RequestParam(name = "key", defaultValue = "") String typed,
            Authentication who,
            HttpServletRequest request,
            HttpServletResponse response)
            throws IOException {
        if (who != null && who.getPrincipal() instanceof Devices.Device d && !d.reads()) {
            response.sendRedirect(first(request));
            return;
        }
        page.form(request, response, HttpStatus.OK, "", shown(typed));
    }

    @PostMapping("/pair")
    void pair(
            @RequestParam(name = "key", defaultValue = "") String typed,
            @RequestParam(defaultValue = "") String name,
            HttpServletRequest request,
            HttpServletResponse response)
            throws IOException {
        if (!tries.take(Addresses.asker(request.getRemoteAddr()))) {
            response.setHeader(HttpHeaders.RETRY_AFTER, "60");
            page.form(
                    request,
                    response,
                    HttpStatus.TOO_MANY_REQUESTS,
                    "Too many tries. Wait a minute, then type the key again.",
                    shown(typed));
            return;
        }
        if (!key.take(typed)) {
            page.form(
                    request,
                    response,
                    HttpStatus.FORBIDDEN,
                    "This is not the key, or it was used or is older than ten minutes. The present one stands where Izzet was started.",
                    shown(typed));
            return;
        }
        String clean = Names.cleaned(name).strip();
        String told = clean.isEmpty() ? PairingPage.usualName(request) : Names.cut(clean, PairedDeviceRow.MOST_NAME);
        String made = devices.pair(told);
        response.addHeader(HttpHeaders.SET_COOKIE, cookie(Visitors.DEVICE, made, request));
        terminal.paired(told);
        response.setStatus(HttpStatus.SEE_OTHER.value());
        response.setHeader(HttpHeaders.LOCATION, first(request));
    }

    /** A link that reads one plan; it may be opened by many, until it is ended. */
    @GetMapping("/read/{key}")
    void read(@PathVariable("key") String told, HttpServletRequest request, HttpServletResponse response)
            throws IOException {
        Optional<Devices.Device> link = devices.of(told).filter(Devices.Device::reads);
        if (link.isEmpty()) {
            page.form(
                    request,
                    response,
                    HttpStatus.FORBIDDEN,
                    "This link was ended, or is not whole. Ask for another one.",
                    "");
            return;
        }
        response.addHeader(HttpHeaders.SET_COOKIE, cookie(Visitors.READER, told, request));
        response.setStatus(HttpStatus.SEE_OTHER.value());
        response.setHeader(HttpHeaders.LOCATION, "/plans/" + link.get().planId() + "/pins");
    }

    private static String first(HttpServletRequest request) {
        return PairingPage.mobile(request) ? "/phone" : "/";
    }

    private static String shown(String typed) {
        return typed.length() > MOST_SHOWN ? typed.substring(0, MOST_SHOWN) : typed;
    }

    private static String cookie(String name, String value, HttpServletRequest request) {
        return ResponseCookie.from(name, value)
                .httpOnly(true)
                .secure(request.isSecure())
                .sameSite("Lax")
                .path("/")
                .maxAge(Devices.LIFE)
                .build()
                .toString();
    }
}
