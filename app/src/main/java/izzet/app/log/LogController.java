package izzet.app.log;

import izzet.app.fault.WrongField;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.app.shell.Visitor;
import izzet.app.store.LogEntryRow;
import izzet.app.store.RecordRows;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** The station where a maker keeps what was tried and seen. */
@Controller
class LogController {

    private static final long MOST_BYTES = 25_000_000;

    private final PlanFrames frames;
    private final LogStore log;
    private final Happened happened;
    private final RecordRows records;
    private final LogMarkdown markdown;
    private final Visitor visitor;

    LogController(
            PlanFrames frames,
            LogStore log,
            Happened happened,
            RecordRows records,
            LogMarkdown markdown,
            Visitor visitor) {
        this.markdown = markdown;
        this.visitor = visitor;
        this.frames = frames;
        this.log = log;
        this.happened = happened;
        this.records = records;
    }

    /**
     * @param address of the page of what it is tied to; empty for none
     * @param html of its text
     */
    public record EntryView(LogStore.Entry entry, String address, String html) {}

    /** @param from address of the page that the writer comes from */
    @GetMapping("/plans/{id}/log")
    String page(
            @PathVariable long id,
            @RequestParam(defaultValue = "") String q,
            @RequestParam(required = false) String from,
            @RequestParam(defaultValue = "") String about,
            @RequestParam(required = false) Long edit,
            @RequestParam(required = false) Long deleted,
            Model model) {
        PlanFrame frame = frames.of(id, "log");
        Subject subject = !about.isEmpty()
                ? Subject.of(about, frame, records)
                : from != null ? Subject.ofPage(from, frame, records) : Subject.NOTHING;
        LogEntryRow edited = edit == null ? null : log.one(id, edit);
        model.addAttribute("frame", frame);
        model.addAttribute("zone", ZoneId.systemDefault());
        model.addAttribute("q", q);
        model.addAttribute("subject", subject);
        model.addAttribute("edited", edited);
        model.addAttribute("writing", edited != null || from != null || !about.isEmpty());
        model.addAttribute("deleted", deleted);
        Set<String> logged = log.abouts(id);
        model.addAttribute("entries", views(log.of(id, q)));
        model.addAttribute("events", happened.of(frame, logged));
        String trouble = edited != null ? edited.trouble() : subject.trouble();
        model.addAttribute(
                "before",
                trouble.isEmpty() || visitor.reads()
                        ? List.of()
                        : views(log.everywhere("", trouble).stream()
                                .filter(e -> edited == null || !e.row().id().equals(edited.id()))
                                .toList()));
        return "log/page";
    }

    private List<EntryView> views(List<LogStore.Entry> entries) {
        return entries.stream()
                .map(e -> new EntryView(
                        e,
                        Subject.address(e.row().planId(), e.row().about()),
                        markdown.html(e.row().text())))
                .toList();
    }

    /** Entries of all plans: "have I tried this before?" */
    @GetMapping("/log")
    String everywhere(
            @RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "") String trouble, Model model) {
        model.addAttribute("zone", ZoneId.systemDefault());
        model.addAttribute("q", q);
        model.addAttribute("trouble", trouble);
        model.addAttribute("entries", views(log.everywhere(q, trouble)));
        return "log/all";
    }

    /** Keeps an entry: a new one, or one that is there already. */
    @PostMapping("/plans/{id}/log")
    String write(
            @PathVariable long id,
            @RequestParam(required = false) Long entry,
            @RequestParam(required = false) String title,
            @RequestParam(required = false) String text,
            @RequestParam(defaultValue = "") String about,
            @RequestParam(required = false) Instant at,
            @RequestParam(required = false) List<MultipartFile> photos)
            throws IOException {
        PlanFrame frame = frames.of(id, "log");
        List<LogStore.Sent> sent = new ArrayList<>();
        for (MultipartFile photo : photos == null ? List.<MultipartFile>of() : photos) {
            if (photo.getSize() > MOST_BYTES) {
                throw new WrongField("photos", photo.getOriginalFilename() + " is larger than 25 MB.");
            }
            if (!photo.isEmpty()) {
                sent.add(new LogStore.Sent(String.valueOf(photo.getOriginalFilename()), photo.getBytes()));
            }
        }
        long kept;
        if (entry != null) {
            LogEntryRow row = log.one(id, entry);
            Subject subject = new Subject(row.about(), row.aboutWords(), row.trouble());
            log.change(id, entry, new LogStore.Written(title, text, subject), sent);
            kept = entry;
        } else {
            Subject subject = Subject.of(about, frame, records);
            kept = log.add(id, frame.stored().number(), at, new LogStore.Written(title, text, subject), sent);
        }
        return "redirect:/plans/" + id + "/log#entry-" + kept;
    }

    @PostMapping("/plans/{id}/log/{entry}/delete")
    String delete(@PathVariable long id, @PathVariable long entry) {
        log.delete(id, entry, true);
        return "redirect:/plans/" + id + "/log?deleted=" + entry;
    }

    @PostMapping("/plans/{id}/log/{entry}/restore")
    String restore(@PathVariable long id, @PathVariable long entry) {
        log.delete(id, entry, false);
        return "redirect:/plans/" + id + "/log#entry-" + entry;
    }

    @GetMapping("/plans/{id}/log/photos/{photo}")
    ResponseEntity<byte[]> photo(@PathVariable long id, @PathVariable long photo) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_JPEG)
                .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate())
                .body(log.photo(id, photo));
    }

    @PostMapping("/plans/{id}/log/photos/{photo}/delete")
    String deletePhoto(@PathVariable long id, @PathVariable long photo, @RequestParam long entry) {
        log.deletePhoto(id, photo);
        return "redirect:/plans/" + id + "/log?edit=" + entry;
    }
}
