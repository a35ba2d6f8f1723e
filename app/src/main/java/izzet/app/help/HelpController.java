package izzet.app.help;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** Help for makers: what a station is for, why, how to check, what usually goes wrong. */
@Controller
class HelpController {

    private final HelpPages pages;

    HelpController(HelpPages pages) {
        this.pages = pages;
    }

    /** @param here address of the page that help is asked on */
    @GetMapping("/help")
    String help(@RequestParam(defaultValue = "") String here, Model model) {
        String last = here.replaceFirst("\\?.*", "").replaceFirst("^/plans/\\d+/([a-z-]+).*$", "$1");
        return page(pages.of(last).isPresent() ? last : pages.all().get(0).id(), model);
    }

    @GetMapping("/help/{id}")
    String one(@PathVariable String id, Model model) {
        return page(id, model);
    }

    private String page(String id, Model model) {
        model.addAttribute("pages", pages.all());
        model.addAttribute(
                "page",
                pages.of(id)
                        .orElseThrow(() -> new izzet.app.fault.NoSuchThing(
                                "There is no help page '" + id + "'; /help lists them.")));
        return "help/page";
    }
}
