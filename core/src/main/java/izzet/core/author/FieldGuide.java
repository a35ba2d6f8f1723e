package izzet.core.author;

import izzet.core.author.FileField.Named;
import izzet.core.catalog.Schemas;
import java.util.ArrayList;
import java.util.List;

/** Every place of a catalogue file, for who writes one by hand: made from the schema that the file is checked against. */
public record FieldGuide(List<Section> sections) {

    public static final FieldGuide PART = of(FileField.of(Schemas.tree("/schema/part.schema.json")));
    public static final FieldGuide BOARD = of(FileField.of(Schemas.tree("/schema/board.schema.json")));

    private static final String FILE = "The file";

    /**
     * Places that belong together.
     *
     * @param heading as in the form
     * @param about what is said of all of them; mostly empty
     */
    public record Section(String heading, String about, List<Row> rows) {}

    /**
     * One place.
     *
     * @param place names from the top of the file, with {@code []} for each of a list and {@code *} for any name: {@code lines[]/role}
     * @param title in the form; empty where no form asks for it
     * @param holds what stands there: {@code number}, or the words to choose from
     * @param limits what a value is held against; empty where any will do
     * @param needed whether what it stands in is not complete without it
     * @param hint an example, or what to do where there is no such thing
     */
    public record Row(
            String place, String title, String holds, String limits, boolean needed, String explained, String hint) {}

    public FieldGuide {
        sections = List.copyOf(sections);
    }

    static FieldGuide of(FileField file) {
        List<Section> sections = new ArrayList<>();
        take("", FILE, "", file, sections);
        return new FieldGuide(sections);
    }

    private static void take(String before, String heading, String about, FileField object, List<Section> sections) {
        for (Named property : object.properties()) {
            FileField field = property.field();
            String place = before + property.name();
            String own = field.row().isEmpty() ? field.group() : field.title();
            String under = own.isEmpty() ? heading : own;
            boolean needed = object.needs(property.name());
            if (inner(field)) {
                take(place + suffix(field), headed(under, place, before), field.description(), inside(field), sections);
            } else {
                section(under, about, sections).rows().add(row(place, field, needed));
            }
        }
    }

    /** A part of a file that no form has a heading for is called by its name. */
    private static String headed(String heading, String place, String before) {
        return before.isEmpty() && heading.equals(FILE) ? place : heading;
    }

    private static Section section(String heading, String about, List<Section> sections) {
        return sections.stream()
                .filter(s -> s.heading().equals(heading))
                .findFirst()
                .orElseGet(() -> {
                    Section section = new Section(heading, about, new ArrayList<>());
                    sections.add(section);
                    return section;
                });
    }

    private static boolean inner(FileField field) {
        return !field.isLevel() && inside(field).isObject();
    }

    private static FileField inside(FileField field) {
        return field.isObject() ? field : field.each();
    }

    private static String suffix(FileField field) {
        return field.isObject() ? "/" : field.isMap() ? "/*/" : "[]/";
    }

    private static Row row(String place, FileField field, boolean needed) {
        String limits = field.limits().orElse("");
        return new Row(place, field.title(), field.holds(), limits, needed, field.description(), field.hint());
    }
}
