package izzet.app.shelf;

import izzet.app.catalog.Shelf;
import izzet.app.fault.NoSuchThing;
import izzet.core.assign.Suitability;
import izzet.core.catalog.Board;
import izzet.core.catalog.CatalogWriter;
import izzet.core.catalog.LookAlikes;
import izzet.core.catalog.Part;
import izzet.core.catalog.Search;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Reachable;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The shelf: every board and part, how to find them, and what each is. */
@Controller
class ShelfController {

    private static final int LONGEST_QUERY = 200;

    private final Shelf shelf;

    ShelfController(Shelf shelf) {
        this.shelf = shelf;
    }

    @GetMapping("/shelf")
    String shelf(@RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "") String kind, Model model) {
        if (q.length() > LONGEST_QUERY) {
            throw new IllegalArgumentException("A search has " + LONGEST_QUERY + " characters at most.");
        }
        List<Search.Hit> found = shelf.search().find(q);
        List<Search.Hit> shown = found.stream()
                .filter(h -> kind.isEmpty() || h.kind().equals(kind))
                .toList();
        Map<String, Long> kinds = new LinkedHashMap<>();
        for (String k : List.of("board", "display", "sensor", "helper", "input", "lamp", "supply")) {
            kinds.put(k, found.stream().filter(h -> h.kind().equals(k)).count());
        }
        model.addAttribute("q", q);
        model.addAttribute("kind", kind);
        model.addAttribute("kinds", kinds);
        model.addAttribute("hits", shown);
        model.addAttribute("families", shelf.lookAlikes().families());
        model.addAttribute("unreadable", shelf.unreadable());
        model.addAttribute("offShelf", shelf.offShelf());
        return "shelf/page";
    }

    /** How a board and a part go together. */
    public record Fit(String board, String boardName, String variant, int pins, List<String> missing) {}

    @GetMapping("/shelf/parts/{id}")
    String part(@PathVariable String id, Model model) {
        Part part = shelf.catalog().part(id).orElseThrow(() -> new NoSuchThing("The shelf has no part '" + id + "'."));
        List<Fit> fits = new ArrayList<>();
        for (Board board : shelf.catalog().boards().values()) {
            for (Part.Interface variant : part.interfaces()) {
                Suitability fit = Suitability.of(board, part, variant.id(), shelf.catalog());
                fits.add(new Fit(board.id(), board.name(), variant.name(), fit.pins(), fit.missing()));
            }
        }
        model.addAttribute("in", new Figures());
        model.addAttribute("part", part);
        model.addAttribute("own", Shelf.isOwn(id));
        model.addAttribute("header", Search.header(part));
        model.addAttribute("addresses", addresses(part));
        model.addAttribute("kin", kin(part));
        model.addAttribute("fits", fits);
        return "shelf/part";
    }

    /** Address by the setting that gives it; empty for parts without one. */
    private Map<String, String> addresses(Part part) {
        Map<String, String> addresses = new LinkedHashMap<>();
        if (part.i2c() != null) {
            Plan plan = new PlanEdit.AddPart(new PlacedPart(
                            "it",
                            part.id(),
                            part.version(),
                            part.shortName(),
                            part.interfaces().get(0).id(),
                            Map.of(),
                            null,
                            null))
                    .apply(Plan.empty(
                            part.name(),
                            shelf.catalog().boards().values().iterator().next().id()));
            Circuit circuit = new Circuit(plan, shelf.catalog());
            Reachable.of(circuit, circuit.unit("it").orElseThrow())
                    .forEach((address, setting) ->
                            addresses.put(Hex.of(address), setting.label().isEmpty() ? "fixed" : setting.label()));
        }
        return addresses;
    }

    private Map<String, Part> kin(Part part) {
        Map<String, Part> kin = new LinkedHashMap<>();
        part.kin()
                .forEach((how, other) -> shelf.catalog().part(other).ifPresent(p -> kin.put(how.replace('-', ' '), p)));
        return kin;
    }

    @GetMapping("/shelf/boards/{id}")
    String board(@PathVariable String id, Model model) {
        Board board =
                shelf.catalog().board(id).orElseThrow(() -> new NoSuchThing("The shelf has no board '" + id + "'."));
        model.addAttribute("in", new Figures());
        model.addAttribute("board", board);
        model.addAttribute("own", Shelf.isOwn(id));
        model.addAttribute("drawing", HeaderDrawing.of(CatalogWriter.tree(board), true));
        model.addAttribute("strips", BoardView.strips(board));
        model.addAttribute("places", BoardView.places(board));
        return "shelf/board";
    }

    /** A part of the path that was answered. */
    public record Answered(LookAlikes.Question question, String answer) {}

    @GetMapping("/shelf/which")
    String which(@RequestParam Map<String, String> query, Model model) {
        String family = query.get("family");
        model.addAttribute("families", shelf.lookAlikes().families());
        model.addAttribute("family", family);
        if (family != null && shelf.lookAlikes().families().contains(family)) {
            Map<String, String> given = new LinkedHashMap<>();
            List<Answered> answered = new ArrayList<>();
            for (LookAlikes.Question q : shelf.lookAlikes().questions()) {
                String answer = query.get(q.id());
                if (answer != null && !answer.isBlank()) {
                    given.put(q.id(), answer);
                    answered.add(new Answered(q, answer));
                }
            }
            model.addAttribute("answered", answered);
            model.addAttribute("given", given);
            model.addAttribute("step", shelf.lookAlikes().step(family, given));
        }
        return "shelf/which";
    }
}
