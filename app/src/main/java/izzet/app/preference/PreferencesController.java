package izzet.app.preference;

import izzet.app.fault.WrongField;
import izzet.core.wiring.WireColours;
import izzet.core.wiring.WireUse;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import java.util.regex.Pattern;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Keeps what a maker tells once. */
@Controller
class PreferencesController {

    private static final Pattern BACK = Pattern.compile("/(plans/\\d{1,18}/[a-z-]{1,40}|tools/[a-z-]{1,40})");

    private final Preferences preferences;

    PreferencesController(Preferences preferences) {
        this.preferences = preferences;
    }

    @PostMapping("/preferences/drawer")
    String drawer(@RequestParam String drawer, @RequestParam(defaultValue = "") String here) {
        preferences.keepDrawer(drawer);
        return "redirect:" + (BACK.matcher(here).matches() ? here : "/");
    }

    /** Colours by use, such as {@code SUPPLY=red}, and which name of a pin comes first. */
    @PostMapping("/preferences/wires")
    String wires(@RequestParam Map<String, String> told, @RequestParam(defaultValue = "") String here) {
        Map<WireUse, String> colours = new EnumMap<>(WireUse.class);
        for (WireUse use : WireUse.values()) {
            String colour = told.getOrDefault(use.name(), use.usual());
            if (!WireColours.COLOURS.contains(colour)) {
                throw new WrongField(use.name(), "'" + colour + "' is no colour of a wire; choose one of the list.");
            }
            colours.put(use, colour);
        }
        Preferences.First first = Arrays.stream(Preferences.First.values())
                .filter(f -> f.name().equals(told.getOrDefault("first", Preferences.First.LABEL.name())))
                .findFirst()
                .orElseThrow(() -> new WrongField("first", "Choose one of the list for the name that comes first."));
        preferences.keepColours(new WireColours(colours));
        preferences.keepFirst(first);
        return "redirect:" + (BACK.matcher(here).matches() ? here : "/");
    }
}
