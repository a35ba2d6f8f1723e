package izzet.app.api;

import izzet.app.jobs.Job;
import izzet.app.jobs.Jobs;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What is computed at the moment. */
@RestController
class JobsApi {

    private final Jobs jobs;

    JobsApi(Jobs jobs) {
        this.jobs = jobs;
    }

    @GetMapping("/api/jobs")
    List<Map<String, Object>> all() {
        return jobs.all().stream().map(JobsApi::json).toList();
    }

    /** Asks it to end with what it has. */
    @DeleteMapping("/api/jobs/{job}")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Map<String, Object> stop(@PathVariable long job) {
        Job<?> stopped = jobs.get(job);
        if (stopped.address().isEmpty()) {
            throw new IllegalArgumentException(
                    stopped.what() + " cannot be stopped; it ends by itself within a moment.");
        }
        stopped.stop();
        return json(stopped);
    }

    private static Map<String, Object> json(Job<?> job) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("id", job.id());
        json.put("plan", job.owner() == 0 ? null : job.owner());
        json.put("what", job.what());
        json.put("state", job.state());
        json.put("seconds", Math.round(job.seconds() * 1000) / 1000.0);
        json.put("progress", job.progress());
        return json;
    }
}
