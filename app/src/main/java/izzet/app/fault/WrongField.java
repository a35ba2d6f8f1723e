package izzet.app.fault;

/** What was typed into a field cannot be used. The page marks the field and keeps what stands in it. */
public final class WrongField extends IllegalArgumentException {

    private final transient String field;

    /**
     * @param field name of the field in its form
     * @param message what is wrong, where, and what to write
     */
    public WrongField(String field, String message) {
        super(message);
        this.field = field;
    }

    public String field() {
        return field;
    }
}
