package izzet.app.history;

import izzet.app.plan.PlanStore;
import izzet.app.shell.PlanFrames;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What was done to a plan, page by page. */
@Controller
class HistoryController {

    private static final int ROWS = 50;

    private final PlanFrames frames;
    private final PlanStore plans;

    HistoryController(PlanFrames frames, PlanStore plans) {
        this.frames = frames;
        this.plans = plans;
    }

    /** @param before number of the revision that the page begins behind; the newest ones where there is none */
    @GetMapping("/plans/{id}/history")
    String history(@PathVariable long id, @RequestParam(required = false) Integer before, Model model) {
        int from = before == null ? Integer.MAX_VALUE : before;
        List<PlanStore.Change> changes = plans.history(id, from, ROWS + 1);
        boolean more = changes.size() > ROWS;
        model.addAttribute("frame", frames.of(id, "history"));
        model.addAttribute("changes", more ? changes.subList(0, ROWS) : changes);
        model.addAttribute("older", more ? changes.get(ROWS - 1).number() : null);
        model.addAttribute("newest", before == null);
        model.addAttribute("points", plans.points(id));
        return "history/page";
    }

    /** Gives a revision a name, to be found again. */
    @PostMapping("/plans/{id}/history/{number}/name")
    String name(@PathVariable long id, @PathVariable int number, @RequestParam String name) {
        plans.name(id, number, name);
        return "redirect:/plans/" + id + "/history";
    }

    /** The plan becomes what it was at a revision, as a change of its own, which can be undone. */
    @PostMapping("/plans/{id}/history/{number}/return")
    String comeBack(@PathVariable long id, @PathVariable int number, @RequestParam long version) {
        String named = plans.points(id).get(number);
        plans.replace(
                id,
                version,
                plans.revision(id, number),
                "back to revision " + number + (named == null ? "" : ", " + named));
        return "redirect:/plans/" + id + "/history";
    }
}
