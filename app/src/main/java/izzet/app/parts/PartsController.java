package izzet.app.parts;

import izzet.app.catalog.Shelf;
import izzet.app.plan.PlanStore;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.app.shell.Station;
import izzet.core.catalog.Part;
import izzet.core.circuit.Unit;
import izzet.core.plan.Cable;
import izzet.core.quantity.Counts;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
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
     * @param state in words: "1 to stop, 2 lines open"; empty where nothing is amiss
     * @param mark stop, fix or empty
     */
    public record PartView(
            Unit unit,
            String address,
            String programAddress,
            String bus,
            long open,
            String state,
            String mark,
            String settings) {}

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
        model.addAttribute("cables", Cable.values());
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
        Station.Glance amiss = Station.Glance.toMend(frame.report().findings().stream()
                .filter(f -> f.aboutPart(unit.id()))
                .toList());
        List<String> state = new ArrayList<>();
        if (!amiss.words().isEmpty()) {
            state.add(amiss.words());
        }
        if (open > 0) {
            state.add(Counts.of(open, "line") + " open");
        }
        return new PartView(
                unit,
                address,
                program == null ? "" : Hex.of(program),
                bus,
                open,
                String.join(", ", state),
                amiss.mark(),
                settings(unit));
    }

    /** The interface where there is a choice, and the straps that are not as delivered. */
    private static String settings(Unit unit) {
        List<String> words = new ArrayList<>();
        if (unit.part().interfaces().size() > 1) {
            unit.part().interfaceOf(unit.placed().interfaceId()).ifPresent(i -> words.add(i.name()));
        }
        for (Part.Strap strap : unit.part().straps()) {
            String set = unit.placed().straps().get(strap.id());
            strap.settings().stream()
                    .skip(1)
                    .filter(o -> o.id().equals(set))
                    .forEach(o -> words.add(strap.name() + " " + o.name()));
        }
        return String.join(", ", words);
    }
}
