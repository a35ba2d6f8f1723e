package izzet.core.catalog;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.Collectors;

/** What a part's line is for. The text form stands in part files. */
public enum Role {
    SUPPLY("supply", "supply"),
    GROUND("ground", "ground"),
    I2C_SDA("i2c.sda", "bus data"),
    I2C_SCL("i2c.scl", "bus clock"),
    SPI_SCK("spi.sck", "serial clock"),
    SPI_MOSI("spi.mosi", "serial data from the board"),
    SPI_MISO("spi.miso", "serial data to the board"),
    SELECT("select", "select"),
    DATA_COMMAND("data-command", "data/command"),
    RESET("reset", "reset"),
    ENABLE("enable", "enable strobe"),
    CONTROL("control", "control input"),
    DATA("data", "parallel data"),
    SIGNAL("signal", "signal to the board"),
    LAMP("lamp", "lamp"),
    RETURN("return", "lamp return"),
    CONTRAST("contrast", "contrast"),
    ADDRESS("address", "address pin"),
    CHANNEL_SDA("channel.sda", "switched bus data"),
    CHANNEL_SCL("channel.scl", "switched bus clock"),
    GATE_CLOCK("gate.clock", "clock into the gate"),
    GATE_SELECT("gate.select", "gate select"),
    GATE_OUTPUT("gate.output", "gated clock"),
    SHIFT("shift", "shifted line"),
    PORT("port", "line of an expander"),
    CONVERTER("converter", "input of an analog converter"),
    RGB("rgb", "line of the pixel bus"),
    SOURCE("source", "supply output"),
    TERMINAL("terminal", "terminal");

    private final String text;
    private final String wording;
    private final Optional<String> signal;

    Role(String text, String wording) {
        this.text = text;
        this.wording = wording;
        boolean ofBus = text.startsWith("i2c.") || text.startsWith("spi.");
        this.signal = ofBus ? Optional.of(text.substring(text.indexOf('.') + 1)) : Optional.empty();
    }

    @JsonCreator
    public static Role of(String text) {
        return Arrays.stream(values())
                .filter(r -> r.text.equals(text))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("Unknown role '" + text + "'; known are "
                        + Arrays.stream(values()).map(r -> r.text).collect(Collectors.joining(", ")) + "."));
    }

    @JsonValue
    public String text() {
        return text;
    }

    /** What a controller calls it, such as {@code sda}; empty for others, and for {@link #RGB}, whose lines have one each. */
    public Optional<String> signal() {
        return signal;
    }

    /** For sentences. */
    public String wording() {
        return wording;
    }

    public boolean i2c() {
        return this == I2C_SDA || this == I2C_SCL;
    }

    public boolean spi() {
        return this == SPI_SCK || this == SPI_MOSI || this == SPI_MISO;
    }

    /** A line that every part of a bus has in common. */
    public boolean bus() {
        return i2c() || spi() || this == RGB;
    }

    public boolean power() {
        return this == SUPPLY || this == GROUND || this == RETURN || this == SOURCE || this == TERMINAL;
    }

    /** A line of a helper that other parts hang on. */
    public boolean downstream() {
        return this == CHANNEL_SDA || this == CHANNEL_SCL || this == GATE_OUTPUT || this == SHIFT || instead();
    }

    /** A line of a helper that one line can hang on instead of a pin. */
    public boolean instead() {
        return this == PORT || this == CONVERTER;
    }

    /** Inputs of several parts may share one pin when they want the same thing at the same time. */
    public boolean shareable() {
        return this == DATA_COMMAND || this == RESET || this == CONTROL || this == DATA || this == LAMP;
    }
}
