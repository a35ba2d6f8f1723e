package izzet.app.wiring;

import izzet.app.plan.PlanStore;
import izzet.app.plan.TickStore;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.core.wiring.WiringList;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The station where the plan is wired, step by step. */
@Controller
class WiringController {

    private final PlanFrames frames;
    private final PlanStore plans;
    private final TickStore ticks;

    WiringController(PlanFrames frames, PlanStore plans, TickStore ticks) {
        this.frames = frames;
        this.plans = plans;
        this.ticks = ticks;
    }

    @GetMapping("/plans/{id}/wiring")
    String wiring(@PathVariable long id, Model model) {
        PlanFrame frame = frames.of(id, "wiring");
        List<WiringList.Group> groups = WiringList.of(frame.circuit());
        Set<String> done = ticks.of(id);
        long steps = groups.stream().mapToLong(g -> g.steps().size()).sum();
        long ticked = groups.stream()
                .flatMap(g -> g.steps().stream())
                .filter(s -> done.contains(s.key()))
                .count();
        model.addAttribute("frame", frame);
        model.addAttribute("groups", groups);
        model.addAttribute("checks", WiringList.checks(frame.circuit()));
        model.addAttribute("done", done);
        model.addAttribute("steps", steps);
        model.addAttribute("ticked", ticked);
        return "wiring/page";
    }

    @PostMapping("/plans/{id}/wiring/ticks")
    String tick(@PathVariable long id, @RequestParam String key, @RequestParam(defaultValue = "false") boolean done) {
        if (key.length() > 200) {
            throw new IllegalArgumentException("A step's key has 200 characters at most.");
        }
        ticks.set(plans.get(id).id(), key, done);
        return "redirect:/plans/" + id + "/wiring";
    }
}
