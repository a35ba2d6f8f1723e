package izzet.core;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Reads the published check tables among the test resources; no field before the last holds a comma. */
public final class ReferenceTable {

    private ReferenceTable() {}

    public static List<Map<String, String>> read(String name) {
        try (InputStream in = ReferenceTable.class.getResourceAsStream("/reference/" + name)) {
            List<String> lines = new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .toList();
            String[] head = lines.get(0).split(",", -1);
            List<Map<String, String>> rows = new ArrayList<>();
            for (String line : lines.subList(1, lines.size())) {
                String[] cells = line.split(",", head.length);
                Map<String, String> row = new LinkedHashMap<>();
                for (int i = 0; i < head.length; i++) {
                    row.put(head[i], cells[i]);
                }
                rows.add(row);
            }
            return rows;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
