package izzet.core.decode;

import izzet.core.capture.RecordReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Decoders for tests, set as in a request. */
public final class Decoding {

    private Decoding() {}

    /** @param settings such as {@code scl=D1} */
    public static Settings settings(Protocol protocol, String... settings) {
        Map<String, String> given = new HashMap<>();
        Arrays.stream(settings).map(s -> s.split("=", 2)).forEach(s -> given.put(s[0], s[1]));
        return Settings.of(protocol, given::get);
    }

    public static Decoder i2c(long glitchNs, List<I2cTransfer> heard) {
        Protocol i2c = Protocols.of("i2c");
        return i2c.decoder(
                settings(i2c, "scl=scl", "sda=sda", "glitchNs=" + glitchNs), e -> heard.add((I2cTransfer) e));
    }

    /** All events of a record. */
    public static List<BusEvent> events(byte[] record, String protocol, String... settings) throws IOException {
        Protocol p = Protocols.of(protocol);
        List<BusEvent> events = new ArrayList<>();
        RecordReader.read(new ByteArrayInputStream(record), p.decoder(settings(p, settings), events::add));
        return events;
    }
}
