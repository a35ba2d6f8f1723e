package izzet.core.plan;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import izzet.core.catalog.BusKind;

/**
 * A bus of the plan.
 *
 * @param kind {@code i2c}, {@code spi} or {@code rgb}, the pixel bus
 * @param controller of the board; null when the program makes the bus itself on any pins
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Bus(String id, BusKind kind, String name, String controller, int clockHz) {

    @JsonIgnore
    public boolean bitBanged() {
        return controller == null;
    }
}
