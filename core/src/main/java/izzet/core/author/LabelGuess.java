package izzet.core.author;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/**
 * What a pin most probably is, by what is printed beside it. Common practice, no more: it fills fields that are empty, for a person to
 * look over.
 */
public final class LabelGuess {

    private record Guess(Pattern label, Map<String, String> values) {}

    private static final List<Guess> LINES = List.of(
            guess("GND|VSS|G|-", "role=ground", "direction=passive", "required=yes"),
            guess("VCC|VDD|VIN|V\\+|\\+|3V3|5V|3\\.3V|VCC_?IN|PWR", "role=supply", "direction=passive", "required=yes"),
            guess("SDA", "role=i2c.sda", "direction=both", "required=yes"),
            guess("SCL", "role=i2c.scl", "direction=in", "required=yes"),
            guess("SCK|SCLK|CLK|D0/SCK", "role=spi.sck", "direction=in", "required=yes"),
            guess("MOSI|SDI|DIN|D1/MOSI|DI", "role=spi.mosi", "direction=in", "required=yes"),
            guess("MISO|SDO|DO|DOUT", "role=spi.miso", "direction=out", "required=no"),
            guess(
                    "CS|SS|CSN|NSS|CS\\d|CE|STB",
                    "role=select",
                    "direction=in",
                    "required=yes",
                    "active=low",
                    "open=floats"),
            guess("DC|D/C|RS|A0", "role=data-command", "direction=in", "required=yes", "open=floats"),
            guess("RST|RES|RESET|NRST", "role=reset", "direction=in", "required=yes", "active=low", "open=floats"),
            guess("E|EN|ENA|WR|RD|R/W|RW|OE", "role=control", "direction=in", "required=yes", "open=floats"),
            guess("D\\d{1,2}|DB\\d{1,2}", "role=data", "direction=in", "required=yes", "open=floats"),
            guess("BL|BLK|LED|LEDA|BLA|A|ANODE", "role=lamp", "direction=passive", "required=yes"),
            guess("LEDK|BLK-|K|CATHODE", "role=return", "direction=passive", "required=yes"),
            guess("V0|VO|VEE|CONTRAST", "role=contrast", "direction=in", "required=yes"),
            guess("BUSY|INT|IRQ|OUT|AO|DRDY", "role=signal", "direction=out", "required=no"));

    private static final List<Guess> PINS = List.of(
            guess("GND|VSS|G", "rail=GND"),
            guess("3V3|3\\.3V", "rail=3V3"),
            guess("5V|VBUS", "rail=5V"),
            guess("A\\d{1,2}", "functions=digital-in digital-out analog-in"),
            guess("(D|IO|GPIO|GP|P)?\\d{1,2}|P[A-K]\\d{1,2}", "functions=digital-in digital-out"));

    private LabelGuess() {}

    private static Guess guess(String label, String... values) {
        Map<String, String> map = new LinkedHashMap<>();
        for (String value : values) {
            map.put(value.substring(0, value.indexOf('=')), value.substring(value.indexOf('=') + 1));
        }
        return new Guess(Pattern.compile(label), map);
    }

    /** The row with what its label tells. What is filled in already stays, and where a role is given that says another, all stays. */
    public static Map<String, String> complete(Map<String, String> row, Sheet sheet) {
        boolean board = sheet.pointer().equals("/pins");
        String label = row.getOrDefault(board ? "label" : "id", "").strip().toUpperCase(Locale.ROOT);
        Map<String, String> whole = new LinkedHashMap<>(row);
        if (board && row.getOrDefault("id", "").isBlank()) {
            String key = label.replaceAll("[^A-Z0-9-]", "-");
            if (!key.isBlank()) {
                whole.put("id", key.substring(0, Math.min(16, key.length())));
            }
        }
        String lead = board ? "functions" : "role";
        for (Guess guess : board ? PINS : LINES) {
            if (guess.label().matcher(label).matches()) {
                String given = row.getOrDefault(lead, "");
                if (given.isBlank() || given.equals(guess.values().get(lead))) {
                    guess.values().forEach((path, value) -> {
                        if (whole.getOrDefault(path, "").isBlank()) {
                            whole.put(path, value);
                        }
                    });
                }
                return whole;
            }
        }
        return whole;
    }
}
