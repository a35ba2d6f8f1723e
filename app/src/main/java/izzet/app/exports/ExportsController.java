package izzet.app.exports;

import izzet.app.files.FileNames;
import izzet.app.jobs.Jobs;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.ResponseBody;

/** What can be taken away of a plan, on a page and for programs. */
@Controller
class ExportsController {

    private final PlanFrames frames;
    private final PlanExports exports;

    private final Jobs jobs;

    ExportsController(PlanFrames frames, PlanExports exports, Jobs jobs) {
        this.jobs = jobs;
        this.frames = frames;
        this.exports = exports;
    }

    /** @param missing why the plan has none; empty where it has one */
    public record Row(String kind, String title, String missing) {}

    @GetMapping("/plans/{id}/exports")
    String page(@PathVariable long id, Model model) {
        PlanFrame frame = frames.of(id, "exports");
        ExportSource source = exports.source(id);
        model.addAttribute("frame", frame);
        model.addAttribute(
                "exports",
                exports.all().stream()
                        .map(e -> new Row(e.kind(), e.title(), e.missing(source).orElse("")))
                        .toList());
        return "exports/page";
    }

    @GetMapping(
            path = {"/exports", "/api/exports"},
            produces = MediaType.APPLICATION_JSON_VALUE)
    @ResponseBody
    List<Map<String, String>> kinds() {
        return exports.all().stream()
                .map(e -> Map.of("kind", e.kind(), "title", e.title(), "type", e.type()))
                .toList();
    }

    @GetMapping({"/plans/{id}/exports/{*kind}", "/api/plans/{id}/exports/{*kind}"})
    ResponseEntity<byte[]> file(@PathVariable long id, @PathVariable String kind) {
        ExportSource source = exports.source(id);
        String name = kind.startsWith("/") ? kind.substring(1) : kind;
        PlanExport export = exports.of(name, source);
        String last = name.substring(name.lastIndexOf('/') + 1);
        int point = last.lastIndexOf('.');
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(export.type()))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        FileNames.attachment(
                                source.name() + " " + (point < 0 ? last : last.substring(0, point)),
                                "plan",
                                point < 0 ? ".txt" : last.substring(point)))
                .body(jobs.take(id, export.title(), job -> export.make(source, job)));
    }
}
