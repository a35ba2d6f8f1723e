package izzet.app.bench;

import izzet.app.plan.PlanStore;
import izzet.core.bench.Stories;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** The practice room: desks with one hidden fault and somebody who tells what is seen. */
@Controller
class PracticeController {

    /** Plans that are looked through for the desk of an earlier practice. */
    private static final int MOST_LOOKED = 200;

    private final PlanStore plans;
    private final BenchDesks desks;

    PracticeController(PlanStore plans, BenchDesks desks) {
        this.plans = plans;
        this.desks = desks;
    }

    @GetMapping("/practice")
    String page(Model model) {
        model.addAttribute("stories", desks.stories().all());
        return "bench/practice";
    }

    /** The desk of a story is a plan like any other; one that is there already, unchanged, is taken again. */
    @PostMapping("/practice/{number}")
    String begin(@PathVariable int number) {
        Stories.Story story = desks.story(number);
        long id = plans.names(MOST_LOOKED).stream()
                .filter(n -> n.name().equals(story.plan().name()))
                .map(PlanStore.Named::id)
                .filter(n -> plans.get(n).plan().equals(desks.planOf(story)))
                .findFirst()
                .orElseGet(() -> plans.create(story.plan(), "Desk of practice"));
        return "redirect:/plans/" + id + "/bench?story=" + number;
    }
}
