package izzet.app.reach;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What the command box finds. */
@Controller
class ReachController {

    private static final int MOST_WORDS = 100;

    private final Places places;

    ReachController(Places places) {
        this.places = places;
    }

    /** @param here address of the page that is shown, which tells the plan at hand */
    @GetMapping("/reach")
    String reach(
            @RequestParam(defaultValue = "") String words, @RequestParam(defaultValue = "") String here, Model model) {
        String number = here.replaceFirst("^/plans/(\\d{1,18})(/.*)?$", "$1");
        Long plan = number.matches("\\d{1,18}") ? Long.valueOf(number) : null;
        String asked = words.length() > MOST_WORDS ? words.substring(0, MOST_WORDS) : words;
        model.addAttribute("words", asked);
        model.addAttribute("places", places.find(plan, asked));
        return "reach/found";
    }
}
