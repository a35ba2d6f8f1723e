package izzet.app.pins;

import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The station of the weave. */
@Controller
class PinsController {

    private final PlanFrames frames;

    PinsController(PlanFrames frames) {
        this.frames = frames;
    }

    @GetMapping("/plans/{id}/pins")
    String pins(@PathVariable long id, Model model) {
        PlanFrame frame = frames.of(id, "pins");
        model.addAttribute("frame", frame);
        model.addAttribute("weave", Weave.of(frame.circuit(), frame.report()));
        ResistorsView resistors = new ResistorsView(frame.circuit());
        model.addAttribute("resistors", resistors.fitted());
        model.addAttribute("ends", resistors.ends());
        model.addAttribute("rails", resistors.rails());
        return "pins";
    }
}
