package izzet.core.author;

import izzet.core.author.FileField.Named;
import izzet.core.author.Sheet.Shape;
import izzet.core.catalog.Schemas;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The two forms, of a part and of a board, as the schemas of their files describe them. */
public final class Forms {

    public static final ItemForm PART = of(FileField.of(Schemas.tree("/schema/part.schema.json")));
    public static final ItemForm BOARD = of(FileField.of(Schemas.tree("/schema/board.schema.json")));

    private final Map<String, List<Column>> groups = new LinkedHashMap<>();
    private final List<Sheet> sheets = new ArrayList<>();

    private Forms() {}

    static ItemForm of(FileField file) {
        Forms forms = new Forms();
        forms.take("", "", file);
        List<String> others = file.properties().stream()
                .filter(p -> !forms.asksFor(p.name()))
                .map(Named::name)
                .filter(n -> !n.equals("id") && !n.equals("version"))
                .toList();
        return new ItemForm(forms.groups, forms.sheets, others);
    }

    private boolean asksFor(String name) {
        return groups.values().stream()
                        .flatMap(List::stream)
                        .anyMatch(c -> c.path().equals(name) || c.path().startsWith(name + "/"))
                || sheets.stream().anyMatch(s -> s.pointer().equals("/" + name));
    }

    private void take(String before, String group, FileField object) {
        for (Named property : object.properties()) {
            FileField field = property.field();
            String path = before + property.name();
            String heading = field.group().isEmpty() ? group : field.group();
            if (!field.row().isEmpty()) {
                sheets.add(sheet("/" + path, field));
            } else if (field.isObject() && !field.group().isEmpty()) {
                take(path + "/", heading, field);
            } else if (!field.title().isEmpty()) {
                groups.computeIfAbsent(heading, g -> new ArrayList<>()).add(field.column(path));
            }
        }
    }

    private static Sheet sheet(String pointer, FileField table) {
        List<Column> columns = new ArrayList<>();
        if (table.isMap()) {
            columns.add(table.names().column("@key"));
            if (table.each().isObject()) {
                columns("", table.each(), columns);
            } else {
                columns.add(table.each().column("@value"));
            }
            return new Sheet(pointer, table.title(), table.row(), Shape.MAP, "", columns);
        }
        for (Named property : table.each().properties()) {
            if (!property.field().row().isEmpty()) {
                columns("^", table.each(), columns);
                columns("", property.field().each(), columns);
                return new Sheet(
                        pointer, table.title(), property.field().row(), Shape.NESTED, property.name(), columns);
            }
        }
        columns("", table.each(), columns);
        return new Sheet(pointer, table.title(), table.row(), Shape.LIST, "", columns);
    }

    private static void columns(String before, FileField object, List<Column> columns) {
        for (Named property : object.properties()) {
            FileField field = property.field();
            if (field.isObject() && field.title().isEmpty()) {
                columns(before + property.name() + "/", field, columns);
            } else if (!field.title().isEmpty() && field.row().isEmpty()) {
                columns.add(field.column(before + property.name()));
            }
        }
    }
}
