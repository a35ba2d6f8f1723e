package izzet.app.exports;

import izzet.app.log.LogStore;
import izzet.app.store.LogPhotoRows;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** The log of a plan as Markdown, oldest first. */
@Component
class LogExport implements PlanExport {

    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm");

    private final LogStore log;

    LogExport(LogStore log) {
        this.log = log;
    }

    @Override
    public String kind() {
        return "log.md";
    }

    @Override
    public String title() {
        return "The log, as text in Markdown";
    }

    @Override
    public String type() {
        return "text/markdown;charset=UTF-8";
    }

    @Override
    public Optional<String> missing(ExportSource source) {
        return log.of(source.stored().id(), "").isEmpty()
                ? Optional.of("nothing is written down yet.")
                : Optional.empty();
    }

    @Override
    public byte[] make(ExportSource source) {
        List<LogStore.Entry> entries = new ArrayList<>(log.of(source.stored().id(), ""));
        Collections.reverse(entries);
        StringBuilder text = new StringBuilder("# Log of " + plain(source.name()) + "\n");
        for (LogStore.Entry entry : entries) {
            text.append("\n## ")
                    .append(TIME.format(entry.row().at().atZone(ZoneId.systemDefault())))
                    .append(" ")
                    .append(plain(entry.row().title()))
                    .append("\n\nAt revision ")
                    .append(entry.row().revision());
            if (!entry.row().aboutWords().isEmpty()) {
                text.append(", about ").append(plain(entry.row().aboutWords()));
            }
            text.append("\n");
            if (!entry.row().text().isBlank()) {
                text.append("\n").append(entry.row().text().strip()).append("\n");
            }
            if (!entry.photos().isEmpty()) {
                text.append("\nPhotographs: ")
                        .append(entry.photos().stream()
                                .map(p -> plain(p.name()) + " (" + file(p) + ")")
                                .collect(Collectors.joining(", ")))
                        .append("\n");
            }
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    @Override
    public Map<String, Supplier<byte[]>> beside(ExportSource source) {
        long plan = source.stored().id();
        Map<String, Supplier<byte[]>> files = new LinkedHashMap<>();
        for (LogStore.Entry entry : log.of(plan, "")) {
            entry.photos().forEach(p -> files.put(file(p), () -> log.photo(plan, p.id())));
        }
        return files;
    }

    private static String file(LogPhotoRows.Head photo) {
        return "photographs/" + photo.id() + ".jpg";
    }

    /** One line without what Markdown would take for its own. */
    private static String plain(String text) {
        return text.replaceAll("\\s+", " ").replaceAll("([\\\\`*_\\[\\]<>#])", "\\\\$1");
    }
}
