package izzet.app.findings;

import izzet.app.fault.NoSuchThing;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.app.shell.Stations;
import java.util.concurrent.atomic.AtomicBoolean;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** All findings of a plan, and each under an address of its own. */
@Controller
class FindingsController {

    private final PlanFrames frames;
    private final Stations stations;

    FindingsController(PlanFrames frames, Stations stations) {
        this.frames = frames;
        this.stations = stations;
    }

    /** All of them in a list, and the first with its repairs beside it. */
    @GetMapping("/plans/{id}/findings")
    String findings(@PathVariable long id, Model model) {
        AtomicBoolean first = new AtomicBoolean(true);
        PlanFrame frame = frames.of(id, "findings", f -> first.getAndSet(false));
        model.addAttribute("frame", frame);
        model.addAttribute("only", frame.findings().stream().findFirst().orElse(null));
        return "findings/page";
    }

    @GetMapping("/plans/{id}/findings/{finding}")
    String finding(@PathVariable long id, @PathVariable String finding, Model model) {
        one(id, "findings", finding, model);
        return "findings/page";
    }

    private PlanFrame.FindingView one(long id, String station, String finding, Model model) {
        PlanFrame frame = frames.of(id, station, f -> f.id().equals(finding));
        PlanFrame.FindingView only = frame.findings().stream()
                .filter(f -> f.finding().id().equals(finding))
                .findFirst()
                .orElseThrow(() -> new NoSuchThing("This finding is gone: the plan no longer has it."));
        model.addAttribute("frame", frame);
        model.addAttribute("only", only);
        return only;
    }

    /**
     * A finding with its repairs, for a page that is shown already.
     *
     * @param station of that page, where a repair leads back to
     */
    @GetMapping("/plans/{id}/findings/{finding}/repairs")
    String repairs(@PathVariable long id, @PathVariable String finding, @RequestParam String station, Model model) {
        model.addAttribute("f", one(id, stations.of(station).id(), finding, model));
        return "findings/one";
    }
}
