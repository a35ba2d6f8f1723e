package izzet.app.shelf;

import izzet.app.catalog.Shelf;
import izzet.app.plan.PlanStore;
import izzet.core.assign.Suitability;
import izzet.core.catalog.Board;
import izzet.core.catalog.Part;
import izzet.core.choose.Chooser;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import izzet.core.quantity.Counts;
import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Choosing an interface before buying: offers side by side, as a table and as one picture. */
@Controller
class ChooseController {

    private static final int MOST_PICKED = 3;
    /** Below so many pictures a second the time for one says more. */
    private static final double SELDOM = 0.1;

    private static final String FIRST_BOARD = "mcu-8bit-5v-14-6";
    /** A circle with the words below it. */
    private static final int MARK = 30;

    private static final int MOST = 60;
    private static final int LEFT = 46;
    private static final int BOTTOM = 260;
    private static final int TOP = 16;
    private static final int RIGHT = 890;
    private static final int MOST_PINS = 30;
    private static final double SHORTEST = 1e-4;
    private static final double LONGEST = 100;

    private final Shelf shelf;
    private final PlanStore plans;

    ChooseController(Shelf shelf, PlanStore plans) {
        this.shelf = shelf;
        this.plans = plans;
    }

    /**
     * An offer as a row and as a mark of the picture.
     *
     * @param x place by pins
     * @param y place by pictures a second; below 0 when it has no mark
     */
    public record Row(
            int number,
            Chooser.Offer offer,
            Chooser.Mending mending,
            String fill,
            String rate,
            String memory,
            int x,
            int y) {
        /** What has to be bought besides the display, each thing once; empty where nothing is. */
        public String buy() {
            return mending == null ? "" : Counts.together(mending.buy());
        }

        /** Names the offer among those that a page shows. */
        public String key() {
            return offer.part().id() + " " + offer.variant().id() + " "
                    + offer.board().id();
        }

        public boolean good() {
            return offer.fits() && offer.fastEnough() && offer.memoryFits();
        }
    }

    /**
     * Offers so near to each other in the picture that their circles or words would lie on each other.
     *
     * @param number of the first of them
     * @param more besides it
     */
    public record Mark(int number, int more, int x, int y, boolean good, String name) {}

    private static List<Mark> marks(List<Row> rows) {
        List<List<Row>> places = new ArrayList<>();
        for (Row row : rows) {
            if (row.y() < 0) {
                continue;
            }
            places.stream()
                    .filter(near ->
                            near.get(0).x() == row.x() && Math.abs(near.get(0).y() - row.y()) < MARK)
                    .findFirst()
                    .orElseGet(() -> {
                        places.add(new ArrayList<>());
                        return places.get(places.size() - 1);
                    })
                    .add(row);
        }
        return places.stream()
                .map(near -> {
                    Row first = near.get(0);
                    String name = first.offer().part().name() + ", "
                            + first.offer().variant().name() + ", "
                            + first.offer().board().name();
                    return new Mark(first.number(), near.size() - 1, first.x(), first.y(), first.good(), name);
                })
                .toList();
    }

    /** A line of the picture's scale. */
    public record Scale(String text, int place) {}

    @GetMapping("/shelf/choose")
    String choose(
            @RequestParam(required = false) String shows,
            @RequestParam(required = false) Integer columns,
            @RequestParam(required = false) Integer rows,
            @RequestParam(required = false) Integer bits,
            @RequestParam(required = false) Double pictures,
            @RequestParam(required = false) Double centimetres,
            @RequestParam(required = false) String board,
            @RequestParam(defaultValue = "PINS") String order,
            @RequestParam(defaultValue = "") List<String> pick,
            Model model) {
        Chooser.Order by = order(order);
        // Nothing asked for yet: the board that most begin with. Asked for "any": all of them.
        String only = board == null ? FIRST_BOARD : board.isBlank() ? null : board;
        if (only != null && shelf.catalog().board(only).isEmpty()) {
            throw new IllegalArgumentException("The shelf has no board '" + only + "'.");
        }
        Chooser.Wish wish = new Chooser.Wish(
                shows == null ? "pixels" : shows.isBlank() ? null : shows,
                columns,
                rows,
                bits,
                pictures,
                centimetres,
                only);
        List<Chooser.Offer> offers = shelf.chooser().offers(wish, by);
        List<Row> shown = new ArrayList<>();
        for (Chooser.Offer offer : offers.subList(0, Math.min(MOST, offers.size()))) {
            Chooser.Mending mending = offer.fits() ? shelf.chooser().mending(offer) : null;
            shown.add(row(shown.size() + 1, offer, mending));
        }
        List<Row> picked = shown.stream()
                .filter(r -> pick.contains(r.key()))
                .limit(MOST_PICKED)
                .toList();
        model.addAttribute("picked", picked.size() < 2 ? List.of() : picked);
        model.addAttribute("wish", wish);
        model.addAttribute("order", by);
        model.addAttribute("orders", Chooser.Order.values());
        model.addAttribute("boards", shelf.catalog().boards().values());
        model.addAttribute("rows", shown);
        model.addAttribute("marks", marks(shown));
        model.addAttribute("hidden", offers.size() - shown.size());
        model.addAttribute("pinScale", scale(new int[] {0, 5, 10, 15, 20, 25, 30}));
        model.addAttribute("rateScale", rates());
        model.addAttribute("serial", izzet.core.calc.FillTime.SERIAL);
        model.addAttribute("parallel", izzet.core.calc.FillTime.PARALLEL);
        model.addAttribute("twoWire", izzet.core.calc.FillTime.TWO_WIRE);
        return "shelf/choose";
    }

