package izzet.app.api;

import izzet.app.fault.TooLarge;
import izzet.core.capture.RecordFault;
import izzet.core.capture.RecordReader;
import izzet.core.capture.TableOptions;
import izzet.core.decode.Decoder;
import izzet.core.decode.Protocol;
import izzet.core.decode.Settings;
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
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import tools.jackson.databind.json.JsonMapper;

/**
 * Decodes a record as it comes in. One event a line is streamed; the plain JSON form goes through a temporary file, so that it answers
 * only when the whole record was read well, however long it is.
 */
@Controller
class DecodeApi {

    private static final String NDJSON = "application/x-ndjson";
    private final RecordRequest requests;
    private final JsonMapper json = JsonMapper.shared();

    DecodeApi(RecordRequest requests) {
        this.requests = requests;
    }

    /** A record that is to be decoded. */
    private record Asked(InputStream body, TableOptions table, Protocol protocol, Settings settings) {}

    @PostMapping("/api/decode")
    void decode(HttpServletRequest request, HttpServletResponse response) throws IOException {
        Protocol protocol = requests.protocol(request);
        Asked asked = new Asked(
                requests.body(request), requests.table(request), protocol, requests.settings(request, protocol));
        String accept = request.getHeader("Accept");
        if (accept != null && accept.contains(NDJSON)) {
            stream(asked, response);
        } else {
            whole(asked, response);
        }
    }

    private void stream(Asked asked, HttpServletResponse response) throws IOException {
        long[] events = {0};
        OutputStream out = new BufferedOutputStream(new Late(response), 1 << 16);
        try {
            run(asked, text -> {
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

    private void whole(Asked asked, HttpServletResponse response) throws IOException {
        Path file = Files.createTempFile("izzet-decode", ".json");
        try {
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file), 1 << 16)) {
                boolean[] some = {false};
                write(out, new StringBuilder("{\"events\":["));
                run(asked, text -> {
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

    private static void run(Asked asked, Consumer<StringBuilder> event) throws IOException {
        StringBuilder text = new StringBuilder();
        Decoder[] decoder = new Decoder[1];
        decoder[0] = asked.protocol().decoder(asked.settings(), e -> {
            text.setLength(0);
            asked.protocol().json(text, e, decoder[0].timeScale());
            event.accept(text);
        });
        RecordReader.read(asked.body(), asked.table(), decoder[0]);
    }

    private static void write(OutputStream out, StringBuilder text) {
        try {
            out.write(text.toString().getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
