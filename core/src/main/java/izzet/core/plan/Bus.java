package izzet.core.plan;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;

/**
 * A bus of the plan.
 *
 * @param kind {@code i2c}, {@code spi} or {@code rgb}, the pixel bus
 * @param controller of the board; null when the program makes the bus itself on any pins
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Bus(String id, String kind, String name, String controller, int clockHz) {

    public static final String I2C = "i2c";
    public static final String SPI = "spi";
    public static final String RGB = "rgb";

    @JsonIgnore
    public boolean bitBanged() {
        return controller == null;
    }
}
