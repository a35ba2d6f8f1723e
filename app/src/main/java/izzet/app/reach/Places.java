package izzet.app.reach;

import izzet.app.catalog.Shelf;
import izzet.app.help.HelpPages;
import izzet.app.plan.PlanStore;
import izzet.app.shell.PlanFrame;
import izzet.app.shell.PlanFrames;
import izzet.app.shell.Stations;
import izzet.app.store.RecordRows;
import izzet.core.circuit.Unit;
import izzet.core.draw.Tools;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.springframework.data.domain.PageRequest;
import org.springframework.stereotype.Component;

/** Everything that can be reached by words, nearest first: of the plan at hand, then of all plans, then of the shelf. */
@Component
class Places {

    private static final int MOST = 14;
    private static final int MOST_PLANS = 60;
    private static final int MOST_RECORDS = 200;

    private static final List<Place> ROOMS = List.of(
            new Place("room", "Plans", "/"),
            new Place("room", "Shelf of parts and boards", "/shelf"),
            new Place("room", "Which one have I got?", "/shelf/which"),
            new Place("room", "Choose before buying", "/shelf/choose"),
            new Place("room", "Tools", "/tools"),
            new Place("tool", "Resistors", "/tools/resistors"),
            new Place("room", "Practice: find the fault", "/practice"),
            new Place("room", "Have I tried this before? The logs of all plans", "/log"),
            new Place("room", "Backup and restore", "/backup"),
            new Place("room", "What it works on: searches, comparisons", "/jobs"),
            new Place("room", "What the file of a part says", "/shelf/fields/part"),
            new Place("room", "What the file of a board says", "/shelf/fields/board"),
            new Place("room", "Interface for programs (API)", "/api"));

    private final PlanStore plans;
    private final PlanFrames frames;
    private final Stations stations;
    private final Shelf shelf;
    private final RecordRows records;
    private final HelpPages help;

    Places(PlanStore plans, PlanFrames frames, Stations stations, Shelf shelf, RecordRows records, HelpPages help) {
        this.plans = plans;
        this.frames = frames;
        this.stations = stations;
        this.shelf = shelf;
        this.records = records;
        this.help = help;
    }

    /**
     * @param planId of the plan at hand; null for none
     * @param words that each must be in what is found
     */
    List<Place> find(Long planId, String words) {
        List<Place> all = new ArrayList<>();
        if (planId != null) {
            of(planId, all);
        }
        all.addAll(ROOMS);
        Tools.all().forEach(t -> all.add(new Place("tool", t.name() + ": " + t.purpose(), "/tools/" + t.id())));
        help.all().forEach(h -> all.add(new Place("help", h.title(), "/help/" + h.id())));
        plans.names(MOST_PLANS).forEach(p -> all.add(new Place("plan", p.name(), "/plans/" + p.id() + "/pins")));
        shelf.catalog()
                .boards()
                .values()
                .forEach(b -> all.add(new Place("board", b.name(), "/shelf/boards/" + b.id())));
        shelf.catalog().parts().values().forEach(p -> all.add(new Place("part", p.name(), "/shelf/parts/" + p.id())));
        List<String> wanted =
                Arrays.asList(words.strip().toLowerCase(Locale.ROOT).split("\\s+"));
        return all.stream().filter(p -> holds(p, wanted)).limit(MOST).toList();
    }

    private static boolean holds(Place place, List<String> wanted) {
        String text = (place.kind() + " " + place.words()).toLowerCase(Locale.ROOT);
        return wanted.stream().allMatch(text::contains);
    }

    private void of(long planId, List<Place> all) {
        PlanFrame frame = frames.of(planId, "pins");
        String base = "/plans/" + planId + "/";
        stations.all().forEach(s -> all.add(new Place("station", s.name(), base + s.id())));
        all.add(new Place("station", "Bench: the plan simulated, with faults and practice", base + "bench"));
        all.add(new Place("station", "Findings", base + "findings"));
        all.add(new Place("station", "Assign the pins", base + "assign"));
        all.add(new Place("station", "Move to another board", base + "move"));
        all.add(new Place("station", "History of the plan", base + "history"));
        all.add(new Place("station", "Take away: sheet, code, overlay, bundle", base + "exports"));
        for (Unit unit : frame.circuit().units()) {
            all.add(new Place("part", unit.name() + ", " + unit.part().name(), base + "parts#" + unit.id()));
        }
        frame.report()
                .findings()
                .forEach(f -> all.add(new Place(f.severity().word(), f.sentence(), base + "findings/" + f.id())));
        records.of(planId, PageRequest.of(0, MOST_RECORDS))
                .forEach(r -> all.add(new Place("record", r.name(), base + "traffic/" + r.id())));
    }
}
