package izzet.core.decode;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.capture.RecordReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Each simulated capture decodes to exactly what its driving script sent. */
class CaptureFilesTest {

    private static final JsonMapper JSON = JsonMapper.shared();

    @ParameterizedTest
    @CsvSource({
        "spi-dcs-tft, spi-dcs-tft, vcd",
        "spi-two-devices.a, spi-two-devices, vcd",
        "spi-two-devices.b, spi-two-devices, vcd",
        "lcd-4bit, lcd-4bit, vcd",
        "lcd-8bit, lcd-8bit, vcd",
        "i2c-page-oled, i2c-page-oled, vcd",
        "i2c-expander-lcd, i2c-expander-lcd, vcd",
        "i2c-trouble, i2c-trouble, vcd",
        "i2c-10bit-and-general-call, i2c-10bit-and-general-call, vcd",
        "i2c-trouble.edges, i2c-trouble.edges, csv",
        "i2c-trouble.sampled, i2c-trouble.sampled, csv"
    })
    void decodesExactly(String name, String file, String kind) throws IOException {
        JsonNode expected = JSON.readTree(resource(name + ".expected.json"));
        String events = decode(resource(file + "." + kind).readAllBytes(), expected, Integer.MAX_VALUE);
        assertThat(JSON.readTree(events))
                .isEqualTo(JSON.readTree(expected.get("events").toString()));
    }

    /** Reads that end anywhere, and line ends of the other kind, change nothing. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 7, 61, 4096})
    void anyCutGivesTheSame(int chunk) throws IOException {
        JsonNode expected = JSON.readTree(resource("i2c-trouble.expected.json"));
        byte[] record = resource("i2c-trouble.vcd").readAllBytes();
        String whole = decode(record, expected, Integer.MAX_VALUE);
        assertThat(decode(record, expected, chunk)).isEqualTo(whole);
        byte[] crlf = new String(record, java.nio.charset.StandardCharsets.US_ASCII)
                .replace("\n", "\r\n")
                .getBytes(java.nio.charset.StandardCharsets.US_ASCII);
        assertThat(decode(crlf, expected, chunk)).isEqualTo(whole);
    }

    private static String decode(byte[] record, JsonNode expected, int chunk) throws IOException {
        List<String> events = new ArrayList<>();
        Protocol protocol = Protocols.of(expected.get("protocol").asString());
        Settings settings = Settings.of(protocol, name -> {
            JsonNode line = expected.get("lines").path(name);
            JsonNode option = expected.get("options").path(name);
            return line.isMissingNode() ? option.isMissingNode() ? null : option.asString() : line.asString();
        });
        Decoder[] decoder = new Decoder[1];
        decoder[0] = protocol.decoder(settings, e -> {
            StringBuilder json = new StringBuilder();
            protocol.json(json, e, decoder[0].timeScale());
            events.add(json.toString());
            assertThat(EventBlock.unpack(EventBlock.pack(protocol, List.of(e)))).containsExactly(e);
        });
        InputStream in = new ByteArrayInputStream(record) {
            @Override
            public synchronized int read(byte[] b, int off, int len) {
                return super.read(b, off, Math.min(len, chunk));
            }
        };
        RecordReader.read(in, decoder[0]);
        return "[" + String.join(",", events) + "]";
    }

    static InputStream resource(String name) {
        return CaptureFilesTest.class.getResourceAsStream("/captures/" + name);
    }
}
