package izzet.app.mend;

import izzet.app.catalog.Shelf;
import izzet.app.plan.PlanStore;
import izzet.app.plan.StoredPlan;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.core.mend.Solution;
import izzet.core.mend.Wish;
import java.util.Arrays;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The page that mends a whole plan at once: several ways side by side, one click for all of one. */
@Controller
class MendController {

    private final PlanFrames frames;
    private final PlanStore plans;
    private final Shelf shelf;
    private final Solutions solutions;

    MendController(PlanFrames frames, PlanStore plans, Shelf shelf, Solutions solutions) {
        this.frames = frames;
        this.plans = plans;
        this.shelf = shelf;
        this.solutions = solutions;
    }

    /** A wish as a switch. */
    public record Switch(String name, String words, boolean on) {}

    @GetMapping("/plans/{id}/mend")
    String mend(@PathVariable long id, @RequestParam(defaultValue = "") List<String> wish, Model model) {
        PlanFrame frame = frames.of(id, "findings");
        model.addAttribute("frame", frame);
        model.addAttribute(
                "switches",
                Arrays.stream(Wish.values())
                        .map(w -> new Switch(Solutions.name(w), w.words(), wish.contains(Solutions.name(w))))
                        .toList());
        model.addAttribute("wishes", wish);
        model.addAttribute("ways", solutions.of(id, frame.stored().plan(), shelf.catalog(), Solutions.wishes(wish)));
        model.addAttribute(
                "searching", solutions.searching(frame.stored().plan(), shelf.catalog(), Solutions.wishes(wish)));
        return "mend/page";
    }

    /** Looks on in the background, for those who have a little time. */
    @PostMapping("/plans/{id}/mend/further")
    String further(@PathVariable long id, @RequestParam(defaultValue = "") List<String> wish) {
        solutions.further(id, plans.get(id).plan(), shelf.catalog(), Solutions.wishes(wish));
        return back(id, wish);
    }

    @PostMapping("/plans/{id}/mend/stop")
    String stop(@PathVariable long id, @RequestParam(defaultValue = "") List<String> wish) {
        solutions.stop(plans.get(id).plan(), shelf.catalog(), Solutions.wishes(wish));
        return back(id, wish);
    }

    private static String back(long id, List<String> wish) {
        return "redirect:" + Solutions.address(id, Solutions.wishes(wish));
    }

    /** All changes of a way as one revision. */
    @PostMapping("/plans/{id}/mend")
    String take(
            @PathVariable long id,
            @RequestParam long version,
            @RequestParam String solution,
            @RequestParam(defaultValue = "") List<String> wish) {
        StoredPlan stored = plans.at(id, version);
        Solution way = solutions.one(id, stored.plan(), shelf.catalog(), Solutions.wishes(wish), solution);
        plans.apply(id, version, way.edit());
        return "redirect:/plans/" + id + "/pins";
    }
}
