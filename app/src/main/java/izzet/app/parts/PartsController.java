package izzet.app.parts;

import izzet.app.catalog.Shelf;
import izzet.app.plan.PlanStore;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.core.circuit.Unit;
import izzet.core.quantity.Hex;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The station where parts are chosen and set. */
@Controller
class PartsController {

    private static final int LATEST = 12;

    private final PlanFrames frames;
    private final PlanStore plans;
    private final Shelf shelf;

    PartsController(PlanFrames frames, PlanStore plans, Shelf shelf) {
        this.frames = frames;
        this.plans = plans;
        this.shelf = shelf;
    }

    /**
     * A part of the plan.
     *
     * @param address as its straps give it; empty for parts without, "?" while an address pin floats
     * @param open lines that are required and not connected
     */
    public record PartView(Unit unit, String address, String programAddress, String bus, long open) {}

    @GetMapping("/plans/{id}/parts")
    String parts(@PathVariable long id, @RequestParam(defaultValue = "") String q, Model model) {
        PlanFrame frame = frames.of(id, "parts");
        List<PartView> parts =
                frame.circuit().units().stream().map(u -> view(frame, u)).toList();
        model.addAttribute("frame", frame);
        model.addAttribute("parts", parts);
        model.addAttribute("q", q);
        model.addAttribute(
                "shelf",
                shelf.search().find(q).stream()
                        .filter(h -> !h.board())
                        .map(h -> shelf.catalog().part(h.id()).orElseThrow())
                        .toList());
        model.addAttribute("boards", shelf.catalog().boards().values());
        model.addAttribute("history", plans.history(id, LATEST));
        return "parts/page";
    }

    private static PartView view(PlanFrame frame, Unit unit) {
        boolean addressed = unit.part().i2c() != null;
        String address =
                addressed ? frame.circuit().addressOf(unit).map(Hex::of).orElse("?") : "";
        Integer program = unit.placed().address();
        long open = frame.circuit().wiresOf(unit).stream()
                .filter(w -> w.line().required() && !w.connected())
                .count();
        String bus = frame.circuit().busOf(unit).map(b -> b.name()).orElse("");
        return new PartView(unit, address, program == null ? "" : Hex.of(program), bus, open);
    }
}
