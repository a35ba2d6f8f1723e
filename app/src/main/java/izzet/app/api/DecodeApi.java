package izzet.app.api;

import izzet.app.fault.TooLarge;
import izzet.app.files.LimitedStream;
import izzet.core.capture.RecordFault;
import izzet.core.capture.RecordReader;
import izzet.core.decode.I2cDecoder;
import izzet.core.decode.I2cTransfer;
import izzet.core.decode.TransferJson;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.function.Consumer;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tools.jackson.databind.json.JsonMapper;

/**
 * Decodes a record as it comes in. One event a line is streamed; the plain JSON form goes through a temporary file, so that it answers
 * only when the whole record was read well, however long it is.
 */
@Controller
class DecodeApi {

    private static final String NDJSON = "application/x-ndjson";
    private static final int MAX_GLITCH_NANOS = 1_000_000;

    private final long maxBytes;
    private final JsonMapper json = JsonMapper.shared();

    DecodeApi(@Value("${izzet.records.max-bytes}") long maxBytes) {
        this.maxBytes = maxBytes;
    }

    @PostMapping("/api/decode")
    void decode(
            @RequestParam(defaultValue = "i2c") String protocol,
            @RequestParam String scl,
            @RequestParam String sda,
            @RequestParam(defaultValue = "0") long glitchNs,
            HttpServletRequest request,
            HttpServletResponse response)
            throws IOException {
        if (!protocol.equals("i2c")) {
            throw new IllegalArgumentException("The protocol '" + protocol + "' is not known; known is i2c.");
        }
        if (glitchNs < 0 || glitchNs > MAX_GLITCH_NANOS) {
            throw new IllegalArgumentException("glitchNs lies between 0 and " + MAX_GLITCH_NANOS + ".");
        }
        InputStream body = limited(request.getInputStream());
        String accept = request.getHeader("Accept");
        if (accept != null && accept.contains(NDJSON)) {
            stream(body, scl, sda, glitchNs, response);
        } else {
            whole(body, scl, sda, glitchNs, response);
        }
    }

    private void stream(InputStream body, String scl, String sda, long glitchNs, HttpServletResponse response)
            throws IOException {
        long[] events = {0};
        OutputStream out = new BufferedOutputStream(new Late(response), 1 << 16);
        try {
            run(body, scl, sda, glitchNs, text -> {
                events[0]++;
                write(out, text.append('\n'));
            });
            response.setContentType(NDJSON);
        } catch (RecordFault | TooLarge e) {
            if (!response.isCommitted() && events[0] == 0) {
                throw e;
            }
            int status = e instanceof TooLarge ? 413 : 422;
            write(
                    out,
                    new StringBuilder(json.writeValueAsString(Map.of(
                                    "type",
                                    "about:blank",
                                    "title",
                                    "This record cannot be read",
                                    "status",
                                    status,
                                    "detail",
                                    e.getMessage())))
                            .append('\n'));
        }
        out.flush();
    }

    /** Sets the content type when the first bytes go out. */
    private static final class Late extends OutputStream {
        private final HttpServletResponse response;

        Late(HttpServletResponse response) {
            this.response = response;
        }

        @Override
        public void write(int b) throws IOException {
            write(new byte[] {(byte) b}, 0, 1);
        }

        @Override
        public void write(byte[] b, int off, int len) throws IOException {
            if (!response.isCommitted()) {
                response.setContentType(NDJSON);
            }
            response.getOutputStream().write(b, off, len);
        }

        @Override
        public void flush() throws IOException {
            response.getOutputStream().flush();
        }
    }

    private void whole(InputStream body, String scl, String sda, long glitchNs, HttpServletResponse response)
            throws IOException {
        Path file = Files.createTempFile("izzet-decode", ".json");
        try {
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file), 1 << 16)) {
                boolean[] some = {false};
                write(out, new StringBuilder("{\"events\":["));
                run(body, scl, sda, glitchNs, text -> {
                    if (some[0]) {
                        text.insert(0, ",\n");
                    }
                    some[0] = true;
                    write(out, text);
                });
                write(out, new StringBuilder("]}\n"));
            }
            response.setContentType(MediaType.APPLICATION_JSON_VALUE);
            response.setContentLengthLong(Files.size(file));
            Files.copy(file, response.getOutputStream());
        } finally {
            Files.delete(file);
        }
    }

    private static void run(InputStream body, String scl, String sda, long glitchNs, Consumer<StringBuilder> event)
            throws IOException {
        StringBuilder text = new StringBuilder();
        I2cDecoder[] decoder = new I2cDecoder[1];
        Consumer<I2cTransfer> take = t -> {
            text.setLength(0);
            TransferJson.append(text, t, decoder[0].timeScale());
            event.accept(text);
        };
        decoder[0] = new I2cDecoder(scl, sda, glitchNs, take);
        RecordReader.read(body, decoder[0]);
    }

    private static void write(OutputStream out, StringBuilder text) {
        try {
            out.write(text.toString().getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private InputStream limited(InputStream in) {
        return new LimitedStream(
                in,
                maxBytes,
                "The record is larger than " + maxBytes
                        + " bytes. Record a shorter stretch, or start with a larger izzet.records.max-bytes.");
    }
}
