package izzet.app.shelf;

import izzet.app.catalog.Shelf;
import izzet.app.fault.NoSuchThing;
import izzet.app.preference.Preferences;
import izzet.core.assign.Suitability;
import izzet.core.catalog.Board;
import izzet.core.catalog.CatalogItem;
import izzet.core.catalog.LookAlikes;
import izzet.core.catalog.Part;
import izzet.core.catalog.SideBySide;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Reachable;
import izzet.core.find.Filter;
import izzet.core.find.Search;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The shelf: every board and part, how to find them, and what each is. */
@Controller
class ShelfController {

    private static final int LONGEST_QUERY = 200;
    private static final int MOST_COMPARED = 3;
    private static final List<String> KINDS =
            List.of("display", "board", "input", "lamp", "sensor", "helper", "supply");

    private final Shelf shelf;
    private final Preferences preferences;

    ShelfController(Shelf shelf, Preferences preferences) {
        this.shelf = shelf;
        this.preferences = preferences;
    }

    /** A kind of thing with what the shelf has of it. */
    public record Group(String kind, List<CatalogItem> items) {}

    /** @param name of the value; empty for any */
    public record Choice(String name, String words) {}

    @GetMapping("/shelf")
    String shelf(
            @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "") String kind,
            @RequestParam(defaultValue = "") String way,
            @RequestParam(defaultValue = "") String glass,
            @RequestParam(defaultValue = "") String supply,
            Model model) {
        if (q.length() > LONGEST_QUERY) {
            throw new IllegalArgumentException("A search has " + LONGEST_QUERY + " characters at most.");
        }
        Filter filter = new Filter(
                Filter.named(Filter.Way.class, way).orElse(null),
                Filter.named(Filter.Glass.class, glass).orElse(null),
                Filter.named(Filter.Supply.class, supply).orElse(null));
        Map<String, List<CatalogItem>> kinds = new LinkedHashMap<>();
        KINDS.forEach(k -> kinds.put(k, new ArrayList<>()));
        shelf.search().find(q).forEach(h -> item(h).filter(filter::fits)
                .ifPresent(i -> kinds.get(h.kind()).add(i)));
        List<Group> groups = kinds.entrySet().stream()
                .filter(e ->
                        !e.getValue().isEmpty() && (kind.isEmpty() || e.getKey().equals(kind)))
                .map(e -> new Group(e.getKey(), e.getValue()))
                .toList();
        model.addAttribute("q", q);
        model.addAttribute("kind", kind);
        model.addAttribute("kinds", kinds);
        model.addAttribute("groups", groups);
        model.addAttribute("way", way);
        model.addAttribute("glass", glass);
        model.addAttribute("supply", supply);
        model.addAttribute("ways", choices(Filter.Way.values(), Filter.Way::words));
        model.addAttribute("glasses", choices(Filter.Glass.values(), Filter.Glass::words));
        model.addAttribute("supplies", choices(Filter.Supply.values(), Filter.Supply::words));
        model.addAttribute("unreadable", shelf.unreadable());
        model.addAttribute("offShelf", shelf.offShelf());
        return "shelf/page";
    }

    private static <E extends Enum<E>> List<Choice> choices(E[] values, Function<E, String> words) {
        return Arrays.stream(values)
                .map(v -> new Choice(v.name(), words.apply(v)))
                .toList();
    }

    private Optional<? extends CatalogItem> item(Search.Hit hit) {
        return hit.board() ? shelf.catalog().board(hit.id()) : shelf.catalog().part(hit.id());
    }

    /** Two or three parts side by side, with what tells them apart. */
    @GetMapping("/shelf/compare")
    String compare(@RequestParam(defaultValue = "") List<String> part, Model model) {
        List<Part> parts = part.stream()
                .distinct()
                .map(id -> shelf.catalog()
                        .part(id)
                        .orElseThrow(() -> new NoSuchThing("The shelf has no part '" + id + "'.")))
                .toList();
        if (parts.size() < 2 || parts.size() > MOST_COMPARED) {
            throw new IllegalArgumentException("Two or three parts are laid side by side, not " + parts.size() + ".");
        }
        model.addAttribute("parts", parts);
        model.addAttribute("rows", SideBySide.of(parts, preferences.millimetres()));
        return "shelf/compare";
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
        model.addAttribute("millimetres", preferences.millimetres());
        model.addAttribute("own", Shelf.isOwn(id));
        model.addAttribute("lookAlikes", lookAlikes(part));
        model.addAttribute("addresses", addresses(part));
        model.addAttribute("kin", kin(part));
        model.addAttribute("fits", fits);
        return "shelf/part";
    }

    /** Others of the family that it can be mistaken in. */
    private List<Part> lookAlikes(Part part) {
        String family = part.tells().get(LookAlikes.FAMILY);
        return shelf.catalog().parts().values().stream()
                .filter(p -> family != null && !p.id().equals(part.id()))
                .filter(p -> family.equals(p.tells().get(LookAlikes.FAMILY)))
                .toList();
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
        model.addAttribute("picture", BoardView.picture(board));
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
