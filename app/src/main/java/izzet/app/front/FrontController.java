package izzet.app.front;

import izzet.app.catalog.Shelf;
import izzet.app.fault.WrongField;
import izzet.app.jobs.Jobs;
import izzet.app.plan.PlanStore;
import izzet.core.assign.Assigner;
import izzet.core.catalog.Catalog;
import izzet.core.edit.QuickPlan;
import izzet.core.plan.Plan;
import izzet.core.quantity.Hex;
import izzet.core.quantity.Names;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The first page: what lies on the table becomes a plan, and the plans that there are. */
@Controller
class FrontController {

    private static final int CARDS = 12;
    private static final int LONGEST_NAME = 60;

    private final PlanStore plans;
    private final PlanCards cards;
    private final Shelf shelf;
    private final Assigner assigner;
    private final Jobs jobs;

    FrontController(PlanStore plans, PlanCards cards, Shelf shelf, Assigner assigner, Jobs jobs) {
        this.plans = plans;
        this.cards = cards;
        this.shelf = shelf;
        this.assigner = assigner;
        this.jobs = jobs;
    }

    @GetMapping("/")
    String front(
            @RequestParam(defaultValue = "") String list,
            @RequestParam(defaultValue = "") String board,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(required = false) String deleted,
            Model model) {
        reading(list, board, model);
        long count = plans.count();
        int last = (int) Math.max(0, (count - 1) / CARDS);
        int shown = Math.max(0, Math.min(page, last));
        model.addAttribute("cards", cards.page(shown, CARDS));
        model.addAttribute("count", count);
        model.addAttribute("page", shown);
        model.addAttribute("last", last);
        model.addAttribute("deleted", plans.deleted());
        model.addAttribute("justDeleted", deleted != null);
        return "front/page";
    }

    /** What was understood of the list so far, and the boards. */
    @GetMapping("/quick-list")
    String read(
            @RequestParam(defaultValue = "") String list, @RequestParam(defaultValue = "") String board, Model model) {
        reading(list, board, model);
        return "front/reading";
    }

    private void reading(String list, String board, Model model) {
        Catalog catalog = shelf.catalog();
        model.addAttribute("reading", ReadingView.of(list, shelf.quickList().read(list), board, catalog));
        model.addAttribute("boards", catalog.boards().values());
    }

    /**
     * A plan of what was understood; words that were changed since are read anew.
     *
     * @param read the words that the rows were made of
     * @param part ids, in the order of the rows
     */
    @PostMapping("/quick-list")
    String make(
            @RequestParam(defaultValue = "") String list,
            @RequestParam(defaultValue = "") String read,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String board,
            @RequestParam(defaultValue = "") List<String> part,
            @RequestParam(defaultValue = "") List<String> count,
            @RequestParam(defaultValue = "") List<String> way,
            @RequestParam(defaultValue = "") List<String> address) {
        Catalog catalog = shelf.catalog();
        ReadingView reading = ReadingView.of(list, shelf.quickList().read(list), board, catalog);
        boolean same = list.equals(read);
        String chosen = same || reading.board().isEmpty() ? board : reading.board();
        if (catalog.board(chosen).isEmpty()) {
            throw new WrongField("board", "Choose the board that the parts go to; the list names none.");
        }
        List<QuickPlan.Want> wants = same ? wants(part, count, way, address) : wants(reading);
        String called = name.isBlank() ? name(wants, catalog) : name.strip();
        Plan plan =
                jobs.take(0, "Make a plan from a list", () -> QuickPlan.of(called, chosen, wants, catalog, assigner));
        long id = plans.create(plan, wants.isEmpty() ? "started the plan" : "made from a list");
        return "redirect:/plans/" + id + (wants.isEmpty() ? "/parts" : "/pins");
    }

    /** What a plan is called until the maker says otherwise: its first parts. */
    private static String name(List<QuickPlan.Want> wants, Catalog catalog) {
        String parts = wants.stream()
                .flatMap(w -> catalog.part(w.part()).stream()
                        .map(p -> (w.count() > 1 ? w.count() + " × " : "") + p.shortName()))
                .limit(3)
                .collect(Collectors.joining(", "));
        return parts.isEmpty() ? "New plan" : Names.cut(parts, LONGEST_NAME);
    }

    private static List<QuickPlan.Want> wants(ReadingView reading) {
        return reading.rows().stream()
                .map(r -> new QuickPlan.Want(
                        r.part().id(), r.item().count(), r.way(), r.item().address()))
                .toList();
    }

    private static List<QuickPlan.Want> wants(
            List<String> part, List<String> count, List<String> way, List<String> address) {
        List<QuickPlan.Want> wants = new ArrayList<>();
        for (int i = 0; i < part.size(); i++) {
            String at = at(address, i);
            int times = whole(at(count, i));
            if (times > 0) {
                wants.add(new QuickPlan.Want(
                        part.get(i), times, at(way, i), Hex.parse(at).orElse(null)));
            }
        }
        return wants;
    }

    private static String at(List<String> values, int place) {
        return place < values.size() ? values.get(place) : "";
    }

    private static int whole(String text) {
        try {
            int count = text.isBlank() ? 1 : Integer.parseInt(text.strip());
            if (count >= 0 && count <= QuickPlan.MOST_PARTS) {
                return count;
            }
        } catch (NumberFormatException e) {
            // Told below.
        }
        throw new WrongField("count", "'" + text + "' is no count; 0 to " + QuickPlan.MOST_PARTS + " are possible.");
    }
}
