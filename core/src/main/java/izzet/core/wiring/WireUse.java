package izzet.core.wiring;

import izzet.core.catalog.Role;

/** What a wire is for, as far as its colour is concerned. */
public enum WireUse {
    SUPPLY("supply", "red"),
    LOW_SUPPLY("3.3 V supply", "orange"),
    GROUND("ground", "black"),
    DATA("data", "blue"),
    CLOCK("clock", "yellow"),
    ANSWER("data to the board", "violet"),
    SELECT("select", "green"),
    OTHER("everything else", "white");

    private final String words;
    private final String usual;

    WireUse(String words, String usual) {
        this.words = words;
        this.usual = usual;
    }

    public String words() {
        return words;
    }

    /** Its colour by habit. */
    public String usual() {
        return usual;
    }

    static WireUse of(Role role) {
        return switch (role) {
            case I2C_SDA, CHANNEL_SDA, SPI_MOSI -> DATA;
            case I2C_SCL, CHANNEL_SCL, SPI_SCK, GATE_CLOCK, GATE_OUTPUT -> CLOCK;
            case SPI_MISO -> ANSWER;
            case SELECT, GATE_SELECT -> SELECT;
            case GROUND -> GROUND;
            default -> OTHER;
        };
    }
}
