package izzet.core.code;

/**
 * A number or a pin with a name.
 *
 * @param text as all languages write it, such as {@code 0x3C}; empty for a pin
 * @param pin null for a number
 */
public record Constant(String name, String text, ProgramPin pin, String comment) {

    public boolean isPin() {
        return pin != null;
    }

    /** As assemblers write it: {@code $3C}. */
    public String dollar() {
        return text.replaceFirst("^0x", "\\$");
    }
}