    private static Chooser.Order order(String text) {
        try {
            return Chooser.Order.valueOf(text.toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(
                    "Sorted by '" + text + "' is not known; pins, speed, memory and trouble are.", e);
        }
    }

    private static Row row(int number, Chooser.Offer o, Chooser.Mending mending) {
        String fill =
                o.fillSeconds() == null ? "" : Quantity.seconds(o.fillSeconds()).toString();
        String rate = o.fillSeconds() == null ? "" : rate(o.picturesPerSecond());
        String memory = o.frameBytes() == null
                ? ""
                : o.ramBytes() == null ? o.frameBytes() + " bytes" : o.frameBytes() + " of " + o.ramBytes() + " bytes";
        int x = LEFT + (RIGHT - LEFT) * Math.min(MOST_PINS, o.pins()) / MOST_PINS;
        int y = o.fillSeconds() == null || !o.fits() ? -1 : place(o.picturesPerSecond());
        return new Row(number, o, mending, fill, rate, memory, x, y);
    }

    /** "60 a second", "4.35 a second", "one in 12 s": three figures at most, no powers of ten. */
    static String rate(double pictures) {
        if (pictures < SELDOM) {
            return "one in " + Math.round(1 / pictures) + " s";
        }
        String digits = pictures >= 100 ? "%.0f" : pictures >= 10 ? "%.1f" : "%.2f";
        return String.format(Locale.ROOT, digits, pictures) + " a second";
    }

    /** Pictures a second on a scale of powers of ten. */
    private static int place(double rate) {
        double low = Math.log10(1 / LONGEST);
        double high = Math.log10(1 / SHORTEST);
        double at = Math.min(high, Math.max(low, Math.log10(rate)));
        return (int) Math.round(BOTTOM - (at - low) / (high - low) * (BOTTOM - TOP));
    }

    private static List<Scale> scale(int[] pins) {
        List<Scale> scale = new ArrayList<>();
        for (int n : pins) {
            scale.add(new Scale(String.valueOf(n), LEFT + (RIGHT - LEFT) * n / MOST_PINS));
        }
        return scale;
    }

    /** What is faster than the highest stands there, too. */
    private static List<Scale> rates() {
        List<Scale> scale = new ArrayList<>();
        double rate = 0.1;
        for (String text : List.of("0.1", "1", "10", "100", "1k", "10k+")) {
            scale.add(new Scale(text, place(rate)));
            rate *= 10;
        }
        return scale;
    }

    /** One click makes the plan. */
    @PostMapping("/shelf/choose")
    String take(
            @RequestParam String board, @RequestParam String part, @RequestParam(name = "interface") String variant) {
        Board b = shelf.catalog()
                .board(board)
                .orElseThrow(() -> new PlanEdit.EditRefused("The shelf has no board '" + board + "'."));
        Part p = shelf.catalog()
                .part(part)
                .orElseThrow(() -> new PlanEdit.EditRefused("The shelf has no part '" + part + "'."));
        if (p.interfaceOf(variant).isEmpty()) {
            throw new PlanEdit.EditRefused("The part has no interface '" + variant + "'.");
        }
        Plan plan = Suitability.of(b, p, variant, shelf.catalog()).plan();
        String name =
                Character.toUpperCase(p.shortName().charAt(0)) + p.shortName().substring(1);
        Plan named = new PlanEdit.RenamePart("it", name)
                .apply(new PlanEdit.Rename(shortened(name + " on " + b.name())).apply(plan));
        return "redirect:/plans/" + plans.create(named, "chosen from the shelf") + "/pins";
    }

    private static String shortened(String name) {
        return izzet.core.quantity.Names.cut(name, 80).strip();
    }
}
