package izzet.core.plan;

import com.fasterxml.jackson.annotation.JsonValue;

/** What the wires between board and parts are: what a metre of them weighs on a line, and what it costs a supply. */
public enum Cable {
    LOOSE("loose", "loose jumper wires", 100, 28, "Common practice: wire has about 100 pF a metre"),
    FLAT(
            "flat",
            "flat cable, ground beside each line",
            50,
            28,
            "Data sheets of flat cable, 1.27 mm pitch: about 50 pF a metre; from memory"),
    PAIRS(
            "pairs",
            "network cable, each line with a ground",
            56,
            24,
            "ISO/IEC 11801 and TIA-568: at most 5.6 nF for 100 m of a pair; from memory"),
    SHIELDED(
            "shielded",
            "shielded cable",
            150,
            26,
            "Data sheets of shielded signal cable: 100 to 200 pF a metre to the shield; from memory");

    /** Where the resistances of a metre are from. */
    public static final String RESISTANCE = "ASTM B258, copper at 20 degrees Celsius";

    private final String text;
    private final String words;
    private final double picofaradsPerMetre;
    private final int gauge;
    private final String source;

    Cable(String text, String words, double picofaradsPerMetre, int gauge, String source) {
        this.text = text;
        this.words = words;
        this.picofaradsPerMetre = picofaradsPerMetre;
        this.gauge = gauge;
        this.source = source;
    }

    @JsonValue
    public String text() {
        return text;
    }

    public String words() {
        return words;
    }

    public double picofaradsPerMetre() {
        return picofaradsPerMetre;
    }

    /** AWG. */
    public int gauge() {
        return gauge;
    }

    /** One conductor, by the wire table. */
    public double ohmsPerMetre() {
        return switch (gauge) {
            case 24 -> 0.084;
            case 26 -> 0.134;
            case 28 -> 0.213;
            default -> throw new IllegalStateException("No resistance is told for AWG " + gauge + ".");
        };
    }

    public String source() {
        return source;
    }

    /**
     * @throws IllegalArgumentException when it is none of them
     */
    public static Cable of(String text) {
        for (Cable cable : values()) {
            if (cable.text.equals(text)) {
                return cable;
            }
        }
        throw new IllegalArgumentException(
                "The wires are \"" + text + "\"; loose, flat, pairs and shielded are known.");
    }
}
