package izzet.core.display;

import izzet.core.catalog.Part;
import java.util.Map;

/**
 * What a session must know of the part that it follows.
 *
 * @param family of its commands
 * @param columns of its glass in pixels or characters; 0 where it has none
 * @param rows of its glass
 * @param memoryColumns of its controller
 * @param memoryRows of its controller
 * @param offsetColumns between the controller's first column and the glass's first
 * @param offsetRows the same for rows
 * @param memoryTold whether the size of the memory is known, and not only taken to be that of the glass
 * @param blueFirst whether its glass has blue where the controller says red
 * @param orderTold whether it is known which colour comes first
 * @param expander bit of an expander by line of the character display behind it; empty where there is none
 */
public record Panel(
        String family,
        int columns,
        int rows,
        int memoryColumns,
        int memoryRows,
        int offsetColumns,
        int offsetRows,
        boolean memoryTold,
        boolean blueFirst,
        boolean orderTold,
        Map<String, Integer> expander) {

    public Panel {
        expander = Map.copyOf(expander);
    }

    /** A glass that shows all of its controller's memory. */
    public static Panel plain(String family, int columns, int rows) {
        return new Panel(family, columns, rows, columns, rows, 0, 0, false, false, false, Map.of());
    }

    /** The same where the glass begins further in the memory. */
    public Panel offset(int newColumns, int newRows) {
        return new Panel(
                family,
                columns,
                rows,
                memoryColumns,
                memoryRows,
                newColumns,
                newRows,
                memoryTold,
                blueFirst,
                orderTold,
                expander);
    }

    public Panel behind(Map<String, Integer> bits) {
        return new Panel(
                family,
                columns,
                rows,
                memoryColumns,
                memoryRows,
                offsetColumns,
                offsetRows,
                memoryTold,
                blueFirst,
                orderTold,
                bits);
    }

    public static Panel of(Part part) {
        Part.Glass g = part.glass();
        Map<String, Integer> bits = part.i2c() == null || part.i2c().expander() == null
                ? Map.of()
                : part.i2c().expander();
        if (g == null) {
            return plain(family(part), 0, 0).behind(bits);
        }
        return new Panel(
                family(part),
                g.columns(),
                g.rows(),
                or(g.memoryColumns(), g.columns()),
                or(g.memoryRows(), g.rows()),
                or(g.offsetColumns(), 0),
                or(g.offsetRows(), 0),
                g.memoryColumns() != null && g.memoryRows() != null,
                "bgr".equals(g.order()),
                g.order() != null,
                bits);
    }

    /** The family of commands of a part; null where its bytes have no named meaning. */
    public static String family(Part part) {
        if (part.glass() != null && part.glass().family() != null) {
            return part.glass().family();
        }
        if (part.i2c() != null && part.i2c().speaks() != null) {
            return part.i2c().speaks();
        }
        return part.spi() == null ? null : part.spi().speaks();
    }

    private static int or(Integer value, int otherwise) {
        return value == null ? otherwise : value;
    }
}
