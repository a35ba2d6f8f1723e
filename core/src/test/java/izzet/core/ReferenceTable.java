package izzet.core;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;

/** Reads the published check tables among the test resources. */
public final class ReferenceTable {

    private ReferenceTable() {}

    public static List<Map<String, String>> read(String name) {
        return rows("/reference/" + name);
    }

    /** Of any table among the test resources. */
    public static List<Map<String, String>> rows(String path) {
        try (var rows = CsvReader.builder()
                .ofNamedCsvRecord(new InputStreamReader(
                        ReferenceTable.class.getResourceAsStream(path), StandardCharsets.UTF_8))) {
            return rows.stream().map(NamedCsvRecord::getFieldsAsMap).toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
