package izzet.core.check;

import izzet.core.quantity.Quantity;

/**
 * One thing that a rule looked at or compared, as data: the numbers are in the base unit, the printed text is made of them.
 *
 * @param name what it is
 * @param value with unit, as printed
 * @param source where it comes from; null for a value of the plan or one computed here
 * @param number in the base unit; null for what is no quantity, such as a list of pins
 * @param limit that it was held against; null where it was not
 * @param margin to the limit, negative when it is passed; null where there is none
 * @param unit symbol of the base unit; null for plain counts and texts
 */
public record Figure(
        String name, String value, String source, Double number, Double limit, Double margin, String unit) {

    public static Figure of(String name, Object value, String source) {
        if (value instanceof Quantity q) {
            return new Figure(
                    name, q.toString(), source, q.value(), null, null, q.unit().symbol());
        }
        Double number = value instanceof Number n ? (Double) n.doubleValue() : null;
        return new Figure(name, value.toString(), source, number, null, null, null);
    }

    /** A value against its limit. */
    public static Figure compared(String name, Quantity value, Quantity limit, Quantity margin, String source) {
        String text = value + " against " + limit + ", margin "
                + (Math.abs(margin.value()) < 10 && margin.unit() == izzet.core.quantity.Unit.VOLT
                        ? margin.inMillis()
                        : margin.toString());
        return new Figure(
                name,
                text,
                source,
                value.value(),
                limit.value(),
                margin.value(),
                value.unit().symbol());
    }
}
