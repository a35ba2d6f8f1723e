package izzet.app.log;

import izzet.app.fault.NoSuchThing;
import izzet.app.fault.WrongField;
import izzet.app.store.LogEntryRow;
import izzet.app.store.LogEntryRows;
import izzet.app.store.LogPhotoRow;
import izzet.app.store.LogPhotoRows;
import izzet.core.quantity.Names;
import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Entries of logs with their photographs. */
@Service
@Transactional
public class LogStore {

    /** Entries that a page shows. */
    static final int MOST_SHOWN = 200;

    static final int MOST_PHOTOS = 8;

    private final LogEntryRows entries;
    private final LogPhotoRows photos;
    private final Clock clock;

    LogStore(LogEntryRows entries, LogPhotoRows photos, Clock clock) {
        this.entries = entries;
        this.photos = photos;
        this.clock = clock;
    }

    /** An entry with the heads of its photographs. */
    public record Entry(LogEntryRow row, List<LogPhotoRows.Head> photos) {}

    /** What somebody writes. */
    record Written(String title, String text, Subject subject) {

        /** @throws WrongField when a title is missing, or something is too long */
        Written {
            title = Names.cleaned(title == null ? "" : title).strip();
            text = text == null ? "" : text.replace("\r\n", "\n").replace("\0", "");
            if (title.isBlank()) {
                throw new WrongField("title", "An entry needs a title: what was tried or seen, in a few words.");
            }
            if (title.length() > LogEntryRow.MOST_TITLE) {
                throw new WrongField(
                        "title", "A title has " + LogEntryRow.MOST_TITLE + " characters at most; the rest goes below.");
            }
            if (text.length() > LogEntryRow.MOST_TEXT) {
                throw new WrongField(
                        "text", "An entry has " + LogEntryRow.MOST_TEXT + " characters at most; make it two.");
            }
        }
    }

    /** A photograph as it came. */
    record Sent(String name, byte[] bytes) {}

    /**
     * Keeps an entry whole or not at all.
     *
     * @param at when it happened; null for now
     * @throws WrongField when a photograph cannot be read, or there are too many
     */
    long add(long planId, int revision, Instant at, Written written, List<Sent> sent) {
        Instant now = clock.instant();
        LogEntryRow row = new LogEntryRow(planId, revision, at == null ? now : at);
        write(row, written, now);
        entries.save(row);
        attach(row.id(), sent);
        return row.id();
    }

    /** Keeps a line of text that is tied to nothing. */
    public void note(long planId, int revision, String title, String text) {
        add(planId, revision, null, new Written(title, text, Subject.NOTHING), List.of());
    }

    private static void write(LogEntryRow row, Written written, Instant now) {
        Subject subject = written.subject();
        row.write(written.title(), written.text(), subject.about(), subject.words(), subject.trouble(), now);
    }

    private void attach(long entry, List<Sent> sent) {
        if (photos.countOf(entry) + sent.size() > MOST_PHOTOS) {
            throw new WrongField("photos", "An entry has " + MOST_PHOTOS + " photographs at most; make it two.");
        }
        for (Sent one : sent) {
            try {
                Photographs.Photograph photo = Photographs.of(one.bytes());
                String name = Names.cut(Names.cleaned(one.name()), 200);
                photos.save(new LogPhotoRow(entry, name, photo.width(), photo.height(), photo.jpeg()));
            } catch (IllegalArgumentException | IOException e) {
                throw new WrongField("photos", one.name() + ": " + e.getMessage());
            }
        }
    }

    void change(long planId, long id, Written written, List<Sent> sent) {
        LogEntryRow row = one(planId, id);
        write(row, written, clock.instant());
        entries.save(row);
        attach(id, sent);
    }

    void delete(long planId, long id, boolean gone) {
        LogEntryRow row = one(planId, id);
        row.delete(gone);
        entries.save(row);
    }

    LogEntryRow one(long planId, long id) {
        return entries.one(planId, id).orElseThrow(() -> new NoSuchThing("The log has no entry " + id + "."));
    }

    /** Newest first; those that hold every word of a search where one is given. */
    @Transactional(readOnly = true)
    public List<Entry> of(long planId, String search) {
        List<LogEntryRow> found = search.isBlank()
                ? entries.of(planId, Limit.of(MOST_SHOWN))
                : entries.find(planId, like(search), Limit.of(MOST_SHOWN));
        return with(found);
    }

    /** Over all plans. */
    @Transactional(readOnly = true)
    public List<Entry> everywhere(String search, String trouble) {
        return with(
                trouble.isBlank()
                        ? entries.findAll(like(search), Limit.of(MOST_SHOWN))
                        : entries.on(trouble, Limit.of(MOST_SHOWN)));
    }

    private static String like(String search) {
        String plain = search.strip().toLowerCase(java.util.Locale.ROOT);
        return "%" + plain.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_") + "%";
    }

    private List<Entry> with(List<LogEntryRow> rows) {
        Map<Long, List<LogPhotoRows.Head>> byEntry = rows.isEmpty()
                ? Map.of()
                : photos.heads(rows.stream().map(LogEntryRow::id).toList()).stream()
                        .collect(Collectors.groupingBy(LogPhotoRows.Head::entryId));
        List<Entry> all = new ArrayList<>();
        rows.forEach(r -> all.add(new Entry(r, byEntry.getOrDefault(r.id(), List.of()))));
        return all;
    }

    /**
     * A photograph as JPEG.
     *
     * @throws NoSuchThing when the plan's log has none of this number
     */
    @Transactional(readOnly = true)
    public byte[] photo(long planId, long id) {
        return photos.one(planId, id)
                .orElseThrow(() -> new NoSuchThing("The log has no photograph " + id + "."))
                .jpeg();
    }

    void deletePhoto(long planId, long id) {
        photos.one(planId, id).ifPresent(photos::delete);
    }

    /** What entries are tied to. */
    @Transactional(readOnly = true)
    Set<String> abouts(long planId) {
        return new HashSet<>(entries.abouts(planId));
    }
}
