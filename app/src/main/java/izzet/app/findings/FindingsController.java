package izzet.app.findings;

import izzet.app.plan.NoSuchThing;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** All findings of a plan, and each under an address of its own. */
@Controller
class FindingsController {

    private final PlanFrames frames;

    FindingsController(PlanFrames frames) {
        this.frames = frames;
    }

    @GetMapping("/plans/{id}/findings")
    String findings(@PathVariable long id, Model model) {
        model.addAttribute("frame", frames.of(id, "findings"));
        model.addAttribute("only", null);
        return "findings";
    }

    @GetMapping("/plans/{id}/findings/{finding}")
    String finding(@PathVariable long id, @PathVariable String finding, Model model) {
        PlanFrame frame = frames.of(id, "findings");
        PlanFrame.FindingView only = frame.findings().stream()
                .filter(f -> f.finding().id().equals(finding))
                .findFirst()
                .orElseThrow(() -> new NoSuchThing("This finding is gone: the plan no longer has it."));
        model.addAttribute("frame", frame);
        model.addAttribute("only", only);
        return "findings";
    }
}
