package izzet.core.check;

/** What kind of trouble a finding tells, so that repairs know which they mend. */
public enum Trouble {
    /** Two parts answer at one address. */
    ADDRESS_CLASH,
    /** Addresses meet although they seem apart. */
    SEGMENT_CLASH,
    /** The program has another address than the part. */
    WRITTEN_ADDRESS,
    /** A level is not read as what it is. */
    LEVEL_MISS,
    /** An input sees more than it survives. */
    OVER_VOLTAGE,
    /** A level shifter does not fit its line. */
    SHIFTER_KIND,
    /** The pull-ups of a bus are wrong. */
    PULL_UPS,
    /** A line leads nowhere. */
    OPEN_LINE,
    /** Data lines are wired that the interface does not have. */
    WRONG_HALF,
    /** A line rests at no level. */
    NO_REST_LEVEL,
    /** A resistor of the chip bends what is measured. */
    MEASURED_PULL,
    /** A lamp gets too much or too little. */
    LAMP_CURRENT,
    /** Lines cannot share their pin. */
    SHARED_PIN,
    /** A pin cannot do what its line needs. */
    PIN_FUNCTION,
    /** The board needs the pin itself. */
    RESERVED_PIN,
    /** A boot pin has the wrong level. */
    BOOT_LEVEL,
    /** One function disturbs another. */
    SIDE_EFFECT,
    /** Parts are selected together. */
    SHARED_SELECT,
    /** A bus is spread over pins. */
    SPREAD_BUS,
    /** A supply is not the one that the part needs. */
    SUPPLY_RANGE,
    /** A resistor takes a supply away. */
    SUPPLY_RESISTOR,
    /** A rail cannot carry its parts. */
    RAIL_LOAD,
    /** The contrast cannot be read. */
    CONTRAST,
    /** Straps choose another interface. */
    INTERFACE_STRAP,
    /** A clock is too fast. */
    CLOCK_TOO_FAST,
    /** A pixel clock does not fit. */
    PIXEL_CLOCK,
    /** The shelf has another version. */
    SHELF_VERSION,
    /** An input floats. */
    FLOATING_INPUT,
    /** Pins or chip carry more than they may. */
    PIN_CURRENT,
    /** Grounds are not joined. */
    COMMON_GROUND,
    /** A gated clock does not come where it should. */
    CLOCK_GATE,
    /** A controller cannot do what a part needs. */
    CONTROLLER_MODE,
    /** Nothing that an edit of the plan is known to mend. */
    OTHER
}
