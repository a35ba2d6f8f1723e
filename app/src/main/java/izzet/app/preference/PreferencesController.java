package izzet.app.preference;

import izzet.app.fault.WrongField;
import izzet.app.shell.AskedNumber;
import izzet.app.shell.Look;
import izzet.core.record.Instrument;
import izzet.core.wiring.WireColours;
import izzet.core.wiring.WireUse;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import java.util.regex.Pattern;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Keeps what a maker tells once. */
@Controller
class PreferencesController {

    private static final Pattern BACK = Pattern.compile("/(plans/\\d{1,18}/[a-z-]{1,40}|tools/[a-z-]{1,40}|settings)");

    private static final double MILLION = 1e6;
    private static final double MOST_TOLD = 1e12;
    private static final Duration KEPT = Duration.ofDays(400);

    private final Preferences preferences;
    private final Look look;
    private final Libraries libraries;

    PreferencesController(Preferences preferences, Look look, Libraries libraries) {
        this.libraries = libraries;
        this.preferences = preferences;
        this.look = look;
    }

    @GetMapping("/settings")
    String page(Model model) {
        model.addAttribute("themes", Look.THEMES);
        model.addAttribute("theme", look.chosenTheme());
        model.addAttribute("sizes", Look.SIZES);
        model.addAttribute("size", look.chosenSize());
        model.addAttribute("uses", WireUse.values());
        model.addAttribute("allColours", WireColours.COLOURS);
        model.addAttribute("colours", preferences.colours());
        model.addAttribute("firsts", Preferences.First.values());
        model.addAttribute("first", preferences.first());
        model.addAttribute("drawer", preferences.drawer());
        model.addAttribute("millimetres", preferences.millimetres());
        model.addAttribute("instrument", preferences.instrument());
        return "preference/page";
    }

    @GetMapping("/settings/libraries")
    String libraries(Model model) throws IOException {
        model.addAttribute("libraries", libraries.all());
        return "preference/libraries";
    }

    /** Theme and size of text, for the browser that asks. */
    @PostMapping("/preferences/look")
    String look(
            @RequestParam String theme,
            @RequestParam String size,
            HttpServletRequest request,
            HttpServletResponse response) {
        if (!Look.THEMES.contains(theme)) {
            throw new WrongField("theme", "The theme is one of " + String.join(", ", Look.THEMES) + ".");
        }
        if (!Look.SIZES.contains(size)) {
            throw new WrongField("size", "The size is one of " + String.join(", ", Look.SIZES) + ".");
        }
        ResponseCookie cookie = ResponseCookie.from(Look.COOKIE, theme + "." + size)
                .httpOnly(true)
                .secure(request.isSecure())
                .sameSite("Lax")
                .path("/")
                .maxAge(KEPT)
                .build();
        response.addHeader(HttpHeaders.SET_COOKIE, cookie.toString());
        return "redirect:/settings";
    }

    @PostMapping("/preferences/units")
    String units(@RequestParam String diagonal, @RequestParam(defaultValue = "") String here) {
        preferences.keepDiagonal(diagonal);
        return back(here);
    }

    @PostMapping("/preferences/instrument")
    String instrument(
            @RequestParam String name,
            @RequestParam String kind,
            @RequestParam int channels,
            @RequestParam String rate,
            @RequestParam(defaultValue = "") String memory,
            @RequestParam(defaultValue = "") String bandwidth,
            @RequestParam(defaultValue = "") String threshold,
            @RequestParam(defaultValue = "") String here) {
        preferences.keepInstrument(new Instrument(
                name.strip(),
                kind.equals("scope"),
                channels,
                number(rate) * MILLION,
                number(memory),
                number(bandwidth) * MILLION,
                number(threshold)));
        return back(here);
    }

    /** With a point or a comma; the instrument says what lies outside its bounds. */
    private static double number(String told) {
        return AskedNumber.of(told, 0, 0, MOST_TOLD);
    }

    private static String back(String here) {
        return "redirect:" + (BACK.matcher(here).matches() ? here : "/");
    }

    @PostMapping("/preferences/drawer")
    String drawer(@RequestParam String drawer, @RequestParam(defaultValue = "") String here) {
        preferences.keepDrawer(drawer);
        return back(here);
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
        return back(here);
    }
}
