package izzet.app.jobs;

import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What is computed at the moment, and a way to stop it. */
@Controller
class JobsController {

    private final Jobs jobs;

    JobsController(Jobs jobs) {
        this.jobs = jobs;
    }

    @GetMapping("/jobs")
    String page(Model model) {
        List<Job<?>> all = jobs.all();
        model.addAttribute("jobs", all);
        model.addAttribute("busy", all.stream().anyMatch(j -> !j.done()));
        return "jobs/page";
    }

    /** @param to {@code jobs} for the list; else back to the page that shows it */
    @PostMapping("/jobs/{job}/stop")
    String stop(@PathVariable long job, @RequestParam(defaultValue = "") String to) {
        Job<?> stopped = jobs.get(job);
        stopped.stop();
        return "redirect:" + (to.isEmpty() && !stopped.address().isEmpty() ? stopped.address() : "/jobs");
    }
}
