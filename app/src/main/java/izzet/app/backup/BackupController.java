package izzet.app.backup;

import izzet.app.fault.NoSuchThing;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** The page of backups: taken away, brought back. */
@Controller
class BackupController {

    private final DataKeeper keeper;
    private final Clock clock;

    BackupController(DataKeeper keeper, Clock clock) {
        this.keeper = keeper;
        this.clock = clock;
    }

    @GetMapping("/backup")
    String page(Model model) throws IOException {
        model.addAttribute("folder", keeper.folder().map(DataFolder::path).orElse(null));
        model.addAttribute("kept", keeper.list());
        model.addAttribute("missed", keeper.missed().orElse(null));
        model.addAttribute("staged", keeper.staged());
        return "backup/page";
    }

    @GetMapping("/backup/now")
    void now(HttpServletResponse answer) throws IOException {
        Path file = keeper.make();
        try {
            send(file, "izzet-" + LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC) + ".zip", answer);
        } finally {
            Files.deleteIfExists(file);
        }
    }

    @GetMapping("/backup/kept/{name}")
    void kept(@PathVariable String name, HttpServletResponse answer) throws IOException {
        Path file = keeper.file(name).orElseThrow(() -> new NoSuchThing("There is no backup '" + name + "'."));
        send(file, name, answer);
    }

    private static void send(Path file, String name, HttpServletResponse answer) throws IOException {
        answer.setContentType("application/zip");
        answer.setContentLengthLong(Files.size(file));
        answer.setHeader(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment().filename(name).build().toString());
        Files.copy(file, answer.getOutputStream());
    }

    @PostMapping("/backup/restore")
    String restore(@RequestParam MultipartFile file, Model model) throws IOException {
        if (file.isEmpty()) {
            throw new IllegalArgumentException("Choose a backup before you send the form; none came.");
        }
        try (InputStream in = file.getInputStream()) {
            model.addAttribute("sheet", keeper.stage(in));
        }
        return page(model);
    }

    @PostMapping("/backup/unstage")
    String unstage() throws IOException {
        keeper.unstage();
        return "redirect:/backup";
    }
}
