package izzet.app.traffic;

import izzet.core.circuit.Circuit;
import izzet.core.export.Csv;
import izzet.core.export.Markdown;
import izzet.core.record.Conversation;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Forms in which what was said on a bus can be taken away: events as they are, or lines of the conversation. */
enum EventFile {
    NDJSON("ndjson", "application/x-ndjson"),
    JSON("json", "application/json"),
    CSV("csv", "text/csv"),
    MD("md", "text/markdown");

    private final String kind;
    private final String type;

    EventFile(String kind, String type) {
        this.kind = kind;
        this.type = type;
    }

    static Optional<EventFile> of(String kind) {
        return Arrays.stream(values()).filter(f -> f.kind.equals(kind)).findFirst();
    }

    String type() {
        return type;
    }

    void write(Writer out, RecordStore records, StoredRecord record, StoredRecord.Bus bus, Circuit circuit)
            throws IOException {
        switch (this) {
            case NDJSON -> events(out, records, record, bus, "", "\n", "\n");
            case JSON -> events(out, records, record, bus, "{\"events\":[", ",\n", "]}\n");
            default -> lines(out, records, record, bus, circuit);
        }
    }

    private void events(
            Writer out,
            RecordStore records,
            StoredRecord record,
            StoredRecord.Bus bus,
            String before,
            String between,
            String after)
            throws IOException {
        out.write(before);
        StringBuilder text = new StringBuilder();
        boolean[] some = {false};
        records.events(bus.id(), e -> {
            text.setLength(0);
            text.append(some[0] ? between : "");
            bus.protocol().json(text, e, record.scale());
            some[0] = true;
            put(out, text.toString());
        });
        out.write(some[0] || this == JSON ? after : "");
    }

    private void lines(Writer out, RecordStore records, StoredRecord record, StoredRecord.Bus bus, Circuit circuit) {
        row(out, List.of("from, s", "to, s", "with", "behind", "direction", "what it meant", "heard"));
        if (this == MD) {
            put(out, "|---|---|---|---|---|---|---|\n");
        }
        Conversation talk = new Conversation(
                circuit,
                Partners.of(circuit, record, bus),
                l -> row(
                        out,
                        List.of(
                                seconds(record, l.start()),
                                seconds(record, l.end()),
                                l.partner(),
                                l.behind(),
                                l.read() ? "from" : "to",
                                l.text(),
                                l.heard() ? "yes" : "no")));
        records.events(bus.id(), talk::add);
        talk.end();
    }

    private static String seconds(StoredRecord record, long tick) {
        return String.format(java.util.Locale.ROOT, "%.9f", record.scale().seconds(tick));
    }

    private void row(Writer out, List<String> cells) {
        put(
                out,
                this == CSV
                        ? Csv.of(List.of(cells))
                        : cells.stream().map(Markdown::plain).collect(Collectors.joining(" | ", "| ", " |\n")));
    }

    private static void put(Writer out, String text) {
        try {
            out.write(text);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
