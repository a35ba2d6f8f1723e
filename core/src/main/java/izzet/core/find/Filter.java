package izzet.core.find;

import izzet.core.catalog.Board;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.CatalogItem;
import izzet.core.catalog.Part;
import java.util.Arrays;
import java.util.Optional;

/**
 * Narrows the shelf by what a part is connected with, what it shows, and the supply that it takes. Null stands for any.
 */
public record Filter(Way way, Glass glass, Supply supply) {

    public static final Filter NONE = new Filter(null, null, null);

    private static final int SMALL_PIXELS = 128 * 64;
    private static final int MIDDLE_PIXELS = 240 * 320;

    /** How a part is connected. */
    public enum Way {
        TWO_WIRE("2-wire"),
        SERIAL("serial"),
        PARALLEL("parallel"),
        PIXEL_BUS("pixel bus"),
        SINGLE_LINES("single lines");

        private final String words;

        Way(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        private boolean fits(Part part) {
            return part.interfaces().stream().anyMatch(i -> of(i) == this);
        }

        private static Way of(Part.Interface i) {
            if (i.bus() == BusKind.I2C) {
                return TWO_WIRE;
            }
            if (i.bus() == BusKind.SPI) {
                return SERIAL;
            }
            if (i.bus() == BusKind.RGB) {
                return PIXEL_BUS;
            }
            return i.bits() == null ? SINGLE_LINES : PARALLEL;
        }
    }

    /** What a glass shows. */
    public enum Glass {
        CHARACTERS("characters or digits"),
        SMALL("up to 128 × 64 pixels"),
        MIDDLE("up to 240 × 320 pixels"),
        LARGE("more pixels");

        private final String words;

        Glass(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        private boolean fits(Part part) {
            return part.glass() != null && of(part.glass()) == this;
        }

        private static Glass of(Part.Glass glass) {
            if ("characters".equals(glass.shows())) {
                return CHARACTERS;
            }
            int pixels = glass.columns() * glass.rows();
            return pixels <= SMALL_PIXELS ? SMALL : pixels <= MIDDLE_PIXELS ? MIDDLE : LARGE;
        }
    }

    /** A supply that a part works on. */
    public enum Supply {
        V3_3("works on 3.3 V", 3.3),
        V5("works on 5 V", 5.0);

        private final String words;
        private final double volts;

        Supply(String words, double volts) {
            this.words = words;
            this.volts = volts;
        }

        public String words() {
            return words;
        }

        private boolean fits(Part part) {
            return part.supply() == null
                    || part.supply().minVolts() <= volts && part.supply().maxVolts() >= volts;
        }
    }

    /** The value of this name; empty for any other text. */
    public static <E extends Enum<E>> Optional<E> named(Class<E> type, String name) {
        return Arrays.stream(type.getEnumConstants())
                .filter(e -> e.name().equals(name))
                .findFirst();
    }

    /** Boards pass only where nothing but their logic supply is asked for. */
    public boolean fits(CatalogItem item) {
        if (item instanceof Board board) {
            return way == null && glass == null && (supply == null || board.logicVolts() == supply.volts);
        }
        Part part = (Part) item;
        return (way == null || way.fits(part))
                && (glass == null || glass.fits(part))
                && (supply == null || supply.fits(part));
    }
}
