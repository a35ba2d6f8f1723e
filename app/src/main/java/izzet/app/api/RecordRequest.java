package izzet.app.api;

import izzet.app.files.LimitedStream;
import izzet.core.capture.TableOptions;
import izzet.core.decode.LineRole;
import izzet.core.decode.Protocol;
import izzet.core.decode.Protocols;
import izzet.core.decode.Settings;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** What a request that sends a record asks for: its protocol, its lines by role, its options; and the record itself, limited in size. */
@Component
class RecordRequest {

    private final long maxBytes;

    RecordRequest(@Value("${izzet.records.max-bytes}") long maxBytes) {
        this.maxBytes = maxBytes;
    }

    /**
     * The protocol that is named; without a name the one whose needed lines are given.
     *
     * @throws IllegalArgumentException when it is not known, or none fits
     */
    Protocol protocol(HttpServletRequest request) {
        String named = request.getParameter("protocol");
        if (named != null && !named.isBlank()) {
            return Protocols.of(named);
        }
        return Protocols.all().stream()
                .filter(p -> p.roles().stream()
                        .filter(LineRole::required)
                        .allMatch(r -> request.getParameter(r.id()) != null))
                .findFirst()
                .orElseGet(() -> Protocols.of("i2c"));
    }

    Settings settings(HttpServletRequest request, Protocol protocol) {
        return Settings.of(protocol, request::getParameter);
    }

    /** What a table does not say itself. */
    TableOptions table(HttpServletRequest request) {
        return TableOptions.of(
                request.getParameter("rateHz"),
                request.getParameter("threshold"),
                request.getParameter("hysteresis"),
                request.getParameter("times"),
                request.getParameter("unit"));
    }

    InputStream body(HttpServletRequest request) throws IOException {
        return new LimitedStream(
                request.getInputStream(),
                maxBytes,
                "The record is larger than " + maxBytes
                        + " bytes. Record a shorter stretch, or start with a larger izzet.records.max-bytes.");
    }
}
