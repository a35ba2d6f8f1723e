package izzet.core.catalog;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What kind of bus a controller makes. The text form stands in files and plans. */
public enum BusKind {
    I2C("2-wire bus", "I2C bus"),
    SPI("serial bus", "SPI bus"),
    /** The pixel bus of panels without memory. */
    RGB("pixel bus", "pixel bus"),
    UART("serial console", "serial console");

    @JsonCreator
    public static BusKind of(String text) {
        return valueOf(text.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    @JsonValue
    public String text() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private final String wording;
    private final String busName;

    BusKind(String wording, String busName) {
        this.wording = wording;
        this.busName = busName;
    }

    /** For sentences. */
    public String wording() {
        return wording;
    }

    /** What a new bus of the kind is called. */
    public String busName() {
        return busName;
    }

    /** Whether a program can make one on plain pins; a pixel bus is too fast for that. */
    public boolean byProgram() {
        return this == I2C || this == SPI;
    }
}
