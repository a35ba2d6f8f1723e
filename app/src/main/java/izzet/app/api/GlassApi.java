package izzet.app.api;

import izzet.app.drawing.Pictures;
import izzet.core.decode.Protocol;
import izzet.core.decode.Protocols;
import izzet.core.decode.Settings;
import izzet.core.display.ExpanderBits;
import izzet.core.display.FrameRecorder;
import izzet.core.display.Glass;
import izzet.core.display.GlassReader;
import izzet.core.display.Interpreters;
import izzet.core.display.Panel;
import izzet.core.display.Picture;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.HttpMediaTypeNotAcceptableException;
import org.springframework.web.bind.annotation.PostMapping;

/** What a display of a record shows at its end or at a moment of it. */
@Controller
class GlassApi {

    private static final int MOST_SIDE = 1024;

    /** A memory that holds every address that a colour panel of this family can be sent, whichever way its rows and columns lie. */
    private static final int COLOUR_SIDE = 512;

    private static final String CHARACTER = "character";
    private static final String COLOUR = "dcs";
    private static final MediaType PBM = new MediaType("image", "x-portable-bitmap");
    private static final MediaType PPM = new MediaType("image", "x-portable-pixmap");

    private final RecordRequest requests;

    GlassApi(RecordRequest requests) {
        this.requests = requests;
    }

    @PostMapping("/api/glass")
    ResponseEntity<byte[]> glass(HttpServletRequest request) throws IOException, HttpMediaTypeNotAcceptableException {
        String family = family(request.getParameter("display"));
        String expander = request.getParameter("expander");
        Protocol protocol = expander != null && request.getParameter("protocol") == null
                ? Protocols.of("i2c")
                : requests.protocol(request);
        Settings settings = requests.settings(request, protocol);
        Glass.Area area = area(request);
        Panel panel = panel(request, family, expander != null);
        GlassReader.Listener listener = new GlassReader.Listener(
                address(request, expander != null ? "expander" : "address"),
                address(request, "switch"),
                number(request, "channel", 0, 7, 0));
        GlassReader reader = new GlassReader(protocol, settings, panel, listener, at(request));
        if (expander != null && request.getParameter("bits") == null) {
            reader.findingBits();
        }
        return answer(
                reader.read(requests.body(request), requests.table(request)),
                area,
                request.getHeader(HttpHeaders.ACCEPT));
    }

    /** Families by the names of the protocols, too. */
    private static String family(String display) {
        String family = "character-lcd".equals(display) ? CHARACTER : display;
        if (family == null || Interpreters.of(family).isEmpty()) {
            throw new IllegalArgumentException("display is one of character-lcd, "
                    + String.join(", ", Interpreters.families()) + ", not '" + display + "'.");
        }
        return family;
    }

    private static Panel panel(HttpServletRequest request, String family, boolean behind) {
        boolean text = family.equals(CHARACTER);
        int columns = number(request, "columns", 1, MOST_SIDE, text ? 16 : 128);
        int rows = number(request, "rows", 1, MOST_SIDE, text ? 2 : 64);
        Panel plain = Panel.plain(family, columns, rows);
        if (family.equals(COLOUR)) {
            int side = Math.max(COLOUR_SIDE, Math.max(columns, rows));
            plain = new Panel(family, columns, rows, side, side, 0, 0, false, false, false, Map.of());
        }
        String bits = request.getParameter("bits");
        return behind && bits != null ? plain.behind(ExpanderBits.read(bits).map()) : plain;
    }

    private static BigDecimal at(HttpServletRequest request) {
        String at = request.getParameter("atNs");
        if (at == null || at.isBlank()) {
            return null;
        }
        if (!at.strip().matches("-?\\d{1,18}(\\.\\d{1,9})?")) {
            throw new IllegalArgumentException(
                    "atNs is a time in nanoseconds on the record's own axis, not '" + at + "'.");
        }
        return new BigDecimal(at.strip());
    }

    private static Glass.Area area(HttpServletRequest request) {
        String[] names = {"x", "y", "width", "height"};
        long given = java.util.Arrays.stream(names)
                .filter(n -> request.getParameter(n) != null)
                .count();
        if (given == 0) {
            return null;
        }
        if (given < names.length) {
            throw new IllegalArgumentException("Of x, y, width and height give all four, or none.");
        }
        return new Glass.Area(
                number(request, "x", 0, MOST_SIDE, 0),
                number(request, "y", 0, MOST_SIDE, 0),
                number(request, "width", 1, MOST_SIDE, 1),
                number(request, "height", 1, MOST_SIDE, 1));
    }

    private static int number(HttpServletRequest request, String name, int least, int most, int otherwise) {
        String text = request.getParameter(name);
        if (text == null || text.isBlank()) {
            return otherwise;
        }
        if (text.strip().matches("\\d{1,6}")) {
            int value = Integer.parseInt(text.strip());
            if (value >= least && value <= most) {
                return value;
            }
        }
        throw new IllegalArgumentException(name + " lies between " + least + " and " + most + ", not '" + text + "'.");
    }

    /** Seven bits, hexadecimal with 0x or decimal; -1 where none is given. */
    private static int address(HttpServletRequest request, String name) {
        String text = request.getParameter(name);
        if (text == null || text.isBlank()) {
            return -1;
        }
        String clean = text.strip();
        if (clean.matches("(?i)0x[0-9a-f]{1,3}|\\d{1,4}")) {
            int value = Integer.decode(
                    clean.startsWith("0") && !clean.matches("(?i)0x.*")
                            ? String.valueOf(Integer.parseInt(clean))
                            : clean);
            if (value < 0x400) {
                return value;
            }
        }
        throw new IllegalArgumentException(name + " is an address such as 0x3C, not '" + text + "'.");
    }

    private static ResponseEntity<byte[]> answer(Glass glass, Glass.Area area, String accept)
            throws IOException, HttpMediaTypeNotAcceptableException {
        List<MediaType> wanted =
                new ArrayList<>(accept == null ? List.of(MediaType.ALL) : MediaType.parseMediaTypes(accept));
        org.springframework.util.MimeTypeUtils.sortBySpecificity(wanted);
        if (glass instanceof Glass.Text text) {
            need(wanted, MediaType.APPLICATION_JSON);
            StringBuilder json = new StringBuilder("{");
            FrameRecorder.json(json, text);
            return of(MediaType.APPLICATION_JSON, json.append("}\n").toString().getBytes(StandardCharsets.UTF_8));
        }
        Picture picture = ((Glass.Pixels) glass).memory(area);
        List<MediaType> have =
                picture.mono() ? List.of(PBM, PPM, MediaType.IMAGE_PNG) : List.of(PPM, MediaType.IMAGE_PNG);
        MediaType chosen = need(wanted, have.toArray(new MediaType[0]));
        if (chosen.equals(PBM)) {
            return of(PBM, picture.pbm().getBytes(StandardCharsets.US_ASCII));
        }
        return chosen.equals(PPM)
                ? of(PPM, picture.ppm().getBytes(StandardCharsets.US_ASCII))
                : of(MediaType.IMAGE_PNG, Pictures.png(picture, 1));
    }

    private static MediaType need(List<MediaType> wanted, MediaType... have)
            throws HttpMediaTypeNotAcceptableException {
        for (MediaType want : wanted) {
            for (MediaType one : have) {
                if (want.includes(one)) {
                    return one;
                }
            }
        }
        throw new HttpMediaTypeNotAcceptableException(List.of(have));
    }

    private static ResponseEntity<byte[]> of(MediaType type, byte[] body) {
        return ResponseEntity.ok().contentType(type).body(body);
    }
}
