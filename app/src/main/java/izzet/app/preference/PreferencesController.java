package izzet.app.preference;

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
}
