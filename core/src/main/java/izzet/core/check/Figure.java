package izzet.core.check;

/**
 * One number that a rule compared.
 *
 * @param name what it is
 * @param value with unit, as printed
 * @param source where it comes from; null for a value of the plan or one computed here
 */
public record Figure(String name, String value, String source) {

    public static Figure of(String name, Object value) {
        return new Figure(name, value.toString(), null);
    }

    public static Figure of(String name, Object value, String source) {
        return new Figure(name, value.toString(), source);
    }
}
