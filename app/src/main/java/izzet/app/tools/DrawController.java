package izzet.app.tools;

import izzet.app.catalog.Shelf;
import izzet.app.drawing.Pictures;
import izzet.app.fault.NoSuchThing;
import izzet.app.plan.PlanStore;
import izzet.app.plan.StoredPlan;
import izzet.core.catalog.Board;
import izzet.core.catalog.Part;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.code.CodeTarget;
import izzet.core.display.Interpreters;
import izzet.core.display.Panel;
import izzet.core.draw.Asked;
import izzet.core.draw.Calls;
import izzet.core.draw.CommandTable;
import izzet.core.draw.PictureBytes;
import izzet.core.draw.Tool;
import izzet.core.draw.Tools;
import izzet.core.draw.tools.CommandsTool;
import izzet.core.draw.tools.PictureTool;
import izzet.core.draw.tools.WindowTool;
import java.io.IOException;
import java.io.InputStream;
import java.util.Base64;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedSet;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Tools for what goes on a glass, each with an address of its own; filled in from a display of a plan where one is named. */
@Controller
class DrawController {

    private static final JsonMapper JSON = JsonMapper.shared();

    private final PlanStore plans;
    private final Shelf shelf;

    DrawController(PlanStore plans, Shelf shelf) {
        this.plans = plans;
        this.shelf = shelf;
    }

    @GetMapping("/tools")
    String index(Model model) {
        model.addAttribute("tools", Tools.all());
        return "tools/index";
    }

    @GetMapping("/tools/{tool}")
    String tool(@PathVariable String tool, @RequestParam Map<String, String> given, Model model) {
        Tool chosen = Tools.of(tool).orElseThrow(() -> new NoSuchThing("There is no tool '" + tool + "'."));
        Map<String, String> form = form(given, model);
        common(chosen, form, model);
        if (!tool.equals("picture")) {
            answer(chosen, form, model);
        }
        return "tools/draw";
    }

    /** What was asked, filled in from the display of the plan that is named. */
    private Map<String, String> form(Map<String, String> given, Model model) {
        Map<String, String> form = new HashMap<>(given);
        if (given.getOrDefault("plan", "").matches("\\d{1,18}")) {
            StoredPlan stored = plans.get(Long.parseLong(given.get("plan")));
            Circuit circuit = new Circuit(stored.plan(), shelf.catalog());
            List<Unit> displays = circuit.units().stream()
                    .filter(u -> u.part().glass() != null)
                    .toList();
            model.addAttribute("plan", stored);
            model.addAttribute("displays", displays);
            fill(form, circuit);
            String wanted = given.getOrDefault("part", "");
            displays.stream()
                    .filter(u -> u.id().equals(wanted))
                    .findFirst()
                    .or(() -> displays.stream().findFirst())
                    .ifPresent(u -> fill(form, u));
        }
        return form;
    }

    private static void fill(Map<String, String> form, Circuit circuit) {
        Board board = circuit.board();
        putIfThere(form, "ram", board.ramBytes());
        putIfThere(form, "flash", board.flashBytes());
        CodeTarget.all().stream()
                .filter(target -> target.kinds().contains(board.kind()))
                // Registers are for those who choose them.
                .min(Comparator.comparing(target -> target.pins().equals("port")))
                .ifPresent(target -> form.putIfAbsent("language", target.title()));
    }

    private static void putIfThere(Map<String, String> form, String field, Long value) {
        if (value != null) {
            form.putIfAbsent(field, String.valueOf(value));
        }
    }

    private static void fill(Map<String, String> form, Unit unit) {
        Part.Glass glass = unit.part().glass();
        boolean pixels = glass.shows().equals("pixels");
        Panel panel = Panel.of(unit.part());
        form.put("part", unit.id());
        form.putIfAbsent("columns", String.valueOf(glass.columns()));
        form.putIfAbsent("rows", String.valueOf(glass.rows()));
        form.putIfAbsent("kind", pixels ? "pixels" : "characters");
        if (panel.family() != null) {
            form.putIfAbsent("family", panel.family());
        }
        form.putIfAbsent("offsetX", String.valueOf(panel.offsetColumns()));
        form.putIfAbsent("offsetY", String.valueOf(panel.offsetRows()));
        Integer bits = glass.bitsPerPixel();
        form.putIfAbsent("form", bits == null || bits == 1 ? "page" : bits == 4 ? "grey" : "16");
    }

    private static void common(Tool chosen, Map<String, String> form, Model model) {
        model.addAttribute("tool", chosen);
        model.addAttribute("tools", Tools.all());
        model.addAttribute("f", form);
        model.addAttribute("families", titled(CommandsTool.families()));
        model.addAttribute("opening", titled(WindowTool.families()));
        String family = form.getOrDefault("family", "page-oled");
        model.addAttribute("table", CommandTable.all().get(family));
        model.addAttribute(
                "usual", Interpreters.of(family).map(i -> i.usual(family)).orElse(Panel.plain(family, 128, 64)));
        model.addAttribute("forms", PictureBytes.Form.values());
        model.addAttribute("languages", Calls.all().stream().map(Calls::title).toList());
    }

    private static List<CommandTable> titled(SortedSet<String> families) {
        return families.stream().map(CommandTable.all()::get).toList();
    }

    private static void answer(Tool chosen, Map<String, String> form, Model model) {
        try {
            ObjectNode asked = JSON.createObjectNode();
            form.forEach(asked::put);
            model.addAttribute("a", JSON.convertValue(chosen.answer(new Asked(asked)), Map.class));
        } catch (IllegalArgumentException e) {
            model.addAttribute("wrong", e.getMessage());
        }
    }

    /** A picture file becomes bytes. */
    @PostMapping("/tools/picture")
    String picture(@RequestParam MultipartFile file, @RequestParam Map<String, String> given, Model model)
            throws IOException {
        Map<String, String> form = form(given, model);
        common(Tools.of("picture").orElseThrow(), form, model);
        ObjectNode asked = JSON.createObjectNode();
        form.forEach(asked::put);
        try (InputStream in = file.getInputStream()) {
            PictureBytes made = PictureBytes.of(Pictures.read(in), PictureTool.wish(new Asked(asked)));
            int scale = Math.max(1, Math.min(4, 512 / made.picture().width()));
            model.addAttribute(
                    "preview",
                    "data:image/png;base64," + Base64.getEncoder().encodeToString(Pictures.png(made.picture(), scale)));
            model.addAttribute("a", JSON.convertValue(PictureTool.told(made, new Asked(asked)), Map.class));
        }
        return "tools/draw";
    }
}
